import type { Reading } from './draft';
import type { Thought } from './read';
import { numberOf, type Show } from './features';
import { scoresOf, type Layer } from './weights';

/** Below this it is asked in which room it was said; the likeliest is offered. */
const CLEAR = 0.6;

const tenth = (chance: number): string => String(Math.min(9, Math.floor(chance * 10)));
const fine = (chance: number): string =>
  chance > 0.995 ? 'c' : chance > 0.98 ? 'b' : chance > 0.95 ? 'a' : tenth(chance);

/** What speaks for a draft being right: how likely it is said so and there, and whether it has what its kind must have. */
export function sureFeatures(thought: Thought, fields: Omit<Reading, 'kind'>, show: Show): void {
  const tell = (feature: string): void => show(numberOf(feature));
  const { kind, chance, place, from, to } = thought;
  const whole =
    kind === 'progress'
      ? fields.phase !== undefined
      : kind === 'measurement'
        ? fields.mm !== undefined
        : kind === 'order'
          ? (fields.problem ?? fields.days) !== undefined
          : true;
  const long = to - from < 4 ? 1 : to - from < 7 ? 2 : to - from < 20 ? 3 : 4;
  tell('bias');
  tell(`chance:${fine(chance)}`);
  tell(`place:${fine(place.sure)}`);
  tell(`both:${fine(chance * place.sure)}`);
  tell(`kind:${kind}`);
  tell(`kind:${kind}:${whole}`);
  tell(`kind:${kind}:${chance > 0.8}`);
  tell(`long:${long}`);
  tell(`long:${long}:${chance > 0.8}`);
  if (fields.stance) tell(`stance:${fields.stance}`);
  if (place.area === null) tell('whole-job');
}

/** How likely a draft is right in its kind and place, and whether it must be asked where it was said. */
export function sureOf(
  thought: Thought,
  fields: Omit<Reading, 'kind'>,
  layer: Layer,
): { confidence: number; unclear?: true } {
  const [score = 0] = scoresOf(layer, (tell) => sureFeatures(thought, fields, tell));
  const confidence = Math.round(100 / (1 + Math.exp(-score))) / 100;
  return thought.place.sure < CLEAR ? { confidence, unclear: true } : { confidence };
}
