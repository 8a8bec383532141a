import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, weekday } from '../units/day';
import {
  daysToCome,
  expectedOf,
  isGiven,
  neededBy,
  ringOf,
  sendBy,
  requestStatus,
  type Request,
  type Requests,
} from './requests';

const TODAY = '2027-03-09';
const request = (id: string, over: Partial<Request> = {}): Request => ({
  id,
  kind: 'approval',
  party: 'association',
  subject: id,
  takesLow: 10,
  takesHigh: 14,
  after: null,
  sentOn: null,
  expectedOn: null,
  answeredOn: null,
  outcome: null,
  ...over,
});
const chain = (...list: Request[]): Requests => new Map(list.map((entry) => [entry.id, entry]));

describe('a request', () => {
  it('stands where it stands: to send, behind another, sent, answered, or to be asked anew', () => {
    const all = chain(
      request('a'),
      request('b', { after: 'a' }),
      request('c', { sentOn: '2027-03-01' }),
      request('d', { sentOn: '2027-03-01', answeredOn: '2027-03-05', outcome: 'conditions' }),
      request('e', { sentOn: '2027-03-01', answeredOn: '2027-03-05', outcome: 'refused' }),
      request('f', { after: 'd' }),
    );
    expect([...all.values()].map((entry) => requestStatus(entry, all))).toEqual([
      'to send',
      'waits for another',
      'sent',
      'answered',
      'refused',
      'to send',
    ]);
    expect([...all.values()].filter(isGiven).map((entry) => entry.id)).toEqual(['d']);
  });

  it('is counted on for the day they named, else as long as it takes; a day that passed is tomorrow', () => {
    const all = chain(
      request('named', { sentOn: '2027-03-01', expectedOn: '2027-03-19' }),
      request('sent', { sentOn: '2027-03-02' }),
      request('over', { sentOn: '2027-02-01', expectedOn: '2027-03-05' }),
      request('fresh'),
      request('behind', { after: 'named', takesHigh: 7 }),
      request('no', { sentOn: '2027-03-01', answeredOn: '2027-03-05', outcome: 'refused' }),
    );
    const day = (id: string): string => expectedOf(all.get(id) as Request, all, TODAY);
    expect(day('named')).toBe('2027-03-19');
    expect(day('sent')).toBe('2027-03-16');
    expect(day('over')).toBe('2027-03-10');
    expect(day('fresh')).toBe('2027-03-23');
    expect(day('behind')).toBe('2027-03-26');
    expect(day('no')).toBe('2027-03-23');
    expect(expectedOf(request('x', { sentOn: '2027-02-01', expectedOn: '2027-03-05' }), all, '2027-03-12')).toBe(
      '2027-03-15',
    );
  });

  it('adds up along its chain, what is given left out', () => {
    const all = chain(
      request('a', { takesHigh: 20 }),
      request('b', { after: 'a', takesHigh: 8 }),
      request('c', { after: 'b', takesHigh: 3 }),
    );
    expect(daysToCome(all.get('c') as Request, all)).toBe(31);
    expect(
      daysToCome(
        all.get('c') as Request,
        chain(request('a', { answeredOn: TODAY, outcome: 'granted' }), ...[...all.values()].slice(1)),
      ),
    ).toBe(11);
  });

  it('is needed by the earliest of what waits and of what comes after it', () => {
    const all = chain(
      request('a'),
      request('b', { after: 'a', takesHigh: 8 }),
      request('c', { after: 'a', sentOn: TODAY, takesHigh: 300 }),
    );
    const needed = neededBy(
      all,
      new Map([
        ['a', ['2027-06-30']],
        ['b', ['2027-05-10', '2027-05-20']],
        ['c', ['2027-04-01']],
      ]),
    );
    expect(needed.get('b')).toBe('2027-05-10');
    // Eight days before the tenth is a Sunday: it must be asked on the Friday. What was sent already asks for nothing
    // more.
    expect(needed.get('a')).toBe('2027-04-30');
    expect(sendBy('2027-05-10', { takesHigh: 8 })).toBe('2027-04-30');
    expect(neededBy(chain(request('alone')), new Map())).toEqual(new Map());
  });

  it('names the ring it would close', () => {
    const all = chain(request('a'), request('b', { after: 'a' }), request('c', { after: 'b' }));
    expect(ringOf('a', 'c', all)).toEqual(['a', 'c', 'b']);
    expect(ringOf('c', 'a', all)).toBeUndefined();
  });

  it('asked by its day is there in time, on weekdays, along any chain', () =>
    fc.assert(
      fc.property(
        fc.array(fc.nat(40), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 700 }),
        (takes, offset) => {
          const all = chain(
            ...takes.map((takesHigh, index) =>
              request(String(index), { takesHigh, takesLow: 0, after: index === 0 ? null : String(index - 1) }),
            ),
          );
          const last = String(takes.length - 1);
          const needed = addDays('2028-01-03', offset);
          const by = neededBy(all, new Map([[last, [needed]]]));
          const first = sendBy(by.get('0') ?? '', all.get('0') as Request);
          expect(weekday(first) % 6).not.toBe(0);
          // Asked on that day, with every answer after its longest time and the next one asked at once.
          expect(expectedOf(all.get(last) as Request, all, first) <= addDays(needed, 2)).toBe(true);
          const days = takes.map((_, index) => by.get(String(index)) ?? '');
          expect([...days].sort()).toEqual(days);
        },
      ),
    ));
});
