import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatDay } from '../units/day';
import { triggersOf } from '../safety/triggers';
import { byWall, fixtureWords, wallRecord } from '../walls/wall-record';
import { binSwapDay, isDueToLeave } from './housekeeping';
import { conflicts, differenceWords } from './measured-again';
import { notWithdrawn, type InWall, type Observation, type Of, type RecheckVerdict } from './observation';
import { carriedItems, openCautions } from './open-items';
import { walkingOrder } from './route';

const at = (minute: number): string => new Date(Date.UTC(2027, 2, 9, 8, minute)).toISOString();
const seen = (id: string, minute: number, fresh: object): Observation =>
  ({ id, job: 'j', walk: 'w', area: 'a', person: 'p', at: at(minute), ...fresh }) as Observation;

describe('what is carried from walk to walk', () => {
  it('loses nothing: what is not found done stays, with every time it was put off or not seen', () => {
    const verdict = fc.constantFrom<RecheckVerdict>('done', 'still open', 'worse', 'not seen');
    fc.assert(
      fc.property(fc.array(fc.array(verdict, { maxLength: 6 }), { maxLength: 8 }), (histories) => {
        const all = histories.flatMap((history, item) => [
          seen(`i${item}`, item, { kind: item % 2 ? 'caution' : 'remaining', text: 't', trade: 'wiring' }),
          ...history.map((entry, walk) =>
            seen(`r${item}-${walk}`, 20 + walk, { kind: 'recheck', about: `i${item}`, verdict: entry }),
          ),
        ]);
        const open = new Map(carriedItems(notWithdrawn(all)).map((entry) => [entry.item.id, entry]));
        histories.forEach((history, item) => {
          const known = open.get(`i${item}`);
          expect(known === undefined).toBe(history.includes('done'));
          if (!known) return;
          expect([known.putOff, known.notSeen, known.worse]).toEqual([
            history.filter((entry) => entry === 'still open' || entry === 'worse').length,
            history.filter((entry) => entry === 'not seen').length,
            history.includes('worse'),
          ]);
        });
      }),
    );
  });

  it('says a caution no more once it was made safe', () => {
    const all = [
      seen('c', 1, { kind: 'caution', text: 'open edge' }),
      seen('d', 2, { kind: 'caution', text: 'loose tread' }),
      seen('r', 3, { kind: 'recheck', about: 'c', verdict: 'done' }),
    ];
    expect(openCautions(notWithdrawn(all)).map((entry) => entry.text)).toEqual(['loose tread']);
  });
});

describe('the way people walk', () => {
  it('goes round the outside, in and up, to the roof, and through the cellar last', () => {
    const areas = [
      { kind: 'room', level: { height: -1 }, position: 0 },
      { kind: 'roof', position: 1 },
      { kind: 'room', level: { height: 1 }, position: 2 },
      { kind: 'face', position: 3 },
      { kind: 'room', level: { height: 0 }, position: 5 },
      { kind: 'room', level: { height: 0 }, position: 4 },
    ] as const;
    expect(walkingOrder(areas).map((area) => area.position)).toEqual([3, 4, 5, 2, 1, 0]);
  });
});

describe('how a site is left', () => {
  it('is said every evening or once a week, never at the weekend', () => {
    expect([
      isDueToLeave('evening', '2027-03-08', '2027-03-09'),
      isDueToLeave('evening', '2027-03-09', '2027-03-09'),
      isDueToLeave('week', '2027-03-05', '2027-03-09'),
      isDueToLeave('week', null, '2027-03-09'),
      isDueToLeave('evening', null, '2027-03-13'),
    ]).toEqual([true, false, false, true, false]);
  });

  it('has its bin swapped on the last workday before it is full, by how it filled since it was empty', () => {
    const day = (levels: [string, number][], today = '2027-03-09'): string | null => {
      const found = binSwapDay(
        levels.map(([one, level]) => ({ day: one, level })),
        today,
      );
      return found && formatDay(found);
    };
    expect(
      day([
        ['2027-03-04', 0.3],
        ['2027-03-06', 0.5],
        ['2027-03-08', 0.7],
      ]),
    ).toBe('Thu 11 Mar');
    expect(
      day([
        ['2027-03-01', 0.9],
        ['2027-03-04', 0.1],
        ['2027-03-08', 0.5],
      ]),
    ).toBe('Fri 12 Mar');
    expect([
      day([]),
      day([['2027-03-08', 0.5]]),
      day([
        ['2027-03-05', 0.5],
        ['2027-03-08', 0.5],
      ]),
    ]).toEqual([null, null, null]);
    expect(day([['2027-03-08', 0.97]])).toBe('Tue 9 Mar');
  });
});

describe('what is dangerous', () => {
  it.each([
    ['gas stub by the door', 'gas'],
    ['grey sheets in the loft', 'fibres'],
    ["the rail's off and the edge is open", 'edge'],
    ['black mould behind the board', 'mould'],
    ['this wall may carry the floor above', 'structure'],
    ['slack cable over the yard', 'overhead'],
  ])('“%s” says so, and who decides', (text, id) => {
    const raised = triggersOf({ kind: 'note', text });
    expect(raised.map((trigger) => trigger.id)).toContain(id);
    expect(raised.every((trigger) => trigger.source.length > 5 && !/approved|certified safe/.test(trigger.text))).toBe(
      true,
    );
  });

  it('counts a trench by its depth, and says nothing of what is harmless', () => {
    expect(
      triggersOf({ kind: 'measurement', text: 'depth of the trench', mm: 1400 }).map((trigger) => trigger.id),
    ).toEqual(['trench']);
    expect(triggersOf({ kind: 'measurement', text: 'depth of the trench', mm: 900 })).toEqual([]);
    expect(
      ['paint the skirting', 'two more tiles', 'client likes sage'].flatMap((text) =>
        triggersOf({ kind: 'note', text }),
      ),
    ).toEqual([]);
  });
});

describe('what is in a wall', () => {
  const thing = (over: Partial<InWall>): InWall => ({
    wall: 0,
    what: 'backing',
    text: '',
    along: 400,
    height: 900,
    length: 600,
    rise: 190,
    ...over,
  });

  it('is numbered from the left, wall by wall, and found with a tape', () => {
    const walls = byWall([
      thing({ along: 2000 }),
      thing({ what: 'box', along: 300, length: 0, rise: 0 }),
      thing({ wall: 2 }),
    ]);
    expect([...walls].map(([wall, list]) => [wall, list.map((numbered) => [numbered.number, numbered.what])])).toEqual([
      [
        0,
        [
          [1, 'box'],
          [2, 'backing'],
        ],
      ],
      [2, [[1, 'backing']]],
    ]);
    expect(fixtureWords(thing({ text: 'for the rail' }), 'metric')).toBe(
      'backing for the rail: 400 mm from the left corner, 900 mm up (600 mm long, 190 mm high)',
    );
    expect(fixtureWords(thing({ what: 'box', text: 'double', length: 0, rise: 0 }), 'imperial')).toMatch(
      /^box, double: 1' 3 3\/4" from the left corner, 2' 11 7\/16" up$/,
    );
  });

  it('is drawn within its wall, which is long enough even where it is not drawn', () => {
    const all = fc.array(
      fc.record({
        along: fc.integer({ min: 0, max: 9000 }),
        height: fc.integer({ min: 0, max: 4000 }),
        length: fc.integer({ min: 0, max: 3000 }),
        rise: fc.integer({ min: 0, max: 2000 }),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(all, (list) => {
        const drawing = wallRecord(
          'Bath',
          undefined,
          [],
          1,
          byWall(list.map((entry) => thing({ ...entry, wall: 1 }))).get(1) ?? [],
          'metric',
        );
        const points = drawing.strokes.flatMap((stroke) => (stroke.form === 'path' ? stroke.points : []));
        expect(
          points.every(
            (point) =>
              point.x >= drawing.bounds.left &&
              point.x <= drawing.bounds.right &&
              point.y >= drawing.bounds.bottom &&
              point.y <= drawing.bounds.top,
          ),
        ).toBe(true);
        expect(drawing.strokes.filter((stroke) => stroke.form === 'text' && stroke.layer === 'fixtures')).toHaveLength(
          list.length,
        );
      }),
    );
  });
});

describe('a size taken again', () => {
  const size = (id: string, mm: number, minute: number): Of<'measurement'> =>
    seen(id, minute, {
      kind: 'measurement',
      text: 'x',
      typed: 'x',
      mm,
      of: { what: 'wall', wall: 0 },
    }) as Of<'measurement'>;

  it('is told where it is otherwise than drawn, by the newest tape', () => {
    const drawn = [{ label: 'wall 1, length', of: { what: 'wall' as const, wall: 0 }, mm: 3000 }];
    expect(conflicts([size('a', 3050, 1), size('b', 3004, 2)], drawn)).toEqual([]);
    expect(conflicts([size('a', 3004, 1), size('b', 3050, 2)], drawn)).toMatchObject([
      { id: 'b', measured: 3050, drawn: 3000 },
    ]);
    expect([differenceWords(3004, 3000, 'metric'), differenceWords(2970, 3000, 'metric')]).toEqual([
      { off: false, text: 'as drawn (3000 mm)' },
      { off: true, text: '30 mm less than drawn (3000 mm)' },
    ]);
  });
});
