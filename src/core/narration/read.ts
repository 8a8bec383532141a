import { given } from '../given';
import { pattern } from '../pattern';
import type { Cue } from './captions';
import type { Draft, DraftKind } from './draft';
import {
  bySaid,
  choiceSaid,
  daysSaid,
  fallbackSaid,
  problemSaid,
  quantitySaid,
  stateSaid,
  subjectSaid,
} from './fields-said';
import { PHASE_WORDS, tradeSaid } from './lexicon';
import { measuresSaid, type MeasureSaid } from './measures-said';
import { placesOf, type NamedArea } from './places';
import { progressSaid, type ProgressSaid } from './progress-said';
import { sentencesOf, type Sentence } from './sentences';
import { signsIn } from './signs';
import { speaksMetric } from './spoken-length';
import type { Inclusion } from '../sites/area';
import { wordsOf, type Word } from './words';

/** What one sentence says, before it is a draft. */
interface Heard extends Sentence {
  place: number | null;
  words: string[];
  text: string;
  scores: Map<DraftKind, number>;
  stance?: Inclusion;
  progress: ProgressSaid[];
  measures: MeasureSaid[];
}

/** One thing said, over one or several sentences that belong together. */
interface Thought {
  kind: DraftKind;
  score: number;
  from: number;
  to: number;
  place: number | null;
  stance?: Inclusion;
  progress?: ProgressSaid;
  measure?: MeasureSaid;
}

/** What was read is kept. One more wherever the same text comes to other drafts than before. */
export const READING_FORM = 1;

/** What must speak for a draft before it is proposed. */
const ENOUGH = 2.2;
/** What may be part of something said over several sentences. */
const HINT = 1.2;
/** A draft is read from at most so many words. */
const MOST_WORDS = 70;

/**
 * Reads a narrated walk: rules and word lists only, the same text always gives the same drafts. Each sentence is held
 * against the signs of every kind; the kind that most speaks for is taken, sentences that go on with the same thought
 * are joined to it, and the fields are read from the words.
 * @param areas of the job, in any order, with what they are also called
 */
export function readNarration(cues: readonly Cue[], areas: readonly NamedArea[]): Draft[] {
  const words = wordsOf(cues);
  const texts = words.map((word) => word.text);
  const places = placesOf(words, areas);
  const metric = speaksMetric(texts);
  const heard = sentencesOf(words, places, PHASE_WORDS).map((sentence) => hear(words, places, sentence, metric));
  const scoping = isScoping(heard);
  return joined(
    gathered(
      heard.map((entry) => thoughtsOf(entry, scoping)),
      heard,
    ),
    heard,
  ).map((thought) => draftOf(thought, words, cues, areas));
}

function hear(
  words: readonly Word[],
  places: readonly (number | null)[],
  { from, to }: Sentence,
  metric: boolean,
): Heard {
  const own = words.slice(from, to).map((word) => word.text);
  const text = ` ${own.join(' ')} `;
  const byKind = new Map<DraftKind, { most: number; all: number }>();
  let best = 0;
  let stance: Inclusion | undefined;
  for (const sign of signsIn(text)) {
    const known = byKind.get(sign.kind) ?? { most: 0, all: 0 };
    byKind.set(sign.kind, { most: Math.max(known.most, sign.weight), all: known.all + sign.weight });
    if (sign.stance && sign.weight > best) [best, stance] = [sign.weight, sign.stance];
  }
  // A sentence that begins with “if” depends on it, whatever it says of leaving or taking.
  if (/^ (?:(?:and|but|so|now|well) )?if /.test(text) && stance !== undefined && stance !== 'refit')
    stance = 'conditional';
  // A day or “waiting” makes no gate: somebody who inspects or allows has to be named, or that nothing goes on before.
  if ((byKind.get('gate')?.most ?? 2) < 2 && !/ (?:until|till) /.test(text)) byKind.delete('gate');
  const scores = new Map([...byKind].map(([kind, { most, all }]) => [kind, most + 0.6 * (all - most)]));
  return {
    from,
    to,
    place: places[to - 1] ?? null,
    words: own,
    text,
    scores,
    ...(stance ? { stance } : {}),
    progress: progressSaid(own),
    measures: measuresSaid(
      words.slice(from, to).flatMap((word) => (word.stop === ',' ? [word.text, ','] : [word.text])),
      metric,
    ),
  };
}

/**
 * A first visit speaks of what will be done; a later walk of what is done. The same words mean other things on them.
 */
function isScoping(heard: readonly Heard[]): boolean {
  const progress = heard.reduce((sum, entry) => sum + entry.progress.length, 0);
  const scope = heard.filter((entry) => (entry.scores.get('scope') ?? 0) >= ENOUGH).length;
  return scope >= 3 && progress * 3 < scope;
}

/** Where two kinds are as likely, the one that costs more if it is missed. */
const FIRST: readonly DraftKind[] = [
  'caution',
  'gate',
  'order',
  'household',
  'surprise',
  'decision',
  'assumption',
  'scope',
  'remaining',
  'selection',
];

function thoughtsOf(heard: Heard, scoping: boolean): Thought[] {
  const scores = new Map(heard.scores);
  const add = (kind: DraftKind, weight: number): void => {
    if (scores.has(kind)) scores.set(kind, (scores.get(kind) ?? 0) + weight);
  };
  if (scoping) {
    if (!/ (?:still|has not|have not) /.test(heard.text)) add('remaining', -1.2);
    if (heard.stance === 'in') add('scope', 0.8);
  } else if (heard.stance === 'in') add('scope', -0.2);
  // “The shelves are going to be ash” chooses; it does not only say that there are shelves.
  if (heard.stance === 'in' && (scores.get('selection') ?? 0) >= 3) add('scope', -1);
  // “We take it that … if not, …” is an assumption with what follows from it.
  if (heard.stance === 'conditional' && (scores.get('assumption') ?? 0) >= 1.5) add('scope', -1.6);
  const ranked = FIRST.map((kind) => [kind, scores.get(kind) ?? 0] as const).sort((a, b) => b[1] - a[1]);
  const [top, score] = ranked[0] ?? ['scope', 0];
  const { from, to, place } = heard;
  const base = { from, to, place };
  const thoughts: Thought[] = [];
  const progress = scoping && score >= ENOUGH ? [] : heard.progress;
  const outweighs =
    score > (progress.length === 0 ? ENOUGH - 0.01 : top === 'remaining' ? 2.7 : top === 'scope' ? 3.9 : 3.3);
  if (outweighs && !(progress.length > 0 && top === 'scope' && heard.stance === 'in'))
    thoughts.push({ ...base, kind: top, score, ...(top === 'scope' ? { stance: heard.stance ?? 'in' } : {}) });
  if (thoughts.length === 0 || !['surprise', 'remaining', 'order', 'gate', 'scope'].includes(top)) {
    for (const one of progress)
      thoughts.push({
        ...base,
        kind: 'progress',
        score: 3.2,
        progress: one,
        from: from + (progress.length > 1 ? Math.max(0, one.at - 2) : 0),
      });
  }
  for (const measure of heard.measures) {
    if (thoughts.some((thought) => thought.kind === 'caution' && thought.score >= 2.8)) continue;
    if (
      thoughts.some(
        (thought) => thought.kind === 'order' || thought.kind === 'remaining' || thought.kind === 'household',
      ) &&
      !measure.first.sure
    )
      continue;
    thoughts.push({ ...base, kind: 'measurement', score: 3.5, measure });
  }
  // A size is the whole of what such a sentence says, unless another sign is strong.
  return heard.measures.length > 0
    ? thoughts.filter(
        (thought) => thought.kind === 'measurement' || thought.score >= 2.8 || thought.kind === 'progress',
      )
    : thoughts;
}

/**
 * What no sentence says by itself may be said over two or three of them: “the top's got a chip”, “they're making
 * another”, “it's a fortnight”. Hints of one kind in neighbours that say nothing else add up.
 */
function gathered(thoughts: Thought[][], heard: readonly Heard[]): Thought[][] {
  for (let at = 0; at < heard.length; at++) {
    const first = heard[at];
    if (!first || (thoughts[at] ?? []).length > 0) continue;
    for (const kind of FIRST) {
      const score = first.scores.get(kind) ?? 0;
      if (score < HINT) continue;
      let [sum, to] = [score, at];
      for (let next = at + 1; next <= at + 3 && next < heard.length; next++) {
        const other = heard[next];
        if (!other || other.place !== first.place || (thoughts[next] ?? []).length > 0) break;
        const more = other.scores.get(kind) ?? 0;
        if (more >= HINT - 0.4) [sum, to] = [sum + 0.8 * more, next];
      }
      if (to === at || sum < ENOUGH + 0.2) continue;
      thoughts[at] = [
        {
          kind,
          score: sum,
          from: first.from,
          to: heard[to]?.to ?? first.to,
          place: first.place,
          ...(kind === 'scope' ? { stance: first.stance ?? 'in' } : {}),
        },
      ];
      for (let next = at + 1; next <= to; next++) thoughts[next] = [];
      break;
    }
  }
  return thoughts;
}

const GOES_ON = pattern(
  '',
  '^ (?:there|and|but|so|it|that|they|those|these|if|then|not|no|because|till|until|or|',
  String.raw`which|who|he|she|them|there 's only|only|nobody|do not|does not|did not|never|is|was|'s|`,
  'all|some|in|with|for|on|to|like|probably|just|unless|otherwise|comes?|goes?|gets?|',
  'stays?|needs?|wants?) ',
);
const POINTS_BACK = pattern(
  '',
  '^ (?:(?:and|but|so|well|or|now|no|because|then) )*(?:it|that|they|those|these|them|he|',
  'she|comes?|goes?|gets?|stays?|needs?|wants?|do not|nobody|no idea|did not|if (?:it|they|',
  String.raw`that|not|there|she|he)|is|was|'s|treat|i think|i would|we think|we figure|probably|not) `,
);

/** Joins what goes on with the thought before it, and reaches back for what a sentence points at. */
function joined(all: readonly Thought[][], heard: readonly Heard[]): Thought[] {
  const kept: Thought[] = [];
  all.forEach((thoughts, index) => {
    const here = heard[index];
    if (!here) return;
    const last = kept.at(-1);
    const follows =
      last !== undefined && last.to === here.from && last.place === here.place && here.to - last.from <= MOST_WORDS;
    const first = thoughts[0];
    if (last && thoughts.length === 0 && here.to <= last.to) return;
    if (last && follows && thoughts.length === 0) {
      // It says nothing by itself: part of what was said before, if it reads on.
      if (
        GOES_ON.test(here.text) &&
        last.kind !== 'progress' &&
        last.kind !== 'measurement' &&
        last.kind !== 'selection'
      )
        last.to = here.to;
      return;
    }
    if (last && first && follows && goesOnWith(last, first, here)) {
      last.to = here.to;
      last.score = Math.max(last.score, first.score);
      if (last.kind !== first.kind && first.kind === 'surprise') last.kind = 'surprise';
      if (first.stance && !last.stance && last.kind === 'scope') last.stance = first.stance;
      kept.push(...thoughts.slice(1));
      return;
    }
    for (const thought of thoughts) {
      // “I think it's old. If it isn't, then …”: what is believed, with what follows if it is wrong.
      const before = heard[index - 1];
      if (
        thought.kind === 'scope' &&
        thought.stance === 'conditional' &&
        before?.place === thought.place &&
        (before.scores.get('assumption') ?? 0) >= 1.5 &&
        (last === undefined || last.to <= before.from) &&
        /^ (?:(?:and|but) )?if (?:it|they|that|not|there|i am|we are) /.test(here.text)
      ) {
        thought.kind = 'assumption';
        thought.from = before.from;
      }
      if (thought.kind !== 'progress' && thought.kind !== 'measurement' && POINTS_BACK.test(here.text))
        reachBack(thought, heard, index, kept.at(-1));
      kept.push(thought);
    }
  });
  return kept;
}

/** The sentence before is what this one speaks of, unless a draft was read from it already. */
function reachBack(thought: Thought, heard: readonly Heard[], at: number, last: Thought | undefined): void {
  for (let back = at - 1; back >= Math.max(0, at - 2); back--) {
    const before = heard[back];
    if (
      !before ||
      before.place !== thought.place ||
      (last !== undefined && last.to > before.from) ||
      thought.to - before.from > MOST_WORDS
    )
      return;
    thought.from = before.from;
    if (!POINTS_BACK.test(before.text)) return;
  }
}

function goesOnWith(last: Thought, next: Thought, here: Heard): boolean {
  const readsOn = GOES_ON.test(here.text);
  if (next.kind === 'surprise' && last.kind === 'remaining' && POINTS_BACK.test(here.text)) return true;
  if (
    last.kind === 'assumption' &&
    (next.kind === 'assumption' || (next.kind === 'scope' && next.stance === 'conditional'))
  )
    return readsOn || / if /.test(here.text);
  // “Well, I didn't expect that”: what it was comes next.
  if (
    last.kind === 'surprise' &&
    last.to - last.from <= 9 &&
    (next.kind === 'surprise' || next.kind === 'caution' || next.kind === 'remaining')
  )
    return true;
  // Not on the drawing, and now it is in: no surprise any more, part of the work.
  if (last.kind === 'surprise' && next.kind === 'scope' && next.stance === 'in' && POINTS_BACK.test(here.text)) {
    last.kind = 'scope';
    last.stance = 'in';
    return true;
  }
  if (
    last.kind === 'caution' &&
    next.kind === 'remaining' &&
    next.score < 3.2 &&
    / (?:is|are|has|have) not /.test(here.text) &&
    !/^ (?:and|but) /.test(here.text)
  )
    return true;
  if (last.kind === 'caution' && next.kind === 'caution' && / there (?:is|'s|are) /.test(here.text)) return true;
  if (last.kind !== next.kind || next.kind === 'progress' || next.kind === 'measurement') return false;
  if (next.kind === 'scope' && next.stance === 'refit' && last.stance === 'in' && POINTS_BACK.test(here.text)) {
    last.stance = 'refit';
    return true;
  }
  if (next.kind === 'scope')
    return (
      POINTS_BACK.test(here.text) &&
      (next.stance === last.stance || (last.stance === 'conditional' && / if /.test(here.text)))
    );
  if (next.kind === 'remaining' || next.kind === 'selection') return POINTS_BACK.test(here.text);
  return readsOn;
}

function draftOf(thought: Thought, words: readonly Word[], cues: readonly Cue[], areas: readonly NamedArea[]): Draft {
  const own = words.slice(thought.from, thought.to);
  const texts = own.map((word) => word.text);
  const text = ` ${texts.join(' ')} `;
  const first = cues[own[0]?.cue ?? 0];
  const last = cues[own.at(-1)?.cue ?? 0];
  const draft: Draft = {
    start: first?.start ?? 0,
    end: Math.max(last?.end ?? 0, first?.end ?? 0),
    words: own
      .map((word) => word.said)
      .filter(Boolean)
      .join(' '),
    kind: thought.kind,
    area: thought.place === null ? null : (areas[thought.place]?.name ?? null),
    confidence: Math.round(Math.min(0.99, 0.35 + thought.score / 9) * 100) / 100,
    subject: subjectSaid(text),
  };
  return { ...draft, ...fieldsOf(thought, texts, text) };
}

function fieldsOf(thought: Thought, words: readonly string[], text: string): Partial<Draft> {
  switch (thought.kind) {
    case 'progress':
      return thought.progress
        ? { phase: thought.progress.phase, fraction: thought.progress.fraction, subject: thought.progress.named }
        : {};
    case 'remaining':
      return given({ trade: tradeSaid(text), quantity: quantitySaid(words) });
    case 'scope':
      return given({ stance: thought.stance ?? 'in', quantity: quantitySaid(words) });
    case 'measurement': {
      const { first, second } = thought.measure ?? {};
      return first
        ? given({
            value: first.value,
            unit: first.unit,
            mm: Math.round(first.mm * 100) / 100,
            value2: second
              ? second.unit === first.unit
                ? second.value
                : second.mm / (first.unit === 'in' ? 25.4 : 1)
              : undefined,
            mm2: second ? Math.round(second.mm * 100) / 100 : undefined,
          })
        : {};
    }
    case 'selection':
      return given({ choice: choiceSaid(text) });
    case 'order':
      return given({ days: daysSaid(words), problem: problemSaid(text), quantity: quantitySaid(words) });
    case 'assumption':
      return given({ fallback: fallbackSaid(text) });
    case 'decision':
      return given({ by: bySaid(text) });
    case 'gate':
      return given({ state: stateSaid(text) });
    default:
      return {};
  }
}
