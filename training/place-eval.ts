import { clausesOf, cutsOf } from '../src/core/narration/clauses';
import { mentionFeatures, mentionsIn, namedIn, placesOf } from '../src/core/narration/places';
import { scoresOf } from '../src/core/narration/weights';
import { givenWalk } from './given-walk';
import { captioned, walksIn } from './walk-file';
import { phraseWalks, teachCut, teachMoves, teachSetting, variants } from './teach';
const folder = import.meta.dirname;
const own = walksIn(`${folder}/walks`).flatMap((walk, at) => variants(walk, at * 17 + 3));
const phrases = phraseWalks(`${folder}/phrases`).flatMap((walk, at) => [
  captioned(walk, { bare: false, seed: at }),
  captioned(walk, { bare: true, seed: at + 900, pauses: at % 2 === 0 }),
]);
const cut = teachCut([...own, ...phrases]);
const halves = [0, 1].map((half) => new Set([...new Set(own.map((w) => w.name))].filter((_, at) => at % 2 === half)));
const halfCuts = halves.map((half) => teachCut([...own, ...phrases].filter((w) => !half.has(w.name))));
const cutFor = (w: { name: string }) => halfCuts[halves[0]!.has(w.name) ? 0 : 1]!;
const place = { moves: teachMoves(own, cutFor), setting: teachSetting(own, cutFor) };
import { PRIOR } from '../src/core/narration/places';
import { AREA_KINDS, areaKindOf } from '../src/core/narration/area-aliases';
{
  let n = 0;
  for (const w of own)
    w.places.forEach((p) => {
      if (p === undefined) return;
      n++;
      PRIOR[AREA_KINDS.indexOf(p === null ? 'whole' : areaKindOf(w.areas[p]!))]! += 1;
    });
  for (let i = 0; i < 13; i++) PRIOR[i] = Math.log((PRIOR[i]! + 1) / n);
}
const kept = walksIn(`${folder}/kept-out`);
const G = process.env.GIVEN ?? '/work/shared/vectors/narration';
const plain = <T extends { areas: { name: string; synonyms: readonly string[] }[] }>(walk: T): T => ({
  ...walk,
  areas: walk.areas.map(({ name }) => ({ name, synonyms: [] })),
});
const test = (title: string, walks: ReturnType<typeof captioned>[], show = false) => {
  let [right, all] = [0, 0];
  for (const walk of walks) {
    const mentions = mentionsIn(walk.words, walk.areas);
    const cuts = cutsOf(walk.words, namedIn(mentions), cut);
    const clauses = clausesOf(cuts);
    const places = placesOf(walk.words, clauses, mentions, cuts, walk.areas, place);
    const at = (w: number) => places[clauses.findIndex((c) => c.to > w)]!.area;
    const bad = walk.facts.filter((f) => at(f.to - 1) !== f.area);
    all += walk.facts.length;
    right += walk.facts.length - bad.length;
    if (show && bad.length) {
      let prev: unknown = 'x';
      const log: string[] = [];
      clauses.forEach((c, i) => {
        const a = places[i]!.area;
        const g = walk.places[c.to - 1];
        if (a !== prev) {
          log.push(
            `     -> ${a === null ? null : walk.areas[a]!.name} (${places[i]!.sure.toFixed(2)}) gold ${g === undefined ? '?' : g === null ? null : walk.areas[g]!.name}: ${walk.words
              .slice(c.from, c.to)
              .map((w) => w.text)
              .join(' ')
              .slice(0, 70)}`,
          );
          prev = a;
        }
      });
      if (process.argv[3] === walk.name) console.log(log.join('\n'));
      console.log('--', walk.name, bad.length);
      const gold = (from: number) => {
        for (let i = from; i < walk.places.length; i++) if (walk.places[i] !== undefined) return walk.places[i];
      };
      for (const m of mentions) {
        const c = clauses.find((k) => k.to > m.from)!;
        const prev = at(Math.max(0, m.from - 1));
        const now = at(m.to - 1);
        const g = gold(m.to - 1);
        const moved = now === m.area;
        if ((g === m.area) !== moved && (g === m.area || now !== prev))
          console.log(
            g === m.area ? '  NOT MOVED' : '  WRONG MOVE',
            `[${m.area === null ? 'whole' : walk.areas[m.area]!.name}] ${m.called}:`,
            walk.words
              .slice(Math.max(0, m.from - 6), m.from)
              .map((w) => w.text)
              .join(' '),
            '«',
            walk.words
              .slice(m.from, m.to)
              .map((w) => w.text)
              .join(' '),
            '»',
            walk.words
              .slice(m.to, m.to + 5)
              .map((w) => w.text)
              .join(' '),
            '| clause:',
            walk.words
              .slice(c.from, c.to)
              .map((w) => w.text)
              .join(' ')
              .slice(0, 60),
          );
      }
      for (const f of bad.slice(0, 2))
        console.log(
          '     e.g.',
          f.area === null ? null : walk.areas[f.area]!.name,
          '<-',
          at(f.to - 1) === null ? null : walk.areas[at(f.to - 1)!]!.name,
          ':',
          f.text.slice(0, 60),
        );
    }
  }
  console.log(title, (right / all).toFixed(3), all - right);
};
const show = process.argv[2] === 'show';
const W = ['W1', 'W2', 'W3', 'W4', 'W5', 'W6'];
test(
  'W',
  W.map((n) => givenWalk(G, n)),
  show,
);
test(
  'W gapless',
  W.map((n) => givenWalk(G, n, { gapless: true })),
  show,
);
test(
  'W plain',
  W.map((n) => plain(givenWalk(G, n))),
  show,
);
test(
  'kept',
  kept.map((w, at) => captioned(w, { seed: at + 400 })),
  show,
);
test(
  'kept bare gapless',
  kept.map((w, at) => captioned(w, { bare: true, pauses: false, seed: at })),
);
test(
  'kept plain',
  kept.map((w, at) => plain(captioned(w, { seed: at + 400 }))),
);
