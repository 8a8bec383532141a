import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../units/day';
import { movedDays, neighbourDays, sayMovedDays, toldUntil, type NeededOf } from './neighbour-days';
import type { NextWork } from './news';

const today = '2027-03-09';
const loud = (day: string, until = day): NextWork => ({
  ...{ day, until, afternoon: false, area: 'k', task: 'k:tear-out', trade: 'tear-out', crew: 'Osk', crewKey: 'o' },
  ...{ work: { kind: 'step', area: 'Kitchen', phase: 'tear-out' }, phase: 'tear-out', halfDays: 2, after: [] },
});
const fence: NeededOf = {
  ...{ id: 'n4', name: 'Number 4', what: 'your fence', work: 'the scaffold' },
  ...{ from: '2027-03-15', until: '2027-03-16' },
};
const moved = (
  before: readonly [NextWork[], NeededOf[]],
  after: readonly [NextWork[], NeededOf[]],
  now = today,
): string[] =>
  sayMovedDays(movedDays(neighbourDays(...before, today), neighbourDays(...after, now), now), after[1], now);

describe('days that neighbours were told', () => {
  it('are said where they moved: which are no more, and which are new', () => {
    expect(moved([[loud('2027-03-10')], [fence]], [[loud('2027-03-11', '2027-03-12')], [fence]])).toEqual([
      'Loud work: no longer on Wed 10 Mar; now on Thu 11 Mar to Fri 12 Mar.',
    ]);
    expect(moved([[], [fence]], [[], [{ ...fence, from: '2027-03-17', until: '2027-03-17' }]])).toEqual([
      'Number 4, where your fence is needed: no longer on Mon 15 Mar to Tue 16 Mar; now on Wed 17 Mar.',
    ]);
    expect(moved([[], [fence]], [[], []])).toEqual(['What was needed of a neighbour is not needed any more.']);
  });

  it('are of no interest where they are over, or were never reached by what was told', () => {
    expect(moved([[loud('2027-03-10')], []], [[], []], '2027-03-11')).toEqual([]);
    const later = addDays(toldUntil(today), 1);
    expect(moved([[], []], [[loud(later)], []], '2027-03-20')).toEqual([]);
  });

  it('never tell of what is as it was, whatever days it is on', () => {
    const days = fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 8 });
    fc.assert(
      fc.property(days, fc.nat({ max: 9 }), (some, later) => {
        const works = some.map((day) => loud(addDays(today, day)));
        // A later day sees the same work from then on.
        const now = addDays(today, later);
        const left = works.flatMap((work) => (work.until >= now ? [work] : []));
        expect(moved([works, [fence]], [left, [fence]], now)).toEqual([]);
      }),
    );
  });
});
