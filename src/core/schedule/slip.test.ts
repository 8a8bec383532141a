import { describe, expect, it } from 'vitest';
import { at, input, link, planned, task } from '../../../tests/support/networks';
import { sayFinding } from '../words/finding';
import { planFindings, type PlanFinding } from './plan-findings';
import { loadByWeek, shareByDay, slipOf, sumByCause } from './slippage';

describe('slip', () => {
  const baseline = {
    origin: '2027-03-08',
    tasks: [
      { id: 'a', label: 'A', start: 0, finish: 4, duration: 4 },
      { id: 'b', label: 'B', start: 4, finish: 6, duration: 2 },
      { id: 'c', label: 'C', start: 6, finish: 8, duration: 2 },
    ],
  };

  it('is counted in worked half-days over weekends and holidays, whatever the origin of the plan', () => {
    // A week later; slots count from the new origin, a Monday with a holiday before it.
    const now = new Map([
      ['a', { label: 'A', finish: 0, state: 'done' as const }],
      ['b', { label: 'B', finish: 2, state: 'waiting' as const }],
    ]);
    expect(slipOf(baseline, '2027-03-15', now, new Set(['2027-03-12']))).toEqual([
      { task: 'a', label: 'A', halves: 4, state: 'done' },
      { task: 'b', label: 'B', halves: 4, state: 'waiting' },
      { task: 'c', label: 'C', halves: 0, state: 'gone' },
    ]);
  });

  it('sums what each cause moved, the largest first, and leaves out what was taken back', () => {
    const rain = (record: string) => [{ kind: 'outlook' as const, record }];
    const late = [{ kind: 'slip' as const, selection: 't', thing: 'Tiles', days: 3, why: '' }];
    const undone = [{ kind: 'taken-back' as const }];
    expect(
      sumByCause([
        { causes: rain('one'), halves: 2 },
        { causes: late, halves: 6 },
        { causes: rain('other'), halves: 3 },
        { causes: undone, halves: 2 },
        { causes: undone, halves: -2 },
      ]),
    ).toEqual([
      { causes: late, halves: 6 },
      { causes: rain('one'), halves: 5 },
    ]);
  });

  it('shows shares of work by day and load by week', () => {
    expect(
      shareByDay(
        [
          { day: '2027-03-09', halfDays: 3 },
          { day: '2027-03-11', halfDays: 1 },
        ],
        ['2027-03-08', '2027-03-09', '2027-03-12'],
        8,
      ),
    ).toEqual([0, 0.375, 0.5]);
    expect([
      ...loadByWeek(
        [
          { trade: 'tile', slots: [0, 1, 14], crews: 2 },
          { trade: 'paint', slots: [15], crews: 1 },
        ],
        [
          { from: 0, to: 14 },
          { from: 14, to: 28 },
        ],
      ),
    ]).toEqual([
      ['tile', [4, 2]],
      ['paint', [0, 1]],
    ]);
  });
});

describe('what to look at in a plan', () => {
  it('names promises and openings that are not kept, crews that come twice and crews that stand idle', () => {
    const plan = planned(
      input({
        tasks: [task('a'), task('b'), task('c', { crew: 'other', duration: 4 }), task('d')],
        links: [link('a', 'c'), link('c', 'd')],
        exposures: [{ from: 'a', to: 'd', most: 2, rule: 12, reason: 'rain comes in', cure: 'a cover' }],
        promises: { job: 4 },
        crews: [
          { id: 'crew', name: 'Crew', capacity: 1, away: new Set() },
          { id: 'other', name: 'Other', capacity: 1, away: new Set([2, 3, 4, 5]) },
        ],
      }),
    );
    const looks = planFindings(plan);
    const said = (finding: PlanFinding | undefined): string =>
      finding ? sayFinding(finding, () => 'One House', '2027-03-08') : '';
    expect(looks.filter((look) => look.kind === 'conflict').map((look) => said(look))).toEqual([
      expect.stringContaining('a stands open for'),
      expect.stringContaining('One House ends'),
    ]);
    expect(said(looks.find((look) => look.kind === 'trip'))).toMatch(
      /Crew leaves One House on .* and comes back on .* for d\./,
    );
    expect(said(looks.find((look) => look.kind === 'gap'))).toMatch(/Crew has nothing from .* until d at One House/);
    expect(at(plan, 'd').start).toBeGreaterThan(at(plan, 'c').start);
  });
});
