import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from './day';
import { dayIn, halfIn, hourIn, instantIn, isZone, timeIn } from './zone';

const LONDON = 'Europe/London';
const AUCKLAND = 'Pacific/Auckland';
const ZONES = [
  LONDON,
  AUCKLAND,
  'America/St_Johns',
  'Asia/Kathmandu',
  'UTC',
  'Pacific/Kiritimati',
  'America/Los_Angeles',
];

describe('the time of a zone', () => {
  it('has the day on which people there are, not the one of Greenwich', () => {
    expect(dayIn(AUCKLAND, '2026-12-31T10:58:00Z')).toBe('2026-12-31');
    expect(timeIn(AUCKLAND, '2026-12-31T10:58:00Z')).toBe('23:58');
    expect(dayIn(AUCKLAND, '2026-12-31T11:00:00Z')).toBe('2027-01-01');
    expect(dayIn('America/Los_Angeles', '2027-01-01T07:59:59Z')).toBe('2026-12-31');
  });

  it('tells morning from afternoon by the clock on the wall, in winter and in summer', () => {
    expect([halfIn(LONDON, '2027-03-27T11:59:00Z'), halfIn(LONDON, '2027-03-27T12:00:00Z')]).toEqual([0, 1]);
    // From the last Sunday of March on, noon comes an hour sooner.
    expect([halfIn(LONDON, '2027-03-28T10:59:00Z'), halfIn(LONDON, '2027-03-28T11:00:00Z')]).toEqual([0, 1]);
    expect(hourIn('Asia/Kathmandu', '2027-03-09T06:30:00Z')).toBe(12.25);
  });

  it('has one day of 23 hours and one of 25, which are one day each', () => {
    const hours = (day: string): number =>
      (+instantIn(LONDON, addDays(day, 1), 0) - +instantIn(LONDON, day, 0)) / 3_600_000;
    expect([hours('2027-03-27'), hours('2027-03-28'), hours('2027-10-31')]).toEqual([24, 23, 25]);
    expect(daysBetween(dayIn(LONDON, '2027-03-28T00:30:00Z'), dayIn(LONDON, '2027-03-28T23:30:00Z'))).toBe(1);
  });

  it('goes back and forth between an instant and what clocks show, but in the hour that is skipped', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true }),
        (zone, date) => {
          const minute = new Date(Math.floor(+date / 60_000) * 60_000);
          const hour = hourIn(zone, minute);
          const again = instantIn(zone, dayIn(zone, minute), Math.floor(hour), Math.round((hour % 1) * 60));
          // The hour that comes twice in autumn has two instants; either is right.
          expect(Math.abs(+again - +minute) % 3_600_000).toBe(0);
          expect(timeIn(zone, again)).toBe(timeIn(zone, minute));
          expect(dayIn(zone, again)).toBe(dayIn(zone, minute));
        },
      ),
    ));

  it('knows which names are zones', () => {
    expect([LONDON, 'UTC', 'Europe/Lodnon', '', 'London'].map(isZone)).toEqual([true, true, false, false, false]);
  });
});
