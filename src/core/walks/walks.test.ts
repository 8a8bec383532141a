import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diffOf, workDone } from './diff';
import { notWithdrawn, type Observation } from './observation';
import { openItems } from './open-items';
import { progressOf, remainingHalfDays } from './progress';
import { remainingWork } from './remaining-work';

let count = 0;
type Fresh = Observation extends infer One
  ? One extends Observation
    ? Omit<One, 'id' | 'job' | 'walk' | 'area' | 'at' | 'person'>
    : never
  : never;
const seen = (walk: string, at: string, fresh: Fresh, over: Partial<Observation> = {}): Observation =>
  ({
    id: `o${String(count++).padStart(4, '0')}`,
    job: 'job',
    walk,
    area: 'room',
    person: 'maren',
    at: `2027-03-${at}:00.000Z`,
    ...fresh,
    ...over,
  }) as Observation;
const wires = (fraction: number) => ({ kind: 'progress', phase: 'wiring-rough', fraction }) as const;
const weights = new Map([
  ['room:wiring-rough', 6],
  ['room:board', 2],
]);

describe('what a walk changed', () => {
  it('is told against everything seen before it, the newest of the walk counting', () => {
    const all = [
      seen('w1', '01T10:00', wires(0.2)),
      seen('w2', '03T10:00', wires(0.5)),
      seen('w2', '03T10:05', wires(0.6)),
    ];
    expect(diffOf(all, 'w2', weights)).toMatchObject({
      progress: [{ area: 'room', phase: 'wiring-rough', from: 0.2, to: 0.6 }],
      visibleGain: 0,
    });
    expect(diffOf(all, 'w2', weights).gain).toBeCloseTo((0.4 * 6) / 8);
  });

  it('does not count a record that arrived late as if it were new', () => {
    const late = seen('w1', '01T10:00', wires(0.4));
    expect(diffOf([seen('w2', '03T10:00', wires(0.5)), late], 'w2', weights).progress).toEqual([
      { area: 'room', phase: 'wiring-rough', from: 0.4, to: 0.5 },
    ]);
  });

  it('leaves out what was taken back and what was settled on the same walk', () => {
    const slip = seen('w2', '03T10:00', wires(0.9));
    const item = seen('w2', '03T10:01', { kind: 'remaining', text: 'sweep', trade: 'cleaning' });
    const all = [
      slip,
      item,
      seen('w2', '03T10:02', { kind: 'withdrawal', about: slip.id }),
      seen('w2', '03T10:03', { kind: 'recheck', about: item.id, verdict: 'done' }),
    ];
    expect(diffOf(all, 'w2', weights)).toMatchObject({
      progress: [],
      remaining: [],
      closed: [{ text: 'sweep' }],
      gain: 0,
    });
  });

  it('of a walk that saw nothing is nothing', () => {
    expect(diffOf([seen('w1', '01T10:00', wires(0.2))], 'w2', weights)).toMatchObject({ progress: [], gain: 0 });
  });

  it('counts work by its half-days, none being none', () => {
    expect(workDone(weights, (task) => (task === 'room:wiring-rough' ? 1 : 0))).toBe(0.75);
    expect(workDone(new Map(), () => 1)).toBe(0);
  });

  it('adds up: the gains of all walks are the work done', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('wiring-rough' as const, 'board' as const), fc.nat(10)), {
          minLength: 1,
          maxLength: 12,
        }),
        (readings) => {
          const all = readings.map(([phase, tenths], number) =>
            seen(`w${Math.floor(number / 3)}`, `${String(number + 10).padStart(2, '0')}T10:00`, {
              kind: 'progress',
              phase,
              fraction: tenths / 10,
            }),
          );
          const gains = [...new Set(all.map((observation) => observation.walk))].reduce(
            (sum, walk) => sum + diffOf(all, walk, weights).gain,
            0,
          );
          const progress = progressOf(notWithdrawn(all));
          expect(gains).toBeCloseTo(
            workDone(weights, (task) => progress.get(task)?.fraction ?? 0),
            9,
          );
        },
      ),
    ));
});

describe('open items', () => {
  it('carry over, count how often they were put off, and end when done', () => {
    const item = seen('w1', '01T10:00', { kind: 'remaining', text: 'boxes too low', trade: 'wiring' });
    const still = seen('w2', '02T10:00', { kind: 'recheck', about: item.id, verdict: 'still open' });
    const worse = seen('w3', '03T10:00', { kind: 'recheck', about: item.id, verdict: 'worse' });
    expect(openItems(notWithdrawn([worse, still, item]))).toMatchObject([{ putOff: 2, worse: true }]);
    expect(
      openItems(
        notWithdrawn([
          item,
          still,
          worse,
          seen('w4', '04T10:00', { kind: 'recheck', about: item.id, verdict: 'done' }),
        ]),
      ),
    ).toEqual([]);
  });
});

describe('what remains', () => {
  it('follows the plan until walks have measured, then what they measured', () => {
    expect(remainingWork(10, 0, [])).toBe(10);
    expect(remainingWork(10, 0.5, [])).toBe(5);
    // planned 0.1 a half-day, observed 0.05: (2·0.1 + 1·0.05) / 3 = 0.0833…, half of it left: 6.
    expect(remainingWork(10, 0.5, [{ gain: 0.25, halfDays: 5 }])).toBe(6);
    expect(remainingWork(10, 1, [])).toBe(0);
  });

  it('counts only days on which it moved', () => {
    const progress = {
      fraction: 0.5,
      at: '2027-03-05',
      readings: [
        { at: '2027-03-01', fraction: 0.2 },
        { at: '2027-03-04', fraction: 0.2 },
        { at: '2027-03-05', fraction: 0.5 },
      ],
    };
    const days = (from: string, to: string): number => 2 * (Number(to.slice(-2)) - Number(from.slice(-2)));
    expect(remainingHalfDays(10, progress, days)).toBe(remainingWork(10, 0.5, [{ gain: 0.3, halfDays: 2 }]));
  });

  it('is never less than nothing nor without an end, whatever was seen', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.array(
          fc.record({
            gain: fc.double({ min: 0.001, max: 1, noNaN: true }),
            halfDays: fc.integer({ min: 1, max: 60 }),
          }),
          { maxLength: 6 },
        ),
        (planned, done, observed) => {
          const left = remainingWork(planned, done, observed);
          expect(Number.isInteger(left) && left >= 0 && left <= 4 * planned + 4).toBe(true);
          expect(left === 0).toBe(done >= 1 || (1 - done) * planned < 1e-8);
        },
      ),
    ));
});
