import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMMANDS } from '@/contract/commands';
import { given } from '@/core/given';
import { DRAFT_KINDS, type Reading } from '@/core/narration/draft';
import { PHASE_KEYS } from '@/core/sequence/phases';
import { TRADE_KEYS } from '@/core/sequence/trades';
import { recordOf } from '@/core/walks/record-of';
import { recordWords } from '@/core/walks/record-words';
import { newId } from '../support/installations';

const some = <Value>(value: fc.Arbitrary<Value>): fc.Arbitrary<Value | undefined> =>
  fc.option(value, { nil: undefined, freq: 2 });
const words = fc.stringMatching(/^[a-z][a-z0-9 ,.'-]{0,700}$/).filter((text) => text.trim() !== '');
/** Anything the reader of speech could ever propose. */
const readings: fc.Arbitrary<Reading> = fc
  .record({
    kind: fc.constantFrom(...DRAFT_KINDS),
    subject: words,
    phase: some(fc.constantFrom(...PHASE_KEYS)),
    fraction: some(fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100)),
    trade: some(fc.constantFrom(...TRADE_KEYS.filter((trade) => trade !== 'nobody'))),
    quantity: some(fc.integer({ min: 1, max: 9999 })),
    unit: some(fc.constantFrom('tubes', 'boxes', 'm')),
    stance: some(fc.constantFrom('in' as const, 'out' as const, 'conditional' as const)),
    mm: some(fc.integer({ min: 1, max: 50_000 })),
    mm2: some(fc.integer({ min: 1, max: 50_000 })),
    choice: some(words),
    days: some(fc.integer({ min: 1, max: 300 })),
    problem: some(fc.constantFrom('late' as const, 'missing' as const, 'wrong' as const, 'damaged' as const)),
    fallback: some(words),
    by: some(fc.constantFrom('client' as const, 'us' as const, 'engineer' as const)),
    state: some(fc.constantFrom('booked' as const, 'passed' as const, 'failed' as const, 'waiting' as const)),
  })
  .map((reading) => ({ ...given(reading), kind: reading.kind, subject: reading.subject }));
const steps = [
  { phase: 'framing' as const, label: 'framing', trade: 'carpentry' as const, fraction: 1 },
  { phase: 'board' as const, label: 'board', trade: 'board' as const, fraction: 0.4 },
];

describe('what is said', () => {
  it('becomes a record that the door takes, whatever it is', () => {
    const { schema } = COMMANDS['observation.record'];
    fc.assert(
      fc.property(readings, fc.constantFrom('metric' as const, 'imperial' as const), (reading, system) => {
        const fresh = recordOf(reading, newId(), { steps, system });
        const payload = { observation: { ...fresh, id: newId(), walk: newId() } };
        expect(() => schema.validateSync(payload, { strict: true })).not.toThrow();
      }),
    );
  });

  it('loses none of its words, and reads as something', () => {
    fc.assert(
      fc.property(readings, (reading) => {
        const fresh = recordOf(reading, newId(), { steps, system: 'metric' });
        if (fresh.kind !== 'progress')
          expect('text' in fresh ? fresh.text : '').toContain(reading.subject.slice(0, 600).trimEnd().slice(0, 20));
        expect(recordWords(fresh).trim()).not.toBe('');
      }),
    );
  });

  it('is progress only of a step that the room has; else it is kept as a note with how far', () => {
    const said = (phase: Reading['phase'], fraction?: number) =>
      recordOf(
        {
          kind: 'progress',
          subject: 'the boards',
          ...(phase === undefined ? {} : { phase }),
          ...(fraction === undefined ? {} : { fraction }),
        },
        'a',
        { steps, system: 'metric' },
      );
    expect(said('board', 0.5)).toEqual({ kind: 'progress', area: 'a', phase: 'board', fraction: 0.5 });
    expect(said('tiling', 0.5)).toEqual({ kind: 'note', area: 'a', text: 'the boards, 50 %' });
    expect(said('board')).toEqual({ kind: 'note', area: 'a', text: 'the boards' });
    expect(said(undefined, 1)).toEqual({ kind: 'note', area: 'a', text: 'the boards, 100 %' });
  });

  it('is a measure in the job’s own writing, and a note where no length was heard', () => {
    const said = (mm: number | undefined, system: 'metric' | 'imperial') =>
      recordOf({ kind: 'measurement', subject: 'opening', ...(mm === undefined ? {} : { mm, mm2: 2032 }) }, 'a', {
        steps,
        system,
      });
    expect(said(889, 'imperial')).toMatchObject({
      kind: 'measurement',
      mm: 889,
      second: 2032,
      typed: `2' 11" × 6' 8"`,
    });
    expect(said(889, 'metric')).toMatchObject({ kind: 'measurement', mm: 889, second: 2032 });
    expect(said(undefined, 'metric')).toEqual({ kind: 'note', area: 'a', text: 'opening' });
  });

  it('of work without a trade goes to the trade whose step is not done', () => {
    expect(recordOf({ kind: 'remaining', subject: 'two holes' }, 'a', { steps, system: 'metric' })).toMatchObject({
      trade: 'board',
    });
    expect(recordOf({ kind: 'remaining', subject: 'two holes' }, 'a', { steps: [], system: 'metric' })).toMatchObject({
      trade: 'carpentry',
    });
  });
});
