import type { Reading } from './draft';
import { scoresOf, type Layer, type Show } from './weights';
import { classesOf, classOf, stemOf } from './word-classes';

/** What is one of a few: how a thing stands in the job, what is wrong with it, how far a gate is, who settled it. */
export const CHOICES = {
  stance: ['in', 'out', 'conditional', 'protect', 'keep-live', 'refit'],
  problem: ['none', 'late', 'missing', 'wrong', 'damaged'],
  state: ['booked', 'passed', 'failed', 'waiting'],
  by: ['client', 'us', 'engineer'],
} as const satisfies { [Field in keyof Reading]?: readonly string[] };
export type Choice = keyof typeof CHOICES;
export type ChoiceLayers = Readonly<Record<Choice, Layer>>;

/** What speaks for one or the other. */
export function choiceFeatures(texts: readonly string[], tell: Show): void {
  const seen = new Set<string>();
  const once = (feature: string): void => {
    if (seen.has(feature)) return;
    seen.add(feature);
    tell(feature);
  };
  once('bias');
  texts.forEach((word, at) => {
    const next = texts[at + 1];
    once(`w:${stemOf(word)}`);
    for (const kind of classesOf(word)) once(`c:${kind}`);
    if (next === undefined) return;
    once(`ww:${word}:${next}`);
    once(`cc:${classOf(word)}:${classOf(next)}`);
    once(`wc:${word}:${classOf(next)}`);
    if (texts[at + 2] !== undefined) once(`www:${word}:${next}:${texts[at + 2] ?? ''}`);
  });
  once(`^w:${texts[0] ?? ''}`);
  once(`$w:${texts.at(-1) ?? ''}`);
}

/** The likeliest, and how likely it is. */
export function choose<Field extends Choice>(
  field: Field,
  texts: readonly string[],
  layers: ChoiceLayers,
): { value: (typeof CHOICES)[Field][number]; sure: number } {
  const sums = scoresOf(layers[field], (tell) => choiceFeatures(texts, tell));
  let best = 0;
  sums.forEach((sum, one) => {
    if (sum > (sums[best] ?? 0)) best = one;
  });
  const most = sums[best] ?? 0;
  const all = sums.reduce((so, sum) => so + Math.exp(sum - most), 0);
  const known: readonly (typeof CHOICES)[Field][number][] = CHOICES[field];
  return { value: known[best] ?? CHOICES[field][0], sure: 1 / all };
}
