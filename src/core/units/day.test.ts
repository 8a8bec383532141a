import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { DATE_LANGUAGES, dateWordsOf } from './date-languages';
import { ENGLISH, formatTime, monthName, writeDatesIn } from './date-words';
import {
  addDays,
  backToWeekday,
  daysBetween,
  firstOfMonth,
  formatDate,
  formatDay,
  formatMonth,
  isDay,
  longDay,
  monthsBetween,
  weekday,
} from './day';
import { dayOfSlot, formatSlot, isAfternoon, slotOf } from './slot';
import { isWorkday, workdaysAfter, workdaysBefore, workdaysBetween, workdayUntil } from './workday';

describe('days and half-days', () => {
  it('are said with their weekday, and with the year where it is another', () => {
    expect(formatDay('2027-03-09')).toBe('Tue 9 Mar');
    expect(formatDay('2027-03-09', '2026-11-23')).toBe('Tue 9 Mar 2027');
    expect(formatSlot('2027-03-08', 5)).toBe('Wed 10 Mar, afternoon');
  });

  it('exist or do not', () => {
    expect(['2027-02-28', '2028-02-29'].every(isDay)).toBe(true);
    expect(['2027-02-29', '2027-13-01', '27-01-01', '2027-1-1', '', '9999-01-01', '2027-03-09T00:00'].some(isDay)).toBe(
      false,
    );
  });

  it('go there and back, before the origin too', () =>
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), (slot) => {
        const day = dayOfSlot('2027-03-08', slot);
        expect(slotOf('2027-03-08', day, isAfternoon(slot) ? 1 : 0)).toBe(slot);
        expect(daysBetween('2027-03-08', addDays('2027-03-08', slot))).toBe(slot);
      }),
    ));

  it('go back to a weekday, at most two days', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 }), (shift) => {
        const day = addDays('2027-01-01', shift);
        expect(weekday(backToWeekday(day)) % 6).not.toBe(0);
        expect(daysBetween(backToWeekday(day), day)).toBeLessThanOrEqual(2);
      }),
    ));
});

describe('how a firm writes days and hours', () => {
  afterEach(() => writeDatesIn(ENGLISH));

  it('may have the month first, and clocks of twelve hours', () => {
    writeDatesIn(dateWordsOf('en-US', 12));
    const day = '2027-03-09';
    expect([formatDay(day), formatDay(day, '2026-11-23'), formatDate(day), longDay(day), formatMonth(day)]).toEqual([
      ...['Tue Mar 9', 'Tue Mar 9, 2027', 'Mar 9', 'Tuesday March 9', 'March 2027'],
    ]);
    expect(['00:05', '07:30', '12:00', '16:20', '23:59'].map(formatTime)).toEqual([
      ...['12:05 am', '7:30 am', '12:00 pm', '4:20 pm', '11:59 pm'],
    ]);
  });

  it('may have the words of another language', () => {
    writeDatesIn(dateWordsOf('de', 24));
    expect([formatDay('2027-03-09'), monthName(3), formatTime('16:20')]).toEqual(['Di 9 Mär', 'März', '16:20']);
  });

  it.each(DATE_LANGUAGES)('says each day of a year otherwise in %s, short and in full', (language) => {
    writeDatesIn(dateWordsOf(language, 24));
    const days = Array.from({ length: 365 }, (_, ahead) => addDays('2027-01-01', ahead));
    for (const say of [formatDay, formatDate, longDay]) expect(new Set(days.map((day) => say(day))).size).toBe(365);
  });
});

describe('months', () => {
  it('begin on their first and are counted over the ends of years', () => {
    expect(firstOfMonth('2027-03-09')).toBe('2027-03-01');
    expect(firstOfMonth('2027-12-31', 1)).toBe('2028-01-01');
    expect(firstOfMonth('2027-01-01', -1)).toBe('2026-12-01');
    expect(monthsBetween('2026-12-31', '2027-01-01')).toBe(1);
    expect(monthsBetween('2027-03-01', '2026-02-28')).toBe(-13);
  });
});

describe('working days between two days', () => {
  it('are those that one would count one by one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4000 }),
        fc.integer({ min: -30, max: 900 }),
        fc.array(fc.integer({ min: -5, max: 900 }), { maxLength: 12 }),
        (start, length, free) => {
          const first = addDays('2020-01-01', start);
          const last = addDays(first, length);
          const holidays = new Set(free.map((day) => addDays(first, day)));
          let count = 0;
          for (let day = first; day < last; day = addDays(day, 1)) if (isWorkday(day, holidays)) count++;
          expect(workdaysBetween(first, last, holidays)).toBe(count);
        },
      ),
    );
  });

  it('of an answer are working days: nobody answers on a day off', () => {
    const holidays = new Set(['2027-03-12']);
    expect(workdayUntil('2027-03-11', holidays)).toBe('2027-03-11');
    expect(workdayUntil('2027-03-14', holidays)).toBe('2027-03-11');
  });

  it('of notice are counted back from the day as they are counted forth', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 0, max: 30 }), (offset, count) => {
        const holidays = new Set(['2027-03-12', '2027-12-24', '2027-12-27']);
        const [day, before] = [
          addDays('2027-01-01', offset),
          workdaysBefore(addDays('2027-01-01', offset), count, holidays),
        ];
        expect(isWorkday(before, holidays)).toBe(true);
        expect(workdaysAfter(before, count, holidays) <= day).toBe(true);
        expect(workdaysAfter(before, count + 1, holidays) > day).toBe(true);
      }),
    ));
});
