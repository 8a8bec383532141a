import { numberOf } from './features';
import { classesOf, doesOf, stemOf, VERBS, type WordClass } from './word-classes';
import type { Word } from './words';

/** What is known of a word by itself, and the numbers that stand for it in features. */
export interface Look {
  kind: WordClass;
  /** It may carry a clause. */
  verb: boolean;
  text: number;
  stem: number;
  class: number;
  classes: readonly number[];
  does: number;
}

const looks = new Map<string, Look>();
/** Words that are met often are kept; names and typing errors are many, so not all. */
const MOST = 20_000;

export function lookOf(word: string): Look {
  const known = looks.get(word);
  if (known) return known;
  const classes = classesOf(word);
  const [kind = 'other'] = classes;
  const look: Look = {
    kind,
    verb: VERBS.has(kind),
    text: numberOf(word),
    stem: numberOf(stemOf(word)),
    class: numberOf(kind),
    classes: classes.map(numberOf),
    does: numberOf(doesOf(word)),
  };
  if (looks.size < MOST) looks.set(word, look);
  return look;
}

/** Before the first word and after the last. */
export const BEYOND: Look = {
  kind: 'other',
  verb: false,
  text: numberOf('#'),
  stem: numberOf('#'),
  class: numberOf('#'),
  classes: [],
  does: numberOf('#'),
};

/** Words with what is known of each, looked up once for all layers. */
export interface Looked {
  words: readonly Word[];
  texts: readonly string[];
  looks: readonly Look[];
}

export const lookAt = (words: readonly Word[]): Looked => {
  const texts = words.map((word) => word.text);
  return { words, texts, looks: texts.map(lookOf) };
};
