import { describe, expect, it } from 'vitest';
import type { Site, SiteArea } from '../sequence/site';
import { conflictsOf, gapsOf, nightsOf, outagesOf, type LivingTask } from './household';

const area = (id: string, provides: string[], over: Partial<SiteArea> = {}): SiteArea => ({
  ...{ id, name: id, kind: 'room', position: 0, passage: false, provides, beside: [], shelters: [], track: [] },
  ...over,
});
const site = (...areas: SiteArea[]): Site => ({
  ...{ id: 'job', name: 'Job', startDay: '2027-03-08', livedIn: true, areas },
  ...{ ownLinks: [], leftovers: [], extras: [] },
});
const work = (
  at: string,
  phase: LivingTask['phase'],
  start: number,
  finish: number,
  state: LivingTask['state'] = 'waiting',
) => ({
  ...{ area: at, phase, start, finish, state },
});

describe('what a household has', () => {
  const bath = [work('bath', 'tear-out', 4, 8), work('bath', 'plumbing-finish', 30, 32), work('bath', 'clean', 40, 41)];

  it('is gone from the tear-out until the taps are in, and nobody sleeps without a toilet unsaid', () => {
    const house = site(area('bath', ['toilet']));
    const gaps = gapsOf(house, bath, []);
    expect(gaps).toMatchObject([{ need: 'toilet', from: 4, until: 32, by: { area: 'bath', phase: 'tear-out' } }]);
    expect(conflictsOf(house, gaps, 41)).toMatchObject([{ need: 'toilet', nights: 13 }]);
  });

  it('stays where another room has it, but for the time in which both are worked on', () => {
    const two = site(area('bath', ['toilet']), area('wc', ['toilet']));
    expect(gapsOf(two, bath, [])).toEqual([]);
    const tiled = gapsOf(two, [...bath, work('wc', 'tiling', 10, 13)], []);
    expect(tiled).toMatchObject([{ from: 10, until: 13, by: { area: 'wc', phase: 'tiling' } }]);
  });

  it('may be stood in for, in a part of the time', () => {
    const hired = { id: 'h', need: 'toilet' as const, words: 'a hired toilet', from: 2, until: 20 };
    const house = site(area('bath', ['toilet']));
    const gaps = gapsOf(house, bath, [hired]);
    expect(gaps.map(({ from, until, provision }) => [from, until, provision?.id])).toEqual([
      [4, 20, 'h'],
      [20, 32, undefined],
    ]);
    expect(conflictsOf(house, gaps, 41)).toMatchObject([{ from: 20, until: 32 }]);
  });

  it('is there again once what gives it back is done, and new only then', () => {
    const done = bath.map((task) => ({ ...task, state: 'done' as const }));
    expect(gapsOf(site(area('bath', ['toilet'])), done, [])).toEqual([]);
    const cellar = area('cellar', [], { brings: ['shower'] });
    expect(gapsOf(site(cellar), [work('cellar', 'plumbing-finish', 10, 12)], [])).toMatchObject([
      { from: 0, until: 12 },
    ]);
    expect(gapsOf({ ...site(area('bath', ['toilet'])), livedIn: false }, bath, [])).toEqual([]);
  });

  it('has no water where no sink, shower or bath runs', () => {
    const kitchen = [work('kitchen', 'tear-out', 0, 4), work('kitchen', 'plumbing-finish', 20, 22)];
    const house = site(area('bath', ['shower']), area('kitchen', ['sink']));
    const conflicts = (tasks: LivingTask[]) => conflictsOf(house, gapsOf(house, tasks, []), 41);
    expect(conflicts([...bath, ...kitchen])).toMatchObject([{ need: 'water', from: 4, until: 22 }]);
    expect(conflicts(kitchen)).toEqual([]);
  });

  it('counts nights: from one day to its evening none, over the evening one', () => {
    expect(nightsOf({ from: 2, until: 4 }, 99)).toBe(0);
    expect(nightsOf({ from: 3, until: 5 }, 99)).toBe(1);
    expect(nightsOf({ from: 2, until: 8 }, 99)).toBe(2);
    expect(nightsOf({ from: 2, until: null }, 8)).toBe(2);
  });

  it('is told the half-days on which something is off', () => {
    expect(outagesOf([{ ...work('bath', 'isolate', 6, 7), slots: [6] }])).toEqual([
      { slot: 6, area: 'bath', phase: 'isolate', what: 'no power and no water there' },
    ]);
  });
});
