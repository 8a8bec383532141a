import { object, ValidationError, type Schema } from 'yup';
import { describe, expect, it } from 'vitest';
import * as field from './fields';

/** What the door would say of a value in a field; undefined where it is right. */
function said(schema: Schema, value: unknown): string | undefined {
  try {
    object({ it: schema }).validateSync({ it: value });
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return error.errors[0];
    throw error;
  }
}

describe('fields', () => {
  it.each<[string, Schema, unknown]>([
    ['an id', field.id(), '01a20bed-c6ca-74c0-bb72-5eac3bd935b1'],
    ['a line', field.line('the name'), ' Boot room '],
    ['a line left out', field.optionalLine('the note'), undefined],
    ['a leap day', field.day('the day'), '2028-02-29'],
    ['a day left out', field.optionalDay('the day'), undefined],
    ['an address', field.email('the address'), 'a.b+c@site.example'],
    ['no address', field.email('the address'), ''],
    ['a whole number as typed', field.whole('crews', 1, 50), '12'],
    ['an amount with decimals', field.amount('the quantity', 100), 2.5],
    ['a phase', field.phase(), 'close-in'],
    ['a trade', field.trade(), 'nobody'],
    ['an instant', field.instant(), '2027-03-09T16:20:00.000Z'],
    ['one of a list', field.oneOf('the role', ['lead', 'office'] as const), 'lead'],
  ])('take %s', (_, schema, value) => {
    expect(said(schema, value)).toBeUndefined();
  });

  it.each<[string, Schema, unknown, string]>([
    ['an id of somebody else', field.id(), 'abc', 'not an id of ours'],
    ['no id', field.id(), undefined, 'an id is missing'],
    ['nothing chosen', field.id('your choice'), undefined, 'your choice is missing'],
    ['a blank line', field.line('the name'), '   ', 'the name is missing'],
    ['a line without end', field.line('the name', 5), 'abcdef', 'the name has more than 5 characters'],
    [
      'the thirtieth of February',
      field.day('the day'),
      '2027-02-30',
      'the day must be a day that exists, like 2027-03-09',
    ],
    [
      'a day as others write it',
      field.day('the day'),
      '09.03.2027',
      'the day must be a day that exists, like 2027-03-09',
    ],
    [
      'an address without its end',
      field.email('the address'),
      'a@b',
      'the address must be an address like name@example.net',
    ],
    ['half a crew', field.whole('crews', 1, 50), 1.5, 'crews must be a whole number'],
    ['no crew', field.whole('crews', 1, 50), 0, 'crews is at least 1'],
    ['too many crews', field.whole('crews', 1, 50), 51, 'crews is at most 50'],
    ['crews in words', field.whole('crews', 1, 50), 'two', 'crews must be a number'],
    ['nothing of something', field.amount('the quantity', 100), 0, 'the quantity must be over 0'],
    ['far too much', field.amount('the quantity', 100), 101, 'the quantity over 100 cannot be meant'],
    ['an amount in words', field.amount('the quantity', 100), 'some', 'the quantity must be a number'],
    ['a phase that is none', field.phase(), 'dusting', 'this phase is not in the list of phases'],
    ['a trade that is none', field.trade(), 'plumber', 'this trade is not in the list of trades'],
    [
      'a telephone number in words',
      field.phone() as unknown as Schema,
      'call Wenna',
      'a telephone number has figures, like +44 20 7946 0011',
    ],
    [
      'a zone that is nowhere',
      field.optionalZone(),
      'Mars/Olympus',
      'the time zone must be one that exists, like Europe/London',
    ],
    [
      'an instant without its zone',
      field.instant(),
      '2027-03-09T16:20:00',
      'must be an instant in UTC, like 2027-03-09T16:20:00.000Z',
    ],
    ['an instant that never was', field.instant(), '2027-13-09T16:20:00.000Z', 'must be a time that exists'],
    [
      'none of a list',
      field.oneOf('the role', ['lead', 'office'] as const),
      'owner',
      'the role must be one of: lead, office',
    ],
  ])('say of %s what would be right', (_, schema, value, words) => {
    expect(said(schema, value)).toBe(words);
  });

  it.each(['constructor', '__proto__', 'toString', 'hasOwnProperty'])(
    'are not fooled by %s for a phase or a trade',
    (name) => {
      expect(said(field.phase(), name)).toContain('not in the list');
      expect(said(field.trade(), name)).toContain('not in the list');
    },
  );
});
