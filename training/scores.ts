import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { learnt as shipped, type Learnt } from '../src/core/narration/learnt';
import { DRAFT_KINDS, SURE, type Draft } from '../src/core/narration/draft';
import { readNarration } from '../src/core/narration/read';
import { givenWalk } from './given-walk';
import { GIVEN, givenBoth, ownPhrases, ownWalks } from './main';
import { pairs, scoreWalk, type Proposed } from './score';
import { teachAll } from './teach';
import { captioned, plainly, walksIn, type LabelledWalk } from './walk-file';

// npm run scores: how well walks are read that the reader was never taught.
// npm run scores -- --leave-out: each given walk read by a reader taught without it (some minutes).
const folder = import.meta.dirname;

export const keptOut = (): LabelledWalk[] =>
  walksIn(join(folder, 'kept-out')).map((walk, at) => captioned(walk, { seed: at + 400 }));

export const readWalk = (walk: LabelledWalk, learnt: Learnt = shipped()): (Proposed & { draft: Draft })[] =>
  readNarration(walk.cues, walk.areas, learnt).map((draft) => ({
    kind: draft.kind,
    start: draft.start,
    end: draft.end,
    area: draft.area === null ? null : walk.areas.findIndex((area) => area.name === draft.area),
    draft,
  }));

const two = (value: number): string => value.toFixed(2);
const mean = (list: readonly number[]): number => list.reduce((sum, one) => sum + one, 0) / Math.max(1, list.length);

function table(title: string, walks: readonly LabelledWalk[], learntFor: (walk: LabelledWalk) => Learnt): void {
  console.log(
    `\n### ${title}\n\n| walk | facts | drafts | right | F1 | place wrong | kind wrong | not heard | chatter |`,
  );
  console.log('|---|---|---|---|---|---|---|---|---|');
  const byKind = new Map(DRAFT_KINDS.map((kind) => [kind, { facts: 0, drafts: 0, right: 0 }]));
  const shown: { sure: boolean; right: boolean }[] = [];
  const scores = walks.map((walk) => {
    const drafts = readWalk(walk, learntFor(walk));
    const score = scoreWalk(walk, drafts);
    const matched = pairs(walk, drafts);
    const right = new Set(matched.values());
    walk.facts.forEach(({ kind }, at) => {
      const row = byKind.get(kind);
      if (!row) return;
      row.facts += 1;
      if (matched.has(at)) row.right += 1;
    });
    drafts.forEach(({ kind, draft }, at) => {
      const row = byKind.get(kind);
      if (row) row.drafts += 1;
      shown.push({ sure: draft.confidence >= SURE, right: right.has(at) });
    });
    const cells = [walk.name, score.facts, score.drafts, score.matched, two(score.f1), score.placeWrong];
    console.log(`| ${[...cells, score.kindWrong, score.missed, score.chatter].join(' | ')} |`);
    return score;
  });
  const sum = (of: keyof (typeof scores)[number]): number => scores.reduce((all, score) => all + score[of], 0);
  console.log(
    `\nMean F1 ${two(mean(scores.map(({ f1 }) => f1)))}, least ${two(Math.min(...scores.map(({ f1 }) => f1)))}.`,
  );
  console.log(
    `Place right at ${Math.round(100 * (1 - sum('placeWrong') / Math.max(1, sum('placeWrong') + sum('matched'))))} % of what ` +
      `was heard; chatter ${Math.round((100 * sum('chatter')) / sum('drafts'))} % of drafts.`,
  );
  const sure = shown.filter((one) => one.sure);
  console.log(
    `Shown as sure: ${Math.round((100 * sure.length) / shown.length)} % of drafts, of which ` +
      `${Math.round((100 * sure.filter(({ right }) => right).length) / Math.max(1, sure.length))} % right.`,
  );
  console.log(
    [...byKind]
      .map(
        ([kind, { facts, drafts, right }]) => `${kind} ${two((2 * right) / Math.max(1, facts + drafts))} of ${facts}`,
      )
      .join(' · '),
  );
}

if (process.argv[1]?.endsWith('scores.ts')) {
  const { values } = parseArgs({ options: { 'leave-out': { type: 'boolean', default: false } } });
  table('Kept out: written by us, never taught', keptOut(), () => shipped());
  table('Kept out, plain names of rooms', keptOut().map(plainly), () => shipped());
  if (values['leave-out']) {
    const readers = new Map(
      GIVEN.map((name) => [
        name,
        teachAll([...ownWalks(), ...givenBoth(GIVEN.filter((other) => other !== name))], ownPhrases(), {
          calibrate: false,
        }),
      ]),
    );
    const given = (gapless: boolean): LabelledWalk[] =>
      GIVEN.map((name) => givenWalk(join(folder, 'given'), name, { gapless }));
    const without = (walk: LabelledWalk): Learnt => readers.get(walk.name) ?? shipped();
    table('Given walks, each left out of what was taught', given(false), without);
    table('The same without silences', given(true), without);
    table('The same, plain names of rooms', given(false).map(plainly), without);
  }
}
