import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupBy } from '../group-by';
import { addDays, daysBetween } from './day';
import { dayOfSlot, formatSlot, isAfternoon, lastDay, slotOf } from './slot';

const MONDAY = '2027-03-08';

describe('half-days', () => {
  it('count mornings and afternoons from a day', () => {
    expect([
      slotOf(MONDAY, MONDAY),
      slotOf(MONDAY, MONDAY, 1),
      slotOf(MONDAY, '2027-03-09'),
      slotOf(MONDAY, '2027-03-07', 1),
    ]).toEqual([0, 1, 2, -1]);
    expect([dayOfSlot(MONDAY, 3), dayOfSlot(MONDAY, -1)]).toEqual(['2027-03-09', '2027-03-07']);
    expect([isAfternoon(0), isAfternoon(1), isAfternoon(-1), isAfternoon(-2)]).toEqual([false, true, true, false]);
  });

  it('are said as people say them', () => {
    expect(formatSlot(MONDAY, 2)).toBe('Tue 9 Mar, morning');
    expect(formatSlot(MONDAY, 3)).toBe('Tue 9 Mar, afternoon');
  });

  it('end on the day of the last one taken, not on the one after', () => {
    expect([lastDay(MONDAY, 2), lastDay(MONDAY, 1), lastDay(MONDAY, 3)]).toEqual([MONDAY, MONDAY, '2027-03-09']);
  });

  it('go to their day and back, before and after the first', () =>
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 4000 }), (slot) => {
        const day = dayOfSlot(MONDAY, slot);
        expect(slotOf(MONDAY, day, isAfternoon(slot) ? 1 : 0)).toBe(slot);
        expect(addDays(MONDAY, daysBetween(MONDAY, day))).toBe(day);
      }),
    ));
});

describe('things that share a key', () => {
  it('stand together in the order met, and none is lost', () =>
    fc.assert(
      fc.property(fc.array(fc.nat(5)), (numbers) => {
        const groups = groupBy(
          numbers.map((key, index) => ({ key, at: index })),
          (entry) => entry.key,
        );
        expect([...groups.keys()]).toEqual([...new Set(numbers)]);
        for (const list of groups.values())
          expect(list.map((entry) => entry.at)).toEqual([...list.map((entry) => entry.at)].sort((a, b) => a - b));
        expect([...groups.values()].flat()).toHaveLength(numbers.length);
      }),
    ));
});
