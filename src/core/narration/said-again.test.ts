import { describe, expect, it } from 'vitest';
import type { Draft } from './draft';
import { saidAgain } from './said-again';

const draft = (over: Partial<Draft>): Draft => ({
  ...{ kind: 'progress', subject: 'tape', phase: 'tape', start: 0, end: 1, words: '', area: 'Kitchen', confidence: 1 },
  ...over,
});

describe('what was said again otherwise', () => {
  it('is proposed as it was said last, with what was said before', () => {
    const drafts = [draft({ fraction: 0.6 }), draft({ fraction: 0.4 })];
    expect(saidAgain(drafts)).toEqual(['later', { before: [drafts[0]] }]);
  });

  it('stands by itself where it says the same, is of another place, step or thing, or of no one place', () => {
    for (const other of [
      draft({ fraction: 0.6 }),
      draft({ fraction: 0.4, area: 'Hall' }),
      draft({ fraction: 0.4, phase: 'paint' as never }),
      draft({ fraction: 0.4, unclear: true }),
      draft({ kind: 'remaining', subject: 'tape' }),
    ])
      expect(saidAgain([draft({ fraction: 0.6 }), other])).toEqual([{ before: [] }, { before: [] }]);
  });

  it('holds for sizes and choices of one thing too', () => {
    const sizes = [
      draft({ kind: 'measurement', subject: 'the door', mm: 800 }),
      draft({ kind: 'measurement', subject: 'the door', mm: 810 }),
    ];
    expect(saidAgain(sizes)[0]).toBe('later');
    const [first] = saidAgain([
      draft({ kind: 'selection', subject: 'tile', choice: 'sage' }),
      draft({ kind: 'selection', subject: 'tile', choice: 'Sage' }),
    ]);
    expect(first).toEqual({ before: [] });
  });
});
