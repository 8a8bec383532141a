import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, weekday } from '../units/day';
import { decideBy, orderBy } from './order-by';

describe('order by', () => {
  it('counts the longest lead and the buffer back from the need, then back to a working day', () => {
    expect(orderBy('2027-04-28', 40, 3)).toBe('2027-03-16');
    expect(orderBy('2027-04-30', 40, 0)).toBe('2027-03-19');
    expect(decideBy('2027-03-15')).toBe('2027-03-08');
  });

  it('is a weekday, never too late and at most two days too early', () =>
    fc.assert(fc.property(fc.nat(2000), fc.nat(400), fc.nat(10), (offset, lead, buffer) => {
      const need = addDays('2027-01-01', offset);
      const order = orderBy(need, lead, buffer);
      expect(weekday(order) % 6).not.toBe(0);
      const spare = daysBetween(order, need) - lead - buffer;
      expect(spare >= 0 && spare <= 2).toBe(true);
    })));
});
