import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { orderByCalculator } from '../quantities/order-by';
import { addDays, daysBetween, weekday } from '../units/day';
import { arrival, decideBy, orderBy, orderDay, selectionDates, type Closure } from './order-by';

const START = '2027-01-01';
const day = fc.nat(1500).map((offset) => addDays(START, offset));
const closures: fc.Arbitrary<Closure[]> = fc.array(
  fc
    .tuple(fc.nat(1200), fc.nat(25))
    .map(([from, long]) => ({ firstDay: addDays(START, from), lastDay: addDays(START, from + long) })),
  { maxLength: 4 },
);
const isClosed = (list: readonly Closure[], entry: string): boolean =>
  list.some(({ firstDay, lastDay }) => entry >= firstDay && entry <= lastDay);

describe('order by', () => {
  it('counts the longest lead and the buffer back from the need, then back to a working day', () => {
    expect(orderBy('2027-04-28', 40, 3)).toBe('2027-03-16');
    expect(orderBy('2027-04-30', 40, 0)).toBe('2027-03-19');
    expect(decideBy('2027-03-15')).toBe('2027-03-08');
    expect(decideBy('2027-03-15', 21)).toBe('2027-02-22');
  });

  it('is what the calculator on Bench says where nobody is closed', () =>
    fc.assert(
      fc.property(day, fc.nat(400), fc.nat(10), (needBy, leadDays, bufferDays) => {
        const outcome = orderByCalculator.run({ needBy, leadDays, bufferDays });
        expect(outcome).toEqual({ ok: true, value: { orderBy: orderBy(needBy, leadDays, bufferDays) } });
      }),
    ));

  it('does not count closed days, neither there nor back', () => {
    const closed = [{ firstDay: '2027-03-22', lastDay: '2027-03-28' }];
    expect(orderBy('2027-04-09', 14, 0, closed)).toBe('2027-03-19');
    expect(arrival('2027-03-19', 14, closed)).toBe('2027-04-09');
    // An order that would fall into the closure goes out before it.
    expect(orderBy('2027-04-09', 15, 0, closed)).toBe('2027-03-18');
    expect(orderDay('2027-03-24', closed)).toBe('2027-03-29');
  });

  it('is the last working day from which it comes in time, whatever is closed', () =>
    fc.assert(
      fc.property(day, fc.nat(200), fc.nat(10), closures, (needBy, lead, buffer, closed) => {
        const order = orderBy(needBy, lead, buffer, closed);
        expect(weekday(order) % 6).not.toBe(0);
        expect(isClosed(closed, order)).toBe(false);
        const latest = addDays(needBy, -buffer);
        expect(arrival(order, lead, closed) <= latest).toBe(true);
        const next = orderDay(addDays(order, 1), closed);
        expect(arrival(next, lead, closed) > latest).toBe(true);
      }),
    ));

  it('moves with its need and against its lead, and never later for a closure', () =>
    fc.assert(
      fc.property(
        day,
        fc.nat(60),
        fc.nat(200),
        fc.nat(60),
        fc.nat(9),
        closures,
        (needBy, later, lead, more, buffer, closed) => {
          const order = orderBy(needBy, lead, buffer, closed);
          expect(orderBy(addDays(needBy, later), lead, buffer, closed) >= order).toBe(true);
          expect(orderBy(needBy, lead + more, buffer, closed) <= order).toBe(true);
          expect(order <= orderBy(needBy, lead, buffer)).toBe(true);
          expect(decideBy(order, more) <= order).toBe(true);
        },
      ),
    ));
});

describe('the dates of a selection', () => {
  const terms = {
    workStart: '2027-04-26',
    checkDays: 1,
    acclimatiseDays: 3,
    leadLow: 10,
    leadHigh: 14,
    bufferDays: 2,
    closures: [],
    approvalDays: 7,
  };
  it('go back from the work: on site on a weekday, ordered at the longest lead, decided before', () => {
    // Four days before Monday 26 April is a Thursday.
    expect(selectionDates(terms)).toEqual({
      needBy: '2027-04-22',
      orderBy: '2027-04-06',
      orderLatest: '2027-04-12',
      decideBy: '2027-03-30',
    });
    expect(selectionDates({ ...terms, acclimatiseDays: 0 }).needBy).toBe('2027-04-23');
  });

  it('stand in their order whatever the terms', () =>
    fc.assert(
      fc.property(
        day,
        fc.nat(20),
        fc.nat(20),
        fc.nat(90),
        fc.nat(90),
        fc.nat(20),
        fc.nat(60),
        closures,
        (workStart, checkDays, acclimatiseDays, low, more, bufferDays, approvalDays, closed) => {
          const dates = selectionDates({
            workStart,
            checkDays,
            acclimatiseDays,
            leadLow: low,
            leadHigh: low + more,
            bufferDays,
            closures: closed,
            approvalDays,
          });
          expect(
            dates.decideBy <= dates.orderBy &&
              dates.orderBy <= dates.orderLatest &&
              dates.orderLatest <= dates.needBy &&
              dates.needBy <= workStart,
          ).toBe(true);
          expect(daysBetween(dates.needBy, workStart)).toBeGreaterThanOrEqual(checkDays + acclimatiseDays);
        },
      ),
    ));
});
