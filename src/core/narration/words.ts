import type { Cue } from './captions';

/** One word as the reader works with it: small letters, contractions opened, with where it was said. */
export interface Word {
  text: string;
  /** As it was said; empty for the second half of a contraction. */
  said: string;
  cue: number;
  /** What follows it: nothing, a comma, or the end of a sentence. */
  stop: '' | ',' | '.';
  /** Silence before it, in seconds. */
  gap: number;
}

const NOT: Readonly<Record<string, string>> = {
  "won't": 'will not',
  "can't": 'can not',
  "shan't": 'shall not',
  "ain't": 'is not',
  cannot: 'can not',
  gonna: 'going to',
  gotta: 'got to',
  wanna: 'want to',
  dont: 'do not',
  isnt: 'is not',
};

/** `isn't` → `is not`, `it's` → `it 's`, `we'll` → `we will`: patterns then say each thing once. */
function opened(word: string): string[] {
  const known = NOT[word];
  if (known) return known.split(' ');
  if (word.endsWith("n't")) return [word.slice(0, -3), 'not'];
  const tail = /^(.+)'(s|re|ve|ll|d|m)$/.exec(word);
  if (!tail) return [word];
  const [, head = '', end = ''] = tail;
  return [head, { s: "'s", re: 'are', ve: 'have', ll: 'will', d: 'would', m: 'am' }[end] ?? end];
}

/** Every word of the captions, in order. */
export function wordsOf(cues: readonly Cue[]): Word[] {
  const words: Word[] = [];
  cues.forEach((cue, index) => {
    let gap = index === 0 ? 0 : Math.max(0, cue.start - (cues[index - 1]?.end ?? 0));
    for (const said of cue.text.replace(/[’‘]/g, "'").split(/[\s\u2010-\u2015]+|-(?=[a-z])/iu)) {
      // Most words are plain; only others have signs to be taken off, and those of other scripts are kept whole.
      if (/^[a-z]{1,40}$/.test(said) && NOT[said] === undefined) {
        words.push({ text: said, said, cue: index, stop: '', gap });
        gap = 0;
        continue;
      }
      const bare = said
        .toLowerCase()
        .replace(/^[^\p{L}\p{N}']+|[^\p{L}\p{N}'%"]+$/gu, '')
        .replace(/^'+|'+$/g, '');
      const stop = /[.!?…]["')\]]*$/.test(said) ? '.' : /[,;:]["')\]]*$/.test(said) ? ',' : '';
      const before = words.at(-1);
      if (bare === '') {
        if (before && stop !== '' && before.stop !== '.') before.stop = stop;
        continue;
      }
      const parts = opened(bare);
      parts.forEach((text, part) => {
        words.push({
          text,
          said: part === 0 ? said : '',
          cue: index,
          stop: part === parts.length - 1 ? stop : '',
          gap: part === 0 ? gap : 0,
        });
      });
      gap = 0;
    }
  });
  return words;
}
