import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { givenWalk } from './given-walk';
import { keepLearnt, phraseWalks, teachAll, variants } from './teach';
import { captioned, walksIn, type LabelledWalk } from './walk-file';

// npm run teach: learns from the labelled walks and phrases of this folder, and keeps what was learnt with the reader.
// The walks in `kept-out` are never learnt from: what is read right in them is what is read right elsewhere (npm run scores).
const folder = import.meta.dirname;

export const GIVEN = ['W1', 'W2', 'W3', 'W4', 'W5', 'W6'];
export const givenBoth = (names: readonly string[]): LabelledWalk[] =>
  names.flatMap((name) => [
    givenWalk(join(folder, 'given'), name),
    givenWalk(join(folder, 'given'), name, { gapless: true }),
  ]);
export const ownWalks = (): LabelledWalk[] =>
  walksIn(join(folder, 'walks')).flatMap((walk, at) => variants(walk, at * 17 + 3));
export const ownPhrases = (): LabelledWalk[] =>
  phraseWalks(join(folder, 'phrases')).flatMap((walk, at) => [
    captioned(walk, { bare: false, seed: at }),
    captioned(walk, { bare: true, seed: at + 900, pauses: at % 2 === 0 }),
  ]);

if (process.argv[1]?.endsWith('main.ts')) {
  const learnt = teachAll([...ownWalks(), ...givenBoth(GIVEN)], ownPhrases(), { say: (what) => console.log(what) });
  const text = JSON.stringify(keepLearnt(learnt));
  writeFileSync(join(folder, '../src/core/narration/learnt.json'), `${text}\n`);
  console.log(`${Math.round(text.length / 1000)} kB`);
}
