import { readFileSync, writeFileSync } from 'node:fs';
import { openLearnt, type Learnt } from '../src/core/narration/learnt';
import { readNarration } from '../src/core/narration/read';
import { givenWalk } from './given-walk';
import { captioned, walksIn, type LabelledWalk } from './walk-file';
import { keepLearnt, phraseWalks, teachAll, variants } from './teach';
import { scoreWalk, secondsOf, pairs, type Proposed } from './score';

const folder = import.meta.dirname;
const GIVEN = `${import.meta.dirname}/given`;
const names = ['W1', 'W2', 'W3', 'W4', 'W5', 'W6'];
const t0 = performance.now();
const own = walksIn(`${folder}/walks`);
const ownLabelled = own.flatMap((walk, at) => variants(walk, at * 17 + 3));
const phrases = phraseWalks(`${folder}/phrases`).flatMap((walk, at) => [
  captioned(walk, { bare: false, seed: at }),
  captioned(walk, { bare: true, seed: at + 900, pauses: at % 2 === 0 }),
]);
const keptOut = walksIn(`${folder}/kept-out`).map((walk, at) => captioned(walk, { seed: at + 400 }));
const given = names.map((name) => givenWalk(GIVEN, name));
const gapless = names.map((name) => givenWalk(GIVEN, name, { gapless: true }));

const teach = (walks: readonly LabelledWalk[]): Learnt => {
  const learnt = openLearnt(keepLearnt(teachAll(walks, phrases)));
  writeFileSync(process.env.OUT ?? '/tmp/learnt.json', JSON.stringify(keepLearnt(learnt)));
  return learnt;
};
export function read(walk: LabelledWalk, learnt: Learnt): Proposed[] {
  return readNarration(walk.cues, walk.areas, learnt).map((draft) => ({
    ...draft,
    area: draft.area === null ? null : walk.areas.findIndex((area) => area.name === draft.area),
  }));
}
const line = (name: string, walk: LabelledWalk, learnt: Learnt): number => {
  const drafts = read(walk, learnt);
  const s = scoreWalk(walk, drafts);
  console.log(
    `${name.padEnd(28)} F1 ${s.f1.toFixed(2)}  labels ${s.facts} drafts ${s.drafts} ok ${s.matched} | place ${s.placeWrong} kind ${s.kindWrong} none ${s.missed} chatter ${s.chatter}`,
  );
  return s.f1;
};
const mean = (list: number[]): string => (list.reduce((a, b) => a + b, 0) / list.length).toFixed(3);

const mode = process.argv[2] ?? 'own';
if (mode === 'own' || mode === 'all') {
  const learnt = process.env.IN ? openLearnt(JSON.parse(readFileSync(process.env.IN, 'utf8'))) : teach(ownLabelled);
  console.log(
    'trained on own',
    ((performance.now() - t0) / 1000).toFixed(1),
    's',
    learnt.stretch.kinds.rows.size,
    learnt.cut.rows.size,
    learnt.place.moves.rows.size,
  );
  console.log('W', mean(given.map((walk) => line(walk.name, walk, learnt))));
  console.log('Wg', mean(gapless.map((walk) => line(walk.name, walk, learnt))));
  console.log(
    'W plain',
    mean(
      given.map((walk) =>
        line(walk.name, { ...walk, areas: walk.areas.map(({ name }) => ({ name, synonyms: [] })) }, learnt),
      ),
    ),
  );
  console.log('kept', mean(keptOut.map((walk) => line(walk.name, walk, learnt))));
  if (process.argv[3]) {
    const walk = [...given, ...keptOut].find((w) => w.name === process.argv[3])!;
    const drafts = read(walk, learnt) as (Proposed & { words: string })[];
    const m = pairs(walk, drafts);
    walk.facts.forEach((f, i) => {
      if (!m.has(i))
        console.log(
          'missed ',
          secondsOf(walk.cues, walk.words, f.from, f.to).start.toFixed(0),
          f.kind,
          f.also.join(),
          `[${f.area === null ? null : walk.areas[f.area]?.name}]`,
          f.text,
        );
    });
    const used = new Set(m.values());
    drafts.forEach((d, i) => {
      if (!used.has(i))
        console.log(
          'extra  ',
          d.start.toFixed(0),
          d.kind,
          `[${d.area === null ? null : walk.areas[d.area]?.name}]`,
          d.words,
        );
    });
  }
}
if (mode === 'loo' || mode === 'all') {
  const scores = names.map((name, at) => {
    const learnt = teach([
      ...ownLabelled,
      ...given.filter((_, other) => other !== at),
      ...gapless.filter((_, other) => other !== at),
    ]);
    return [line(`${name} loo`, given[at]!, learnt), line(`${name} loo gapless`, gapless[at]!, learnt)];
  });
  console.log('LOO', mean(scores.map(([a]) => a!)), 'gapless', mean(scores.map(([, b]) => b!)));
}
console.log(((performance.now() - t0) / 1000).toFixed(1), 's');
