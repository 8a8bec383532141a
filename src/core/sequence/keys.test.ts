import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TRADES, type Trade } from './trades';
import {
  ALWAYS,
  calendarOf,
  isOfficeCalendar,
  jobCalendar,
  narrowingsOf,
  officeCalendar,
  type Narrowing,
} from './calendars';
import { crewOf, ownCrew, plantCrew, subOf } from './crews';

const NARROWINGS: readonly Narrowing[] = ['loud', 'rain', 'wind', 'frost'];

describe('the keys of a plan', () => {
  it('say again which calendar they stand for', () =>
    fc.assert(
      fc.property(fc.uuid(), fc.subarray([...NARROWINGS]), (id, without) => {
        expect(calendarOf(jobCalendar(id, ...without))).toEqual({ of: 'job', job: id, without });
        expect(narrowingsOf(jobCalendar(id, ...without))).toEqual(without);
        expect(calendarOf(officeCalendar(id))).toEqual({ of: 'office', office: id });
        expect([isOfficeCalendar(officeCalendar(id)), isOfficeCalendar(jobCalendar(id))]).toEqual([true, false]);
        expect(narrowingsOf(officeCalendar(id))).toEqual([]);
        expect(calendarOf(ALWAYS)).toEqual({ of: 'always' });
      }),
    ));

  it('say again which crew they stand for; only a sub is a sub', () =>
    fc.assert(
      fc.property(fc.uuid(), fc.constantFrom(...(Object.keys(TRADES) as Trade[])), (id, trade) => {
        expect(crewOf(ownCrew(trade))).toEqual({ of: 'own', trade });
        expect(crewOf(plantCrew(id))).toEqual({ of: 'plant', plant: id });
        expect(crewOf(id)).toEqual({ of: 'sub', sub: id });
        expect([subOf(id), subOf(ownCrew(trade)), subOf(plantCrew(id)), subOf(null)]).toEqual([id, null, null, null]);
      }),
    ));
});
