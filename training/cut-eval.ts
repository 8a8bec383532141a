import { clausesOf } from '../src/core/narration/clauses';
import { mentionsIn, namedIn } from '../src/core/narration/places';
import { givenWalk } from './given-walk';
import { captioned, walksIn } from './walk-file';
import { phraseWalks, teachCut, variants } from './teach';
const folder = import.meta.dirname;
const own = walksIn(`${folder}/walks`).flatMap((walk, at) => variants(walk, at * 17 + 3));
const phrases = phraseWalks(`${folder}/phrases`).flatMap((walk, at) => [
  captioned(walk, { bare: false, seed: at }),
  captioned(walk, { bare: true, seed: at + 900, pauses: at % 2 === 0 }),
]);
const cut = teachCut([...own, ...phrases]);
const test = (name: string, walks: ReturnType<typeof captioned>[]) => {
  let [hit, cuts, gold, miss] = [0, 0, 0, 0];
  for (const walk of walks) {
    const got = new Set(clausesOf(walk.words, namedIn(mentionsIn(walk.words, walk.areas)), cut).map((c) => c.from));
    walk.begins.forEach((b, at) => {
      if (b === undefined || at === 0) return;
      if (b) gold++;
      if (got.has(at)) cuts++;
      if (b && got.has(at)) hit++;
    });
  }
  console.log(
    name,
    'P',
    (hit / cuts).toFixed(3),
    'R',
    (hit / gold).toFixed(3),
    'F',
    ((2 * hit) / (cuts + gold)).toFixed(3),
    cuts,
    gold,
  );
};
const kept = walksIn(`${folder}/kept-out`);
test(
  'kept bare gapless',
  kept.map((w, at) => captioned(w, { bare: true, pauses: false, seed: at })),
);
test(
  'kept bare pauses',
  kept.map((w, at) => captioned(w, { bare: true, pauses: true, seed: at })),
);
const G = '/work/shared/vectors/narration';
test(
  'W bare',
  ['W1', 'W3', 'W5'].map((n) => givenWalk(G, n)),
);
test(
  'W bare gapless',
  ['W1', 'W3', 'W5'].map((n) => givenWalk(G, n, { gapless: true })),
);
