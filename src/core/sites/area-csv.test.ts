import { describe, expect, it } from 'vitest';
import { trackOf, workFacts } from '../sequence/works';
import { CSV_EXAMPLE, readAreaCsv } from './area-csv';
import { standsOnLevel } from './draft-area';
import { TEMPLATES } from './templates';

describe('areas from CSV', () => {
  it('reads its own example', () => {
    const read = readAreaCsv(CSV_EXAMPLE);
    expect(read.problems).toEqual([]);
    expect(read.levels).toEqual([
      { name: 'Ground floor', height: 0 },
      { name: 'Upper floor', height: 1 },
    ]);
    expect(read.areas[0]).toEqual({
      name: 'Kitchen',
      kind: 'room',
      level: 'Ground floor',
      works: ['kitchen', 'open-floor'],
      size: 1.2,
      passage: false,
      beside: ['Hall'],
      opensTo: [],
    });
    expect(read.areas[2]).toMatchObject({ name: 'Front', kind: 'face', level: null });
  });

  it('takes semicolons, quotes, a mark at the beginning, capitals and a comma in the size', () => {
    const read = readAreaCsv('\uFEFFLevel;Area;Kind;Works;Size\r\nCellar;"Store; old";wet room;bathroom;"0,5"\r\n\r\n');
    expect(read.areas).toMatchObject([
      { name: 'Store; old', kind: 'wet', level: 'Cellar', works: ['bathroom'], size: 0.5, passage: false },
    ]);
    expect(read.levels).toEqual([{ name: 'Cellar', height: -1 }]);
  });

  it.each([
    ['level,room\nG,Kitchen', 1, /no column “area”/],
    ['area,kind\nA,castle', 2, /“castle” is no kind of area; write one of/],
    ['area,works\nA,paint it', 2, /“paint it” is no work; write one of/],
    ['area,kind,works\nA,room,reroof', 2, /not done in an area of the kind room; there can be/],
    ['area,size\nA,many', 2, /“many” is no size/],
    ['area,size\nA,-1', 2, /is no size/],
    ['area,kind\n\n,room', 3, /no name/],
    [`area\n${'x'.repeat(61)}`, 2, /60 characters/],
    ['area,passage\nA,maybe', 2, /“maybe” is neither yes nor no/],
    ['area,beside\nA,B', 1, /A: there is no area “B” in this list/],
    ['area\nA\nA', 1, /named twice/],
  ])('says what is wrong in %j', (text, line, words) => {
    const { problems } = readAreaCsv(text);
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatchObject({ line });
    expect(problems[0]?.message).toMatch(words);
  });

  it('takes halls and stairs for passages unless it is said otherwise', () => {
    const { areas } = readAreaCsv('area,passage\nHall and stairs,\nHall,no\nStudy,yes\nHallam room,');
    expect(areas.map(({ passage }) => passage)).toEqual([true, false, true, false]);
  });

  it('keeps the good lines beside a bad one', () => {
    expect(readAreaCsv('area,kind\nA,room\nB,castle\nC,wet').areas.map((area) => area.name)).toEqual(['A', 'C']);
  });
});

describe('patterns', () => {
  it.each(TEMPLATES.map((template) => [template.label, template] as const))(
    '%s: every area stands where it can and has work that is done there',
    (_, template) => {
      for (const area of template.areas) {
        expect(area.level === null).toBe(!standsOnLevel(area.kind));
        if (area.level !== null) expect(template.levels.map((level) => level.name)).toContain(area.level);
        for (const work of area.works) expect(workFacts(work).kinds).toContain(area.kind);
      }
      expect(template.areas.some((area) => trackOf(area.works).length > 0)).toBe(true);
    },
  );
});
