import type { Reading } from './draft';
import { scoresOf, type Layer, type Show } from './weights';
import { classesOf, stemOf } from './word-classes';

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
    once(`cc:${classesOf(word)[0]!}:${classesOf(next)[0]!}`);
    once(`wc:${word}:${classesOf(next)[0]!}`);
    if (texts[at + 2] !== undefined) once(`www:${word}:${next}:${texts[at + 2]!}`);
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
  for (let one = 1; one < sums.length; one++) if (sums[one]! > sums[best]!) best = one;
  const all = sums.reduce((so, sum) => so + Math.exp(sum - sums[best]!), 0);
  return { value: CHOICES[field][best]!, sure: 1 / all };
}
