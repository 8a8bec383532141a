/** How hard a text is to read. */
export interface ReadingLevel {
  words: number;
  sentences: number;
  /** Words a sentence, on average and at the longest. */
  mean: number;
  longest: number;
  longestSentence: string;
  /** Words that most readers rarely meet, with how often they stand here, the most frequent first. */
  rare: { word: string; count: number }[];
  /** Their share of all words, 0…1. */
  rareShare: number;
}

const WORD = /[\p{L}][\p{L}’'-]*/gu;

/**
 * Reads a text as its reader does: sentence by sentence; a heading and each point of a list are sentences of their own.
 * @param isCommon whether a word (in small letters) is one that everybody knows
 * @param known words of the text itself that are names: rooms, people, places
 */
export function readingLevel(
  text: string,
  isCommon: (word: string) => boolean,
  known: ReadonlySet<string> = new Set(),
): ReadingLevel {
  const sentences = sentencesOf(text).map((sentence) => ({ sentence, words: sentence.match(WORD) ?? [] }));
  const said = sentences.filter(({ words }) => words.length > 0);
  const all = said.flatMap(({ words }) => words);
  const rare = new Map<string, number>();
  for (const word of all) {
    const small = word.toLowerCase();
    if (!known.has(small) && !isCommon(small)) rare.set(small, (rare.get(small) ?? 0) + 1);
  }
  const longest = said.reduce((most, entry) => (entry.words.length > most.words.length ? entry : most), {
    sentence: '',
    words: [] as string[],
  });
  return {
    words: all.length,
    sentences: said.length,
    mean: said.length === 0 ? 0 : all.length / said.length,
    longest: longest.words.length,
    longestSentence: longest.sentence,
    rare: [...rare]
      .map(([word, count]) => ({ word, count }))
      .sort((a, b) => b.count - a.count || (a.word < b.word ? -1 : 1)),
    rareShare: all.length === 0 ? 0 : [...rare.values()].reduce((sum, count) => sum + count, 0) / all.length,
  };
}

/** Sentences end at their marks; lines, points and what a semicolon parts are read by themselves. */
const sentencesOf = (text: string): string[] =>
  text
    .split(/\n+|(?<=[.!?;])\s+/u)
    .map((sentence) => sentence.replace(/^[-•]\s*/, '').trim())
    .filter((sentence) => sentence !== '');
