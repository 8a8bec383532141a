import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findLoop } from '../schedule/network';
import { householdLines } from '../scope/household';
import { sequenceOf } from './links';
import { PHASE_KEYS, phaseFacts, type Phase } from './phases';
import { extraId, taskId, type ExtraWork, type Site, type SiteArea, type TrackStep } from './site';
import { tasksOf } from './tasks';
import { halfDaysFor, trackOf, withWorks, WORK_KEYS, workFacts, worksFor } from './works';

const step = (phase: Phase, fraction = 0): TrackStep => ({
  phase,
  trade: phaseFacts(phase).trade,
  halfDays: 2,
  fraction,
  remaining: 2,
});
const area = (track: TrackStep[], over: Partial<SiteArea> = {}): SiteArea => ({
  id: 'a',
  name: 'Hall',
  kind: 'room',
  position: 0,
  passage: false,
  provides: [],
  beside: [],
  shelters: [],
  track,
  ...over,
});
const site = (areas: SiteArea[], over: Partial<Site> = {}): Site => ({
  id: 'j',
  name: 'Job',
  startDay: '2027-03-08',
  livedIn: false,
  areas,
  ownLinks: [],
  leftovers: [],
  extras: [],
  ...over,
});
const extra = (over: Partial<ExtraWork> = {}): ExtraWork => ({
  id: 'x',
  area: 'a',
  text: 'lay a membrane',
  trade: 'ground',
  halfDays: 6,
  after: 'tear-out',
  reason: 'the floor is wet',
  ...over,
});
const into = (entry: Site, id: string): string[] =>
  sequenceOf(entry)
    .links.filter((link) => link.after === id)
    .map((link) => link.before);
const from = (entry: Site, id: string): string[] =>
  sequenceOf(entry)
    .links.filter((link) => link.before === id)
    .map((link) => link.after);
const TRACK = (['protect', 'tear-out', 'framing', 'board', 'hand-over'] as const).map((phase) => step(phase));

describe('added work', () => {
  it('stands after the step that showed it and before the next one, with its reason', () => {
    const one = site([area(TRACK)], { extras: [extra()] });
    expect(into(one, extraId('x'))).toEqual([taskId('a', 'tear-out')]);
    expect(from(one, extraId('x'))).toEqual([taskId('a', 'framing')]);
    expect(sequenceOf(one).links.find((link) => link.after === extraId('x'))).toMatchObject({
      reason: 'the floor is wet',
      strength: 'hard',
      rule: 101,
    });
  });

  it('goes before the first step that is not begun, where the next one is under way already', () => {
    const track = [step('protect', 1), step('tear-out', 1), step('framing', 0.5), step('board'), step('hand-over')];
    expect(from(site([area(track)], { extras: [extra()] }), extraId('x'))).toEqual([taskId('a', 'board')]);
  });

  it('without a step of its own comes before all that is not begun; after the last step nothing waits for it', () => {
    expect(from(site([area(TRACK)], { extras: [extra({ after: null })] }), extraId('x'))).toEqual([
      taskId('a', 'protect'),
    ]);
    const last = site([area(TRACK)], { extras: [extra({ after: 'hand-over' })] });
    expect([into(last, extraId('x')), from(last, extraId('x'))]).toEqual([[taskId('a', 'hand-over')], []]);
  });

  it('stands behind the added work that it follows, where that is still to be done', () => {
    const both = [extra({ id: 'dig', after: null }), extra({ id: 'pour', after: null, follows: 'dig' })];
    expect(into(site([area(TRACK)], { extras: both }), extraId('pour'))).toEqual([extraId('dig')]);
    expect(into(site([area(TRACK)], { extras: both.slice(1) }), extraId('pour'))).toEqual([]);
  });

  it('is a task of its own trade and length that takes the room for itself', () => {
    const one = site([area(TRACK)], { extras: [extra()] });
    const task = tasksOf(one, [], { origin: '2027-03-08', now: 0, crewFor: (trade) => `crew of ${trade}` }).find(
      (each) => each.id === extraId('x'),
    );
    expect(task).toMatchObject({
      work: { kind: 'beside', area: 'Hall', text: 'lay a membrane' },
      duration: 6,
      crew: 'crew of ground',
      state: 'waiting',
      phase: null,
    });
    expect(task?.shares).toBe(
      tasksOf(one, [], { origin: '2027-03-08', now: 0, crewFor: () => null }).find((each) => each.phase === 'framing')
        ?.shares,
    );
  });

  it('never makes work wait for itself, whatever is added where', () =>
    fc.assert(
      fc.property(
        fc.subarray([...PHASE_KEYS], { minLength: 2, maxLength: 12 }),
        fc.array(
          fc.record({ after: fc.option(fc.constantFrom(...PHASE_KEYS)), halfDays: fc.integer({ min: 1, max: 20 }) }),
          { maxLength: 5 },
        ),
        (phases, extras) => {
          const one = site([area(phases.map((phase) => step(phase)))], {
            extras: extras.map((each, index) => extra({ ...each, id: String(index) })),
          });
          const { links } = sequenceOf(one);
          expect(
            findLoop(
              [...phases.map((phase) => taskId('a', phase)), ...extras.map((_, index) => extraId(String(index)))],
              links,
            ),
          ).toBeUndefined();
        },
      ),
      { numRuns: 60 },
    ));
});

describe('other work in an area', () => {
  it('keeps what was begun, drops what is no longer needed, and brings what is new at its usual length', () => {
    const face = area([step('access', 1), step('strip', 0.4), step('sheathing'), step('cladding')], { kind: 'face' });
    const phases = withWorks(face, ['overlay'], 2).track.map((trackStep) => trackStep.phase);
    expect(phases).toContain('strip');
    expect(phases).not.toContain('sheathing');
    expect(withWorks(face, ['overlay'], 2).track.find((trackStep) => trackStep.phase === 'repair')?.halfDays).toBe(
      halfDaysFor('repair', 2),
    );
    expect(withWorks(face, ['overlay'], 2).track.find((trackStep) => trackStep.phase === 'cladding')?.halfDays).toBe(2);
  });

  it('is laid in the usual order, each step once, for any work that is done there', () => {
    for (const work of WORK_KEYS) {
      const track = withWorks(area([], { kind: workFacts(work).kinds[0] ?? 'room' }), [work], 1).track.map(
        (trackStep) => trackStep.phase,
      );
      expect(track, work).toEqual(trackOf([work]));
      expect(new Set(track).size).toBe(track.length);
    }
    expect(worksFor('face')).toContain('overlay');
    expect(worksFor('room')).not.toContain('overlay');
  });
});

describe('what it means for the household', () => {
  const bath = area([step('tear-out'), step('tiling')], { id: 'b', name: 'Bath', provides: ['toilet', 'shower'] });
  const hall = area([step('first-coats')], { id: 'h', name: 'Hall', passage: true });
  const texts = (areas: SiteArea[], over: Partial<Site> = {}): string =>
    householdLines(site(areas, { livedIn: true, ...over }))
      .map((line) => line.text)
      .join(' | ');

  it('is nothing where nobody lives', () => expect(householdLines(site([bath]))).toEqual([]));

  it('says of the only toilet that there is no other, and of one of two that another stays', () => {
    expect(texts([bath])).toContain('There is no other toilet');
    expect(texts([bath, area([], { id: 'c', name: 'Guest bath', provides: ['toilet'] })])).toContain(
      'The toilet in Bath is out of use for a while; one elsewhere in the house stays.',
    );
  });

  it('warns of noise in its hours, of dust, and of the way through', () => {
    expect(texts([bath, hall], { loudHalf: 'morning' })).toMatch(
      /Loud work in Bath, in the morning only\..*Dust in Bath.*go through Hall/,
    );
    expect(
      texts([
        area(
          bath.track.map((trackStep) => ({ ...trackStep, fraction: 1 })),
          { id: 'b', provides: ['toilet'] },
        ),
      ]),
    ).toBe('');
  });
});
