import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { taskId } from '../sequence/site';
import { closeInState } from './close-in';
import { inOrderSeen, notWithdrawn, type Observation, type RecheckVerdict } from './observation';
import { carriedItems } from './open-items';
import { progressOf, remainingHalfDays } from './progress';
import { carriedIn, folded, foldedFrom, progressIn, recordsIn, type Standing } from './standing';

const at = (minute: number): string => new Date(Date.UTC(2027, 2, 9, 6, minute)).toISOString();
const seen = (id: string, minute: number, fresh: object): Observation =>
  ({ id, job: 'j', walk: 'w', area: 'a', person: 'p', at: at(minute), ...fresh }) as Observation;

/** The matter of a record, as the file has it. */
function matterOf(record: Observation): string {
  if (record.kind === 'progress') return `step:${record.phase}`;
  if (record.kind === 'check') return `line:${record.line}`;
  return `item:${record.kind === 'recheck' ? record.about : record.id}`;
}

const minute = fc.integer({ min: 0, max: 400 });
const PHASES = ['framing', 'board', 'final-coat'] as const;
/** A history of one area: steps seen again and again, items found and looked at again, lines of a check, withdrawals. */
const history = fc
  .record({
    steps: fc.array(fc.tuple(fc.constantFrom(...PHASES), fc.constantFrom(0, 0.3, 0.5, 0.5, 0.8, 1), minute)),
    items: fc.array(
      fc.tuple(
        minute,
        fc.array(fc.tuple(fc.constantFrom<RecheckVerdict>('done', 'still open', 'worse', 'not seen'), minute), {
          maxLength: 5,
        }),
      ),
      { maxLength: 5 },
    ),
    lines: fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('right', 'open', 'not here'), minute)),
    back: fc.array(fc.nat({ max: 30 }), { maxLength: 6 }),
  })
  .map(({ steps, items, lines, back }): Observation[] => {
    const all = [
      ...steps.map(([phase, fraction, when], index) => seen(`s${index}`, when, { kind: 'progress', phase, fraction })),
      ...items.flatMap(([when, checks], item) => [
        seen(`i${item}`, when, { kind: item % 2 ? 'caution' : 'remaining', text: 't', trade: 'wiring' }),
        ...checks.map(([verdict, later], index) =>
          seen(`r${item}-${index}`, later, { kind: 'recheck', about: `i${item}`, verdict }),
        ),
      ]),
      ...lines.map(([line, verdict, when], index) => seen(`c${index}`, when, { kind: 'check', line, verdict })),
    ];
    const withdrawn = [...new Set(back)].flatMap((index) => all[index] ?? []);
    return [
      ...all,
      ...withdrawn.map((record, index) => seen(`w${index}`, 500 + index, { kind: 'withdrawal', about: record.id })),
    ];
  });

const byMatter = (records: readonly Observation[]): Map<string, Observation[]> => {
  const matters = new Map<string, Observation[]>();
  for (const record of records) matters.set(matterOf(record), [...(matters.get(matterOf(record)) ?? []), record]);
  return matters;
};

const standingOf = (records: readonly Observation[]): Standing[] =>
  [...byMatter(records).values()]
    .flatMap((list) => foldedFrom(list) ?? [])
    .sort((a, b) => inOrderSeen(a.record, b.record));

describe('what stands', () => {
  it('answers as all records would: steps, their rates, what is carried, lines of the check', () => {
    const hours = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;
    fc.assert(
      fc.property(history, (all) => {
        const records = notWithdrawn(all);
        const standing = standingOf(records);
        const [long, short] = [progressOf(records), progressIn(standing)];
        expect([...short].map(([task, { fraction, at: when }]) => [task, fraction, when]).sort()).toEqual(
          [...long].map(([task, { fraction, at: when }]) => [task, fraction, when]).sort(),
        );
        for (const phase of PHASES) {
          const task = taskId('a', phase);
          expect(remainingHalfDays(8, short.get(task), hours)).toBe(remainingHalfDays(8, long.get(task), hours));
          const gains = (readings: { at: string; fraction: number }[] = []): unknown =>
            readings.flatMap((reading, index) => {
              const gain = reading.fraction - (readings[index - 1]?.fraction ?? 0);
              return gain === 0 ? [] : [[reading.at, gain]];
            });
          expect(gains(short.get(task)?.readings)).toEqual(gains(long.get(task)?.readings));
        }
        expect(carriedIn(standing)).toEqual(carriedItems(records));
        const lines = ['a', 'b', 'c'].map((key) => ({ key, text: key, because: '' }));
        expect(closeInState(lines, recordsIn(standing, 'check'))).toEqual(closeInState(lines, records));
      }),
    );
  });

  it('is the same whether records came one after the other or all at once', () => {
    fc.assert(
      fc.property(history, (all) => {
        for (const list of byMatter(notWithdrawn(all)).values()) {
          // Looked at again before it was found: that takes all records anew.
          if (list[0]?.kind === 'recheck') continue;
          let standing: Standing | undefined;
          for (const record of list) standing = folded(standing, record);
          expect(standing).toEqual(foldedFrom(list));
        }
      }),
    );
  });

  it('stays as short as it was while nothing changes', () => {
    const still = Array.from({ length: 500 }, (_, index) =>
      seen(`s${index}`, index, { kind: 'progress', phase: 'final-coat', fraction: index < 3 ? index / 10 : 0.3 }),
    );
    expect(foldedFrom(still)?.readings).toHaveLength(5);
    const item = seen('i', 0, { kind: 'remaining', text: 't', trade: 'paint' });
    const again = Array.from({ length: 500 }, (_, index) =>
      seen(`r${index}`, 1 + index, { kind: 'recheck', about: 'i', verdict: 'still open' }),
    );
    expect(foldedFrom([item, ...again])?.since).toEqual({ putOff: 500, notSeen: 0, worse: false });
  });
});
