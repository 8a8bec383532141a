import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, weekday } from '@/core/units/day';
import { isWorkday, workdaysAfter } from '../schedule/days';
import { offerVisit } from './simulated/inspections';
import { outlookFrom, OUTLOOK_DAYS } from './simulated/weather';

const none = new Set<string>();

describe('the desk of an inspection office', () => {
  it('offers a day of its own, after its notice and the wish, with a visit free, and no day before it would do', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 10 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 0, max: 30 }),
        fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 40 }),
        (weekdays, noticeDays, visitsADay, wish, visits) => {
          const on = '2027-03-09';
          const taken = (day: string): number => visits.filter((at) => addDays(on, at) === day).length;
          const asked = { on, wished: addDays(on, wish) };
          const offer = offerVisit({ weekdays, noticeDays, visitsADay }, asked, taken, none);
          const good = (day: string): boolean =>
            weekdays.includes(weekday(day)) &&
            isWorkday(day, none) &&
            taken(day) < visitsADay &&
            day >= workdaysAfter(on, noticeDays, none) &&
            day >= asked.wished;
          // Only an office that works on days off alone has nothing to give.
          if (!offer) {
            expect(weekdays.every((day) => day % 6 === 0)).toBe(true);
            return;
          }
          expect(good(offer.day)).toBe(true);
          for (let day = on; day < offer.day; day = addDays(day, 1)) expect(good(day)).toBe(false);
        },
      ),
      { numRuns: 200 },
    ));

  it('gives mornings first, and knows holidays', () => {
    const terms = { weekdays: [4], noticeDays: 2, visitsADay: 2 };
    expect(offerVisit(terms, { on: '2027-03-09' }, () => 0, none)).toEqual({ day: '2027-03-11', half: 0 });
    expect(offerVisit(terms, { on: '2027-03-09' }, (day) => (day === '2027-03-11' ? 1 : 0), none)).toEqual({
      day: '2027-03-11',
      half: 1,
    });
    expect(offerVisit(terms, { on: '2027-03-09' }, () => 0, new Set(['2027-03-11']))).toEqual({
      day: '2027-03-18',
      half: 0,
    });
  });
});

describe('the weather desk', () => {
  it('speaks of ten days by half-day, of one day always the same, and tomorrow of the same days what it said today', () => {
    const [today, tomorrow] = [outlookFrom('2027-03-09'), outlookFrom('2027-03-10')];
    expect(today).toHaveLength(2 * OUTLOOK_DAYS);
    expect(today.slice(2)).toEqual(tomorrow.slice(0, -2));
    for (const half of today)
      expect([half.rain >= 0, half.wind > 0, half.low > -30 && half.low < 40]).toEqual([true, true, true]);
  });

  it('has wet days in a year about as its months usually do', () => {
    const wet = Array.from({ length: 365 }, (_, index) => outlookFrom(addDays('2027-01-01', index))[0]).filter(
      (half) => (half?.rain ?? 0) > 0,
    ).length;
    expect(wet).toBeGreaterThan(60);
    expect(wet).toBeLessThan(220);
  });
});
