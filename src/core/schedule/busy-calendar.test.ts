import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LARGEST, readBusyCalendar, type BusyCalendar } from './busy-calendar';

const file = (...events: string[][]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//test//EN',
    ...events.flatMap((lines) => [
      'BEGIN:VEVENT',
      `UID:${lines.join().length}-${lines[0] ?? ''}`,
      'DTSTAMP:20270301T080000Z',
      ...lines,
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ].join('\r\n');
const ZONE = 'Europe/London';
const read = (text: string, days = 30): BusyCalendar => {
  const outcome = readBusyCalendar(text, '2027-03-08', days, ZONE);
  if (!outcome.ok) throw new Error(outcome.problem.message);
  return outcome.value;
};
const halves = (text: string): string[] =>
  read(text).halves.map(({ day, half }) => `${day.slice(5)}${half === 0 ? 'am' : 'pm'}`);

describe('a sub’s own calendar', () => {
  it('keeps busy the halves it reaches into for an hour, and whole days', () => {
    expect(halves(file(['SUMMARY:Site at Elm', 'DTSTART:20270309T080000', 'DTEND:20270309T113000']))).toEqual([
      '03-09am',
    ]);
    expect(halves(file(['DTSTART:20270309T113000', 'DTEND:20270309T123000']))).toEqual([]);
    expect(halves(file(['DTSTART:20270309T103000', 'DTEND:20270310T140000']))).toEqual([
      '03-09am',
      '03-09pm',
      '03-10am',
      '03-10pm',
    ]);
    expect(halves(file(['DTSTART;VALUE=DATE:20270311', 'DTEND;VALUE=DATE:20270313']))).toEqual([
      '03-11am',
      '03-11pm',
      '03-12am',
      '03-12pm',
    ]);
    expect(halves(file(['DTSTART;VALUE=DATE:20270311']))).toEqual(['03-11am', '03-11pm']);
    expect(
      read(file(['SUMMARY:Site at Elm', 'DTSTART:20270309T080000', 'DTEND:20270309T113000'])).halves[0]?.words,
    ).toBe('Site at Elm');
  });

  it('takes an instant by the days of the firm, and a time without a zone as it stands', () => {
    // An evening in Greenwich is the next morning in Auckland.
    const evening = file(['DTSTART:20270309T213000Z', 'DTEND:20270309T230000Z']);
    const there = (zone: string): string[] => {
      const outcome = readBusyCalendar(evening, '2027-03-08', 30, zone);
      return outcome.ok ? outcome.value.halves.map(({ day, half }) => `${day}/${half}`) : [outcome.problem.message];
    };
    expect([there('UTC'), there('Pacific/Auckland')]).toEqual([[], ['2027-03-10/0']]);
  });

  it('repeats as the rule says, without what is excepted, cancelled or free', () => {
    expect(
      halves(
        file([
          'DTSTART:20270301T080000',
          'DTEND:20270301T120000',
          'RRULE:FREQ=WEEKLY;BYDAY=MO,WE;UNTIL=20270319T000000',
          'EXDATE:20270315T080000',
        ]),
      ),
    ).toEqual(['03-08am', '03-10am', '03-17am']);
    expect(
      halves(
        file(
          ['DTSTART:20270309T080000', 'DTEND:20270309T120000', 'STATUS:CANCELLED'],
          ['DTSTART:20270309T080000', 'DTEND:20270309T120000', 'TRANSP:TRANSPARENT'],
        ),
      ),
    ).toEqual([]);
  });

  it.each([
    ['a rule without end', ['DTSTART:19700101T080000', 'DTEND:19700101T120000', 'RRULE:FREQ=DAILY']],
    ['a rule of every second', ['DTSTART:20270101T080000', 'DTEND:20270101T120000', 'RRULE:FREQ=SECONDLY']],
    [
      'a day that never comes',
      ['DTSTART:20270101T080000', 'DTEND:20270101T120000', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'],
    ],
    ['a count of millions', ['DTSTART:20270101T000000', 'DTEND:20270101T000100', 'RRULE:FREQ=MINUTELY;COUNT=90000000']],
    ['an event of a thousand years', ['DTSTART:19000101T000000', 'DTEND:29000101T000000']],
  ])('ends with %s', (_, lines) => {
    const began = performance.now();
    const { halves: found } = read(file(lines));
    expect(found.length).toBeLessThanOrEqual(60);
    expect(performance.now() - began).toBeLessThan(20_000);
  });

  it.each([
    ['', 'BEGIN:VCALENDAR'],
    ['<html>not found</html>', 'BEGIN:VCALENDAR'],
    [file(['DTSTART:20270309T080000']).slice(0, 120), 'breaks off or is damaged'],
    [`BEGIN:VCALENDAR\r\n${'X'.repeat(LARGEST)}`, 'kB'],
  ])('is refused when it is none, cut short or too large, with what would be right', (text, says) => {
    const outcome = readBusyCalendar(text, '2027-03-08', 30, ZONE);
    expect(outcome).toMatchObject({
      ok: false,
      problem: { code: 'calendar-unreadable', field: 'file', message: expect.stringContaining(says) as string },
    });
  });

  it('passes over what cannot be read and says so', () => {
    const { events, left } = read(
      file(['SUMMARY:no time'], ['DTSTART:garbage'], ['DTSTART:20270309T080000', 'DTEND:20270309T120000']),
    );
    expect(events).toBeGreaterThanOrEqual(1);
    expect(left.join()).toMatch(/without a beginning|cannot be read/);
  });

  it('never throws, whatever is in the file', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.constantFrom(
              'BEGIN:VEVENT',
              'END:VEVENT',
              'DTSTART:20270309T080000',
              'DTEND:2027',
              'RRULE:FREQ=WEEKLY',
              'RRULE:FREQ=NEVER;INTERVAL=-1',
              'EXDATE:x',
              ' folded',
              'STATUS:',
              'BEGIN:VALARM',
              'DURATION:PT4H',
            ),
            fc.string(),
          ),
          { maxLength: 14 },
        ),
        (lines) => {
          const outcome = readBusyCalendar(
            ['BEGIN:VCALENDAR', ...lines, 'END:VCALENDAR'].join('\r\n'),
            '2027-03-08',
            30,
            ZONE,
          );
          if (!outcome.ok) expect(outcome.problem.message).not.toBe('');
        },
      ),
      { numRuns: 300 },
    ));
});
