import { classOf, doesOf, type WordClass } from './word-classes';
import type { Word } from './words';

/** Words with what is known of each, looked up once for all layers. */
export interface Looked {
  words: readonly Word[];
  texts: readonly string[];
  kinds: readonly WordClass[];
  does: readonly string[];
}

export const lookAt = (words: readonly Word[]): Looked => {
  const texts = words.map((word) => word.text);
  return { words, texts, kinds: texts.map(classOf), does: texts.map(doesOf) };
};
