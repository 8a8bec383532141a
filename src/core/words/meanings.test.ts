import { describe, expect, it } from 'vitest';
import { PHASE_KEYS, phaseFacts } from '../sequence/phases';
import { RULES } from '../sequence/rules';
import { meaningOf, meaningsOf, type Explained } from './meanings';

const KINDS = ['mark', 'figure', 'state', 'word'] as const;
const all = (): [string, string, string][] => [
  ...KINDS.flatMap((kind) =>
    meaningsOf(kind).map(({ key, name, means }): [string, string, string] => [key, name, means]),
  ),
  ...PHASE_KEYS.map((phase): [string, string, string] => {
    const meaning = meaningOf(`step.${phase}`);
    return [phase, meaning?.name ?? '', meaning?.means ?? ''];
  }),
  ...RULES.map(({ number }): [string, string, string] => {
    const meaning = meaningOf(`rule.${number}`);
    return [String(number), meaning?.name ?? '', meaning?.means ?? ''];
  }),
];

describe('what is explained', () => {
  it.each(all())('%s is explained in a line', (_, name, means) => {
    expect(name).not.toBe('');
    expect(means).toMatch(/^\p{Lu}.*[.!?]$/u);
    expect(means.length).toBeLessThan(125);
  });

  it('says the same by its key as on the page of words', () => {
    for (const kind of KINDS) for (const { key, means } of meaningsOf(kind)) expect(meaningOf(key)?.means).toBe(means);
  });

  it('is nothing for what was there once and is no more, or never was', () => {
    for (const gone of ['mark.constructor', 'word.gone', 'step.gone', 'rule.999', 'rule.x', 'nonsense.x'])
      expect(meaningOf(gone as Explained)).toBeUndefined();
  });

  it('calls every step by a name of its own, in both sets of words', () => {
    for (const words of ['label', 'plain'] as const) {
      const names = PHASE_KEYS.map((phase) => phaseFacts(phase)[words]);
      expect(names.filter((name, index) => names.indexOf(name) !== index)).toEqual([]);
    }
  });
});
