import { describe, expect, it } from 'vitest';
import { readingLevel } from './reading-level';

const common = new Set(['the', 'is', 'new', 'wall', 'stands', 'it', 'dry', 'and']);
const level = (text: string, known?: Set<string>) => readingLevel(text, (word) => common.has(word), known);

describe('how hard a text is to read', () => {
  it('counts words a sentence; headings and points are read by themselves', () => {
    expect(level('The new wall stands. It is dry.\n\nDone\n- It is dry and new; the wall stands.')).toMatchObject({
      words: 16,
      sentences: 5,
      longest: 5,
      longestSentence: 'It is dry and new;',
      rare: [{ word: 'done', count: 1 }],
      rareShare: 1 / 16,
    });
  });

  it('finds rare words but no names, the most frequent first', () => {
    expect(level('The lintel is new. Lintel and joist: Averill is dry.', new Set(['averill'])).rare).toEqual([
      { word: 'lintel', count: 2 },
      { word: 'joist', count: 1 },
    ]);
  });

  it('is nothing of nothing', () => {
    expect(level(' \n- \n')).toMatchObject({ words: 0, sentences: 0, mean: 0, longest: 0, rareShare: 0 });
  });
});
