import { describe, expect, it } from 'vitest';
import { addDays } from '@/core/units/day';
import {
  inspectionOfficesSuite,
  messageGatewaySuite,
  supplierDeskSuite,
  weatherServiceSuite,
} from '../../../../tests/support/ports';
import { OUTLOOK_DAYS } from '../ports';
import { simulatedGateway } from './gateway';
import { simulatedOffices } from './inspections';
import { simulatedSuppliers } from './suppliers';
import { simulatedWeather } from './weather';

messageGatewaySuite('the simulated gateway', () => simulatedGateway);
supplierDeskSuite('the simulated desk', simulatedSuppliers);
weatherServiceSuite('the simulated service', simulatedWeather);
inspectionOfficesSuite('the simulated offices', simulatedOffices);

describe('the simulated gateway', () => {
  it('loses one in nine at the first try, and lets a second through', () => {
    const letter = { recipient: 'A', address: 'a@a.example', subject: '', text: '' };
    const fails = (id: number, tries: number) =>
      'failure' in simulatedGateway.deliver({ ...letter, id: String(id), tries });
    const failed = Array.from({ length: 400 }, (_, id) => id).filter((id) => fails(id, 0));
    expect(failed.length).toBeGreaterThan(20);
    expect(failed.length).toBeLessThan(80);
    expect(failed.some((id) => fails(id, 1))).toBe(false);
  });
});

describe('the simulated offices', () => {
  it('give mornings first, and know holidays', () => {
    const terms = { weekdays: [4], noticeDays: 2, visitsADay: 2 };
    const offer = (visits: number, holidays: string[] = []) =>
      simulatedOffices.offer(
        terms,
        { on: '2027-03-09' },
        (day) => (day === '2027-03-11' ? visits : 0),
        new Set(holidays),
      );
    expect(offer(0)).toEqual({ day: '2027-03-11', half: 0 });
    expect(offer(1)).toEqual({ day: '2027-03-11', half: 1 });
    expect(offer(0, ['2027-03-11'])).toEqual({ day: '2027-03-18', half: 0 });
  });
});

describe('the simulated weather', () => {
  it('says tomorrow of the same days what it said today, ten days ahead', () => {
    const [today, tomorrow] = [simulatedWeather.outlook('2027-03-09'), simulatedWeather.outlook('2027-03-10')];
    expect(today).toHaveLength(2 * OUTLOOK_DAYS);
    expect(today.slice(2)).toEqual(tomorrow.slice(0, -2));
  });

  it('has wet days in a year about as its months usually do', () => {
    const wet = Array.from(
      { length: 365 },
      (_, index) => simulatedWeather.outlook(addDays('2027-01-01', index))[0],
    ).filter((half) => (half?.rain ?? 0) > 0).length;
    expect(wet).toBeGreaterThan(60);
    expect(wet).toBeLessThan(220);
  });
});
