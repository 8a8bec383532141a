import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inOrderSeen, ofKind, notWithdrawn, type Observation } from './observation';
import { openItems } from './open-items';
import { progressOf } from './progress';

const seen = (id: string, at: number, fresh: object): Observation =>
  ({
    id,
    job: 'j',
    walk: 'w',
    area: 'a',
    person: 'p',
    at: new Date(Date.UTC(2027, 2, 9, 8, at)).toISOString(),
    ...fresh,
  }) as Observation;
const wires = (id: string, at: number, fraction: number): Observation =>
  seen(id, at, { kind: 'progress', phase: 'wiring-rough', fraction });
const now = (all: Observation[]): number | undefined => progressOf(notWithdrawn(all)).get('a:wiring-rough')?.fraction;

describe('what stands', () => {
  it('is the newest by the time it was seen, not by the time it arrived', () => {
    expect(now([wires('b', 20, 0.6), wires('a', 10, 0.4)])).toBe(0.6);
  });

  it('falls back to what was seen before, once the newest is taken back', () => {
    expect(now([wires('a', 10, 0.4), wires('b', 20, 0.6), seen('c', 21, { kind: 'withdrawal', about: 'b' })])).toBe(
      0.4,
    );
    expect(now([wires('a', 10, 0.4), seen('c', 21, { kind: 'withdrawal', about: 'a' })])).toBeUndefined();
  });

  it('takes back also what arrives after its withdrawal', () => {
    expect(notWithdrawn([seen('c', 5, { kind: 'withdrawal', about: 'a' }), wires('a', 10, 0.4)])).toEqual([]);
  });

  it('breaks ties by id, so that two devices agree', () => {
    expect([wires('b', 10, 0.6), wires('a', 10, 0.4)].sort(inOrderSeen).map((observation) => observation.id)).toEqual([
      'a',
      'b',
    ]);
  });

  it('keeps the type of the kind that is picked', () => {
    const all = [wires('a', 10, 0.4), seen('n', 11, { kind: 'note', text: 'damp' })];
    expect(ofKind(all, 'note').map((note) => note.text)).toEqual(['damp']);
  });

  it('is the same in whatever order records arrive', () => {
    const records = fc
      .array(
        fc.record({
          at: fc.nat(30),
          tenth: fc.nat(10),
          kind: fc.constantFrom('progress', 'remaining', 'recheck', 'withdrawal'),
          about: fc.nat(9),
        }),
        { maxLength: 10 },
      )
      .map((rows) =>
        rows.map((row, number): Observation => {
          const id = `o${number}`;
          if (row.kind === 'progress') return wires(id, row.at, row.tenth / 10);
          if (row.kind === 'remaining') return seen(id, row.at, { kind: 'remaining', text: id, trade: 'wiring' });
          if (row.kind === 'recheck')
            return seen(id, row.at, {
              kind: 'recheck',
              about: `o${row.about}`,
              verdict: row.tenth > 5 ? 'done' : 'still open',
            });
          return seen(id, row.at, { kind: 'withdrawal', about: `o${row.about}` });
        }),
      );
    fc.assert(
      fc.property(
        records.chain((all) => fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }))),
        ([all, shuffled]) => {
          expect(notWithdrawn(shuffled)).toEqual(notWithdrawn(all));
          expect(openItems(notWithdrawn(shuffled))).toEqual(openItems(notWithdrawn(all)));
          expect(progressOf(notWithdrawn(shuffled))).toEqual(progressOf(notWithdrawn(all)));
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('readings of a phase', () => {
  it('are kept in the order seen, for the rate at which it goes', () => {
    const progress = progressOf(notWithdrawn([wires('c', 30, 0.9), wires('a', 10, 0.2), wires('b', 20, 0.5)])).get(
      'a:wiring-rough',
    );
    expect(progress?.readings.map((reading) => reading.fraction)).toEqual([0.2, 0.5, 0.9]);
    expect(progress?.at).toBe('2027-03-09T08:30:00.000Z');
  });

  it('of different areas and phases are told apart', () => {
    const all = [
      wires('a', 1, 0.2),
      seen('b', 2, { kind: 'progress', phase: 'board', fraction: 0.5 }),
      { ...wires('c', 3, 0.7), area: 'b' },
    ];
    expect([...progressOf(notWithdrawn(all))].map(([key, { fraction }]) => [key, fraction])).toEqual([
      ['a:wiring-rough', 0.2],
      ['a:board', 0.5],
      ['b:wiring-rough', 0.7],
    ]);
  });
});
