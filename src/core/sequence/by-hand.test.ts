import { describe, expect, it } from 'vitest';
import type { Link } from '../schedule/network';
import { sequenceOf } from './links';
import { phaseFacts, type Phase } from './phases';
import { halfDaysOf, RATES } from './rates';
import { RULES, type Rule } from './rules';
import type { Site, SiteArea, TrackStep } from './site';
import { officeCalendar } from './calendars';
import { plantCrew } from './crews';
import { tasksOf } from './tasks';
import { sayWork } from '../words/work';

const step = (phase: Phase, over: Partial<TrackStep> = {}): TrackStep => ({
  phase,
  trade: phaseFacts(phase).trade,
  halfDays: 4,
  fraction: 0,
  remaining: 4,
  ...over,
});
const area = (id: string, track: TrackStep[]): SiteArea => ({
  id,
  name: id,
  kind: 'room',
  level: { id: 'l', height: 0, name: 'Ground' },
  position: 0,
  passage: false,
  provides: [],
  beside: [],
  shelters: [],
  track,
});
const site = (areas: SiteArea[], over: Partial<Site> = {}): Site => ({
  id: 'job',
  name: 'Job',
  startDay: '2027-03-08',
  livedIn: false,
  areas,
  ownLinks: [],
  leftovers: [],
  extras: [],
  ...over,
});
const terms = { origin: '2027-03-08', now: 0, crewFor: (trade: string) => trade };
const find = (links: Link[], before: string, after: string): Link | undefined =>
  links.find((link) => link.before === before && link.after === after);

describe('rules that are switched', () => {
  const two = [area('a', [step('first-coats'), step('flooring')]), area('b', [step('first-coats'), step('flooring')])];
  const holds = (switches: NonNullable<Site['switches']>): boolean[] =>
    ['a', 'b'].map(
      (id) => find(sequenceOf(site(two, { switches })).links, `${id}:first-coats`, `${id}:flooring`)?.rule === 23,
    );

  it('hold everywhere unless a word says otherwise, and the word on a room goes before the word on the job', () => {
    expect(holds([])).toEqual([true, true]);
    expect(holds([{ rule: 23, holds: false }])).toEqual([false, false]);
    expect(holds([{ rule: 23, area: 'a', holds: false }])).toEqual([false, true]);
    expect(
      holds([
        { rule: 23, holds: false },
        { rule: 23, area: 'b', holds: true },
      ]),
    ).toEqual([false, true]);
  });

  it('take their exposures and their hours with them', () => {
    const roof = site([area('r', [step('roof-strip'), step('underlay')])], { loudHalf: 'morning' });
    const off = {
      ...roof,
      switches: [
        { rule: 12, holds: false },
        { rule: 26, holds: false },
      ],
    };
    expect([sequenceOf(roof).exposures.length, sequenceOf(off).exposures.length]).toEqual([1, 0]);
    expect(tasksOf(roof, [], terms)[0]?.calendar).toBe('job:job:loud:rain:wind');
    expect(tasksOf(off, [], terms)[0]?.calendar).toBe('job:job:rain:wind');
  });

  it('of one’s own are of the same kind: start to start, with a lag, among neighbours, with their reason', () => {
    const own: Rule = {
      number: 200,
      strength: 'hard',
      title: 'own',
      reason: 'we know',
      effects: [
        {
          form: 'order',
          before: ['tiling'],
          after: ['glass'],
          within: 'area',
          kind: 'SS',
          lag: { halfDays: 3, unit: 'work' },
        },
      ],
    };
    const links = sequenceOf(site([area('a', [step('tiling'), step('glass')])], { rules: [...RULES, own] })).links;
    expect(links.filter((link) => link.rule === 200)).toEqual([
      {
        before: 'a:tiling',
        after: 'a:glass',
        kind: 'SS',
        lag: 3,
        lagUnit: 'work',
        strength: 'hard',
        rule: 200,
        reason: 'we know',
      },
    ]);
  });
});

describe('what is set by hand', () => {
  it(
    'a step in parts: what came before waits for the first, what follows for the last, and done work is used up ' +
      'from the front',
    () => {
      const parts = [
        { label: 'ceiling', halfDays: 1 },
        { label: 'long wall', halfDays: 2 },
        { label: 'the rest', halfDays: 1 },
      ];
      const built = site([
        area('a', [step('insulation'), step('board', { parts, fraction: 0.5, remaining: 2 }), step('tape')]),
      ]);
      const { links, added } = sequenceOf(built);
      expect(find(links, 'a:insulation', 'a:board~1')).toBeDefined();
      expect(find(links, 'a:insulation', 'a:board')).toBeUndefined();
      expect(find(links, 'a:board', 'a:tape')).toBeDefined();
      expect([find(links, 'a:board~1', 'a:board~2')?.rule, find(links, 'a:board~2', 'a:board')?.rule]).toEqual([
        104, 104,
      ]);
      expect(
        tasksOf(built, added, terms)
          .filter((task) => task.phase === 'board')
          .map(({ id, work, duration, state }) => [id, sayWork(work), duration, state]),
      ).toEqual([
        ['a:board~1', 'a · board, ceiling', 0, 'done'],
        ['a:board~2', 'a · board, long wall', 1, 'under-way'],
        ['a:board', 'a · board, the rest', 1, 'waiting'],
      ]);
    },
  );

  it(
    'a gate: all of one side before any of the other, those after it in one visit; ends that are gone are passed ' +
      'over',
    () => {
      const gate = {
        id: 'g',
        label: 'Ready',
        reason: 'once',
        together: true,
        before: [
          { area: 'a', phase: 'tape' as const },
          { area: 'gone', phase: 'tape' as const },
        ],
        after: [
          { area: 'b', phase: 'first-coats' as const },
          { area: 'a', phase: 'first-coats' as const },
        ],
      };
      const { links } = sequenceOf(
        site([area('a', [step('tape'), step('first-coats')]), area('b', [step('first-coats')])], { gates: [gate] }),
      );
      expect(links.filter((link) => link.rule === 103).map((link) => `${link.before}>${link.after}`)).toEqual([
        'a:tape>gate:g',
        'gate:g>b:first-coats',
        'gate:g>a:first-coats',
        'b:first-coats>a:first-coats',
      ]);
    },
  );

  it('two crews halve a step, others take our crew away, plant and offices give it theirs', () => {
    const tasks = tasksOf(
      site([
        area('a', [
          step('board', { crews: 2, remaining: 5 }),
          step('wiring-finish', { others: 'the client’s electrician' }),
          step('rough-inspection', { office: 'o' }),
          step('excavate', { plant: 'p' }),
        ]),
      ]),
      [],
      terms,
    );
    const of = (phase: Phase) => tasks.find((task) => task.phase === phase);
    expect(of('board')).toMatchObject({ duration: 3, crews: 2 });
    expect(of('wiring-finish')).toMatchObject({
      crew: null,
      work: { kind: 'step', area: 'a', phase: 'wiring-finish', others: 'the client’s electrician' },
    });
    expect(of('rough-inspection')).toMatchObject({ calendar: officeCalendar('o'), crew: null });
    expect(of('excavate')).toMatchObject({ plant: plantCrew('p'), crew: 'ground' });
  });

  it('what has to be there comes before its step; what is there already holds nothing', () => {
    const crane = {
      id: 'c',
      label: 'Crane',
      reason: 'nobody carries it',
      area: 'a',
      phase: 'structure' as const,
      here: false,
    };
    const built = site([area('a', [step('structure')])], { logistics: [crane] });
    expect(find(sequenceOf(built).links, 'there:c', 'a:structure')).toMatchObject({
      rule: 102,
      reason: 'nobody carries it',
    });
    expect(tasksOf(built, [], terms).find((task) => task.id === 'there:c')).toMatchObject({
      duration: 1,
      state: 'waiting',
      crew: null,
    });
    expect(
      tasksOf({ ...built, logistics: [{ ...crane, here: true }] }, [], terms).find((task) => task.id === 'there:c')
        ?.state,
    ).toBe('done');
  });

  it('a quantity over a rate makes whole half-days, one at least, and every rate is of a phase that somebody works', () => {
    expect([halfDaysOf(36, 18), halfDaysOf(36.1, 18), halfDaysOf(0.2, 18)]).toEqual([2, 3, 1]);
    for (const [phase, rate] of Object.entries(RATES)) {
      expect(phaseFacts(phase as Phase).trade).not.toBe('nobody');
      expect(rate.perHalfDay).toBeGreaterThan(0);
    }
  });
});
