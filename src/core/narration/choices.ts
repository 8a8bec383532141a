import type { Reading } from './draft';
import { and, numberOf, once, put, slotsOf, tellAll, type Show } from './features';
import { BEYOND, lookOf } from './looked';
import { scoresOf, type Layer } from './weights';

/** What is one of a few: how a thing stands in the job, what is wrong with it, how far a gate is, who settled it. */
export const CHOICES = {
  stance: ['in', 'out', 'conditional', 'protect', 'keep-live', 'refit'],
  problem: ['none', 'late', 'missing', 'wrong', 'damaged'],
  state: ['booked', 'passed', 'failed', 'waiting'],
  by: ['client', 'us', 'engineer'],
} as const satisfies { [Field in keyof Reading]?: readonly string[] };
export type Choice = keyof typeof CHOICES;
export type ChoiceLayers = Readonly<Record<Choice, Layer>>;

const SEEN = slotsOf('s0', 'w0', 'w1', 'w2', 'c0', 'c1');
const ALONE = put('choice', SEEN, 's0');
const WITH_NEXT = put('choice', SEEN, 'w0 w1', 'c0 c1', 'w0 c1');
const WITH_BOTH = put('choice', SEEN, 'w0 w1 w2');
const BIAS = numberOf('choice');
const CLASS = numberOf('choice class');
const FIRST = numberOf('choice first');
const LAST = numberOf('choice last');

/** What speaks for one or the other. */
export function choiceFeatures(texts: readonly string[], show: Show): void {
  const tell = once(show);
  const looks = texts.map(lookOf);
  tell(BIAS);
  looks.forEach((look, at) => {
    const [next = BEYOND, second = BEYOND] = looks.slice(at + 1, at + 3);
    const seen = [look.stem, look.text, next.text, second.text, look.class, next.class];
    tellAll(ALONE, seen, tell);
    for (const one of look.classes) tell(and(CLASS, one));
    if (next !== BEYOND) tellAll(WITH_NEXT, seen, tell);
    if (second !== BEYOND) tellAll(WITH_BOTH, seen, tell);
  });
  tell(and(FIRST, (looks[0] ?? BEYOND).text));
  tell(and(LAST, (looks.at(-1) ?? BEYOND).text));
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
