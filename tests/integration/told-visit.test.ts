import { describe, expect, it } from 'vitest';
import type { WalkPack } from '@/contract/views/walk';
import { BRIEF_PART_KEYS } from '@/core/scope/brief';
import { linesSaid } from '@/core/scope/lines-said';
import { laidOver, type WalkChange } from '@/core/walks/overlay';
import type { Installation } from '@/server/installation';
import { readJob } from '@/server/reading/reading';
import { spokenNames } from '@/server/reading/spoken-names';
import { walkLabels } from '@/server/views/labels';
import { walkPack } from '@/server/views/pack';
import { scopeView } from '@/server/views/scope';
import { statementView } from '@/server/views/statement';
import { areaOf, demoHouse, giveRaw, must, newId, signalHouse } from '../support/installations';

/** An empty job with its first visit under way. */
function visiting(): { installation: Installation; job: string; walk: string } {
  const installation = demoHouse();
  const [job, walk] = [newId(), newId()];
  must(installation, 'job.open', { id: job, name: 'Tern Row', units: 'imperial', startDay: '2027-05-03' });
  must(installation, 'walk.start', { id: walk, job, kind: 'scope' });
  return { installation, job, walk };
}

/** What a visit shows of each area, without what only the server works out. */
const shown = ({ areas, whole, levels }: WalkPack) => ({
  levels,
  whole,
  // The server puts them in walking order, a device behind those it knows.
  areas: areas
    .map(({ name, kind, place, brief, forOffice, gaps, recorded }) => ({
      ...{ name, kind, place, forOffice, gaps, choices: brief.choices },
      ...{
        parts: BRIEF_PART_KEYS.map((part) =>
          brief.parts[part].map(({ id, text, note }) => `${id} ${text} ${note}`).sort(),
        ),
      },
      ...{ recorded: recorded.map(({ id, filed }) => ({ id, filed })) },
    }))
    .sort((a, b) => a.name.localeCompare(b.name)),
});

describe('a first visit that is told', () => {
  it('shows on the device, before anything is sent, what the house shows afterwards', () => {
    const { installation, job, walk } = visiting();
    const before = walkPack(installation, walk);
    const [level, hall, rear, seen, permit] = [newId(), newId(), newId(), newId(), newId()];
    const area = { size: 1, passage: false, livedIn: false, provides: [], beside: [], opensTo: [], works: ['none'] };
    const [said] = linesSaid('Two doors to replace.', 'in');
    if (!said) throw new Error('nothing said');
    const changes = [
      {
        type: 'areas.add',
        payload: {
          job,
          levels: [{ id: level, name: 'Ground floor', height: 0, note: '' }],
          areas: [
            { id: hall, name: 'Entry Hall', kind: 'room', level, ...area },
            { id: rear, name: 'Rear', kind: 'face', ...area },
          ],
        },
      },
      {
        type: 'scope.add',
        payload: { id: newId(), job, area: hall, stance: 'out', verb: 'touch', subject: 'the stained glass' },
      },
      {
        type: 'scope.add-many',
        payload: {
          job,
          lines: [
            {
              id: newId(),
              area: rear,
              stance: 'protect',
              verb: 'protect',
              subject: 'the steps',
              place: 'boards',
              dependsOn: '',
            },
          ],
        },
      },
      { type: 'finding.add', payload: { id: newId(), job, area: hall, kind: 'damage', subject: 'rot in the sill' } },
      {
        type: 'finding.add',
        payload: { id: newId(), job, kind: 'approval', subject: 'demo permit', place: 'the city' },
      },
      {
        type: 'finding.add',
        payload: {
          id: newId(),
          job,
          area: hall,
          kind: 'site-choice',
          subject: 'the valve',
          options: ['left', 'right'],
        },
      },
      {
        type: 'observation.record',
        payload: { observation: { id: seen, walk, area: hall, kind: 'scope', text: 'replace doors', stance: 'in' } },
      },
      { type: 'observation.file', payload: { about: seen, filedAs: 'scope', target: newId(), line: said } },
      { type: 'area.call', payload: { id: hall, name: 'front hall' } },
      {
        type: 'observation.record',
        payload: { observation: { id: permit, walk, area: hall, kind: 'gate', text: 'the permit is not in' } },
      },
      {
        type: 'observation.file',
        payload: {
          about: permit,
          filedAs: 'finding',
          target: newId(),
          finding: { kind: 'approval', subject: 'the permit', place: 'the city' },
        },
      },
    ] as unknown as WalkChange[];
    for (const { type, payload } of changes) must(installation, type, payload as never);
    expect(shown(laidOver(before, changes))).toEqual(shown(walkPack(installation, walk)));
    const [line] =
      scopeView(readJob(installation, job))
        .areas.find(({ id }) => id === hall)
        ?.lines.filter(({ verb }) => verb === 'replace') ?? [];
    expect(line).toMatchObject({ subject: 'doors', quantity: 2, unit: 'pieces' });
    expect(JSON.stringify(statementView(readJob(installation, job)))).toContain('the stained glass');
    expect(spokenNames(readJob(installation, job)).find(({ name }) => name === 'Entry Hall')?.synonyms).toContain(
      'front hall',
    );
  });

  it('makes a finding of what was found, and takes it away with the record', () => {
    const { installation, job, walk } = visiting();
    const [level, cellar, seen, target] = [newId(), newId(), newId(), newId()];
    must(installation, 'areas.add', {
      job,
      levels: [{ id: level, name: 'Cellar', height: -1 }],
      areas: [{ id: cellar, level, name: 'Cellar', kind: 'room', works: ['none'] }],
    });
    const observation = { id: seen, walk, area: cellar, kind: 'surprise' as const, text: 'an oil tank back here' };
    must(installation, 'observation.record', { observation });
    expect(giveRaw(installation, 'observation.file', { about: seen, filedAs: 'finding', target })).toMatchObject({
      status: 'refused',
      problem: { field: 'finding' },
    });
    must(installation, 'observation.file', {
      about: seen,
      filedAs: 'finding',
      target,
      finding: { kind: 'service', subject: observation.text, place: '' },
    });
    const found = () => scopeView(readJob(installation, job)).areas.flatMap(({ findings }) => findings);
    expect(found()).toMatchObject([{ id: target, kind: 'service', gap: 'nobody has proved whether it is live' }]);
    must(installation, 'observation.unfile', { about: seen });
    expect(found()).toEqual([]);
  });
});

describe('what was heard', () => {
  it('is told as labels: accepted, mended and dropped', () => {
    const { installation, job, walk } = visiting();
    const [level, hall, narration] = [newId(), newId(), newId()];
    must(installation, 'areas.add', {
      job,
      levels: [{ id: level, name: 'Ground floor', height: 0 }],
      areas: [{ id: hall, level, name: 'Hall', kind: 'room', works: ['none'] }],
    });
    must(installation, 'narration.keep', { id: narration, walk, name: 'told.txt', text: 'Two doors. Mind the edge.' });
    const said = { narration, words: 'Two doors.', start: 1, end: 2 };
    for (const [kind, draft] of [
      ['note', 'note@1.0 two doors'],
      ['caution', 'surprise@2.0 the edge'],
    ] as const)
      must(installation, 'observation.record', {
        observation: { id: newId(), walk, area: hall, kind, text: 'x', said: { ...said, draft } },
      });
    must(installation, 'draft.drop', { narration, draft: 'scope@9.0 =rubbish' });
    expect(walkLabels(installation, walk).split('\r\n')).toEqual([
      'narration,second,area,taken as,read as,what became of it,words',
      'told.txt,1,Hall,note,note,accepted,Two doors.',
      'told.txt,1,Hall,caution,surprise,mended,Two doors.',
      "told.txt,9,,,scope,dropped,'=rubbish",
      '',
    ]);
  });
});

describe('what people call an area', () => {
  it('is no name of another, said once, and forgotten again', () => {
    const installation = demoHouse();
    const names = (): string =>
      spokenNames(readJob(installation, signalHouse))
        .find(({ name }) => name === 'Day room')
        ?.synonyms.join() ?? '';
    must(installation, 'area.call', { id: areaOf('day'), name: 'the big room' });
    must(installation, 'area.call', { id: areaOf('day'), name: 'The Big Room' });
    expect(names().match(/big room/gi)).toHaveLength(1);
    for (const [name, says] of [
      ['Kitchen', 'There is an area called Kitchen already'],
      ['one; two', 'without a semicolon'],
    ])
      expect(giveRaw(installation, 'area.call', { id: areaOf('day'), name })).toMatchObject({
        status: 'refused',
        problem: { title: expect.stringContaining(says ?? '') as string },
      });
    expect(giveRaw(installation, 'area.call', { id: areaOf('study'), name: 'the big room' })).toMatchObject({
      status: 'refused',
    });
    must(installation, 'area.call', { id: areaOf('day'), name: 'the big room', known: false });
    expect(names()).not.toContain('ig room');
  });
});
