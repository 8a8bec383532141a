import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { choiceFeatures, CHOICES, type Choice, type ChoiceLayers } from '../src/core/narration/choices';
import { clausesOf, cutFeatures, cutsOf, placesToCut } from '../src/core/narration/clauses';
import { DRAFT_KINDS } from '../src/core/narration/draft';
import { AREA_KINDS, areaKindOf } from '../src/core/narration/area-aliases';
import { mentionFeatures, mentionsIn, namedIn, settingFeatures, sightOf } from '../src/core/narration/places';
import { lookAt } from '../src/core/narration/looked';
import { fieldsOf } from '../src/core/narration/draft-fields';
import { hear, styleOf, thoughtsIn } from '../src/core/narration/read';
import { speaksMetric } from '../src/core/narration/spoken-length';
import { sureFeatures } from '../src/core/narration/sure';
import { pairs, secondsOf } from './score';
import {
  endFeatures,
  FARTHEST,
  startFeatures,
  stretchFeatures,
  wordFeatures,
  type WalkStyle,
} from '../src/core/narration/stretch-features';
import { firstFrom, type StretchLayer } from '../src/core/narration/stretches';
import type { KeptLearnt, Learnt } from '../src/core/narration/learnt';
import { keepLayer, Rows, type Layer } from '../src/core/narration/weights';
import { learnAnswer, learnOneOf, learnStretches, Vocabulary, type Example, type Row } from './learn';
import { seeded } from '../src/core/units/seeded';
import { captioned, type Fact, type LabelledWalk, type WrittenWalk } from './walk-file';

/** Phrases by themselves, shuffled into walks that go nowhere: they teach what is said, not where. */
export function phraseWalks(folder: string, seed = 7, many = 30): WrittenWalk[] {
  const random = seeded(seed);
  const utterances = readdirSync(folder)
    .sort()
    .flatMap((file) => {
      const kind = file.replace('.txt', '');
      return readFileSync(join(folder, file), 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => {
          if (kind === 'chatter') return { text: line, area: null };
          const [fields, text] = /^(?:progress|scope|gate|order)$/.test(kind)
            ? [line.slice(0, line.indexOf(':')), line.slice(line.indexOf(':') + 1).trim()]
            : ['', line];
          return { text, area: null, label: { kind: kind as (typeof DRAFT_KINDS)[number], also: [], fields } };
        });
    });
  for (let at = utterances.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [utterances[at], utterances[other]] = [utterances[other]!, utterances[at]!];
  }
  const walks: WrittenWalk[] = [];
  for (let at = 0; at < utterances.length; at += many)
    walks.push({ name: `phrases ${at}`, areas: [], bare: false, utterances: utterances.slice(at, at + many) });
  return walks;
}

/** Each walk as different recorders would caption it. */
export const variants = (walk: WrittenWalk, seed: number): LabelledWalk[] => [
  captioned(walk, { bare: false, pauses: seed % 3 > 0, seed }),
  captioned(walk, { bare: true, pauses: true, seed: seed + 1 }),
  captioned(walk, { bare: true, pauses: false, seed: seed + 2 }),
];

/** How far the teaching has come. */
type Said = (what: string) => void;

/** Everything the reader is taught, from these walks and from phrases. */
export function teachAll(
  walks: readonly LabelledWalk[],
  phrases: readonly LabelledWalk[],
  { calibrate = true, say = () => undefined }: { calibrate?: boolean; say?: Said } = {},
): Learnt {
  const all = [...walks, ...phrases];
  // A walk is cut by what was learnt from others: on its own it would be cut better than any to come.
  const names = [...new Set(all.map((walk) => walk.name))];
  const half = new Set(names.filter((_, at) => at % 2 === 0));
  const byOthers = [
    teachCut(all.filter((walk) => half.has(walk.name))),
    teachCut(all.filter((walk) => !half.has(walk.name))),
  ] as const;
  const cutFor = (walk: LabelledWalk): Layer => (half.has(walk.name) ? byOthers[1] : byOthers[0]);
  const none: Layer = { rows: new Rows(new Int32Array()), answers: 1, values: new Float32Array() };
  const learnt: Learnt = {
    cut: teachCut(all),
    place: { moves: teachMoves(walks, cutFor), setting: teachSetting(walks, cutFor) },
    stretch: teachStretches(all, cutFor),
    choices: teachChoices(all),
    sure: none,
  };
  say(`taught from ${names.length} walks`);
  return calibrate ? { ...learnt, sure: teachSure(walks, phrases, say) } : learnt;
}

/** How sure a draft is, learnt from walks read by what was learnt from others. */
function teachSure(walks: readonly LabelledWalk[], phrases: readonly LabelledWalk[], say: Said): Layer {
  const vocabulary = new Vocabulary();
  const examples: Example[] = [];
  const names = [...new Set(walks.map((walk) => walk.name))];
  for (const part of [0, 1]) {
    const kept = new Set(names.filter((_, at) => at % 2 === part));
    const learnt = teachAll(
      walks.filter((walk) => !kept.has(walk.name)),
      phrases,
      { calibrate: false, say },
    );
    for (const walk of walks.filter(({ name }) => kept.has(name))) {
      const thoughts = thoughtsIn(walk.words, walk.areas, learnt);
      const metric = speaksMetric(walk.words.map((word) => word.text));
      const right = new Set(
        pairs(
          walk,
          thoughts.map(({ kind, place, from, to }) => ({
            kind,
            area: place.area,
            ...secondsOf(walk.cues, walk.words, from, to),
          })),
        ).values(),
      );
      thoughts.forEach((thought, at) => {
        const fields = fieldsOf(thought.kind, walk.words.slice(thought.from, thought.to), learnt.choices, metric);
        examples.push({
          features: vocabulary.read((tell) => sureFeatures(thought, fields, tell)),
          answer: right.has(at) ? 1 : 0,
        });
      });
    }
  }
  return learnAnswer(vocabulary, examples, { rounds: 20, rate: 0.05, shrink: 1e-3, forget: 0, least: 5, most: 200 });
}

export const keepLearnt = ({ cut, place, stretch, choices, sure }: Learnt): KeptLearnt => ({
  cut: keepLayer(cut),
  moves: keepLayer(place.moves),
  setting: keepLayer(place.setting),
  kinds: keepLayer(stretch.kinds),
  flow: Array.from(stretch.flow, (value) => Math.round(value * 1000) / 1000),
  stance: keepLayer(choices.stance),
  problem: keepLayer(choices.problem),
  state: keepLayer(choices.state),
  by: keepLayer(choices.by),
  sure: keepLayer(sure),
});

export function teachCut(walks: readonly LabelledWalk[], options = {}): Layer {
  const vocabulary = new Vocabulary();
  const examples: Example[] = [];
  for (const { words, begins, areas } of walks) {
    const named = namedIn(mentionsIn(words, areas));
    const looked = lookAt(words);
    let from = 0;
    for (let at = 1; at < words.length; at++) {
      const answer = begins[at];
      if (answer !== undefined)
        examples.push({ features: vocabulary.read((tell) => cutFeatures(looked, named, at, at - from, tell)), answer });
      if (answer === 1) from = at;
    }
  }
  return learnAnswer(vocabulary, examples, {
    rounds: 14,
    shrink: 3e-4,
    forget: 0.3,
    least: 3,
    most: 16_000,
    ...options,
  });
}

export function teachMoves(walks: readonly LabelledWalk[], cutFor: (walk: LabelledWalk) => Layer, options = {}): Layer {
  const vocabulary = new Vocabulary();
  const examples: Example[] = [];
  for (const walk of walks) {
    if (walk.areas.length === 0) continue;
    const mentions = mentionsIn(walk.words, walk.areas);
    const looked = lookAt(walk.words);
    const cuts = cutsOf(looked, namedIn(mentions), cutFor(walk));
    let here: number | null | undefined;
    let came = 0;
    const seen = new Set<number | null>();
    for (const mention of mentions) {
      const after = nextKnown(walk.places, mention.to - 1);
      if (after === undefined) continue;
      const right = after === mention.area;
      if (mention.area !== here)
        examples.push({
          features: vocabulary.read((tell) =>
            mentionFeatures(sightOf(looked, mention, cuts), { area: here, seen, since: mention.from - came }, tell),
          ),
          answer: right ? 1 : 0,
        });
      if (!right || mention.area === here) continue;
      here = mention.area;
      came = mention.from;
      seen.add(here);
    }
  }
  return learnAnswer(vocabulary, examples, {
    rounds: 25,
    rate: 0.1,
    shrink: 1e-3,
    forget: 0.2,
    most: 2_000,
    ...options,
  });
}

/** What is said in kitchens, on roofs, in yards. */
export function teachSetting(walks: readonly LabelledWalk[], cutFor: (walk: LabelledWalk) => Layer): Layer {
  const vocabulary = new Vocabulary();
  const examples: { features: number[]; answer: number }[] = [];
  for (const walk of walks) {
    if (walk.areas.length === 0) continue;
    const looked = lookAt(walk.words);
    const cuts = cutsOf(looked, namedIn(mentionsIn(walk.words, walk.areas)), cutFor(walk));
    for (const { from, to } of clausesOf(cuts)) {
      const place = walk.places[to - 1];
      if (place === undefined) continue;
      const area = place === null ? undefined : walk.areas[place];
      const own = looked.looks.slice(from, to);
      examples.push({
        features: vocabulary.read((tell) => settingFeatures(own, tell)),
        answer: AREA_KINDS.indexOf(area ? areaKindOf(area) : 'whole'),
      });
    }
  }
  return learnOneOf(vocabulary, examples, AREA_KINDS.length, { even: true, most: 1_000 });
}

const nextKnown = (places: LabelledWalk['places'], at: number): number | null | undefined => {
  for (let on = at; on < places.length; on++) if (places[on] !== undefined) return places[on];
  return undefined;
};

/** The right stretches: each fact, and between them chatter, cut where sentences begin. */
function rightIn(walk: LabelledWalk, likely: readonly number[]): { from: number; to: number; kind: number }[] {
  const right: { from: number; to: number; kind: number }[] = [];
  let at = 0;
  const chatter = (to: number): void => {
    for (let end = at + 1; end <= to; end++) {
      const cut =
        end === to ||
        walk.begins[end] === 1 ||
        (walk.begins[end] === undefined && likely.includes(end)) ||
        end - at >= 30;
      if (!cut) continue;
      right.push({ from: at, to: end, kind: 0 });
      at = end;
    }
  };
  for (const fact of [...walk.facts].sort((a, b) => a.from - b.from)) {
    if (fact.from < at) continue;
    chatter(fact.from);
    // What is longer than one thing may be is cut at its sentences.
    let from = at;
    for (let end = from + 1; end <= fact.to; end++)
      if (end === fact.to || (end - from >= 40 && walk.begins[end] === 1)) {
        right.push({ from, to: end, kind: DRAFT_KINDS.indexOf(fact.kind) + 1 });
        from = end;
      }
    at = fact.to;
  }
  chatter(walk.words.length);
  return right;
}

const styleIn = (walk: LabelledWalk): WalkStyle =>
  walk.areas.length === 0 ? 'unknown' : styleOf(walk.facts.map(({ kind }) => kind));

export function teachStretches(
  walks: readonly LabelledWalk[],
  cutFor: (walk: LabelledWalk) => Layer,
  options = {},
): StretchLayer {
  const vocabulary = new Vocabulary();
  const rows: Row[] = walks.flatMap((walk, index) => {
    const { heard } = hear(walk.words, walk.areas, cutFor(walk));
    const right = rightIn(walk, placesToCut(heard.cuts, 0));
    const at = [...new Set([...placesToCut(heard.cuts), ...right.map(({ to }) => to)])].sort((a, b) => a - b);
    const placeOf = new Map(at.map((word, place) => [word, place]));
    // A fact may be passed over by too many cuts to be one stretch: the walk teaches without it.
    const known = right.map((one) => ({ ...one, from: placeOf.get(one.from)!, to: placeOf.get(one.to)! }));
    if (known.some((one) => firstFrom(at, one.to) > one.from)) {
      const thin = new Set(
        right.flatMap(({ from, to }) =>
          placeOf.get(to)! - placeOf.get(from)! > 8
            ? at.filter((word) => word > from && word < to && heard.cuts[word]! < 0)
            : [],
        ),
      );
      const fewer = at.filter((word) => !thin.has(word));
      at.splice(0, at.length, ...fewer);
      placeOf.clear();
      at.forEach((word, place) => placeOf.set(word, place));
      known.splice(
        0,
        known.length,
        ...right.map((one) => ({ ...one, from: placeOf.get(one.from)!, to: placeOf.get(one.to)! })),
      );
      if (known.some((one) => firstFrom(at, one.to) > one.from)) return [];
    }
    const style = index % 3 === 2 ? 'unknown' : styleIn(walk);
    const words: number[][][] = Array.from({ length: FARTHEST }, () => walk.words.map(() => []));
    walk.words.forEach((_, word) => {
      const byReach: number[][] = Array.from({ length: FARTHEST }, () => []);
      wordFeatures(heard, word, (reach, feature) => byReach[reach - 1]!.push(feature));
      byReach.forEach((features, reach) => (words[reach]![word] = vocabulary.read((tell) => features.forEach(tell))));
    });
    const stretches = new Map<number, number[]>();
    const stretch = (from: number, to: number): number[] => {
      const key = from * at.length + to;
      let features = stretches.get(key);
      if (!features)
        stretches.set(
          key,
          (features = vocabulary.find((tell) => stretchFeatures(heard, at[from]!, at[to]!, style, tell))),
        );
      return features;
    };
    for (const one of known) vocabulary.read((tell) => stretchFeatures(heard, at[one.from]!, at[one.to]!, style, tell));
    return [
      {
        size: walk.words.length,
        at,
        words,
        starts: at.map((place) =>
          place < walk.words.length ? vocabulary.read((tell) => startFeatures(heard, place, tell)) : [],
        ),
        ends: at.map((place) => (place > 0 ? vocabulary.read((tell) => endFeatures(heard, place, tell)) : [])),
        stretch,
        right: known,
      },
    ];
  });
  return learnStretches(vocabulary, rows, options);
}

/** What a label says of one of the few, if it does. */
function choiceOf(field: Choice, fact: Fact): number {
  const said = fact.fields.split(/[ ,]+/);
  const at = CHOICES[field].findIndex((value) => said.includes(value));
  const kind = { stance: 'scope', problem: 'order', state: 'gate', by: 'decision' }[field];
  return fact.kind !== kind ? -1 : field === 'problem' ? Math.max(0, at) : at;
}

export function teachChoices(walks: readonly LabelledWalk[]): ChoiceLayers {
  const teach = (field: Choice): Layer => {
    const vocabulary = new Vocabulary();
    const examples = walks.flatMap((walk) =>
      walk.facts.flatMap((fact) => {
        const answer = choiceOf(field, fact);
        const texts = walk.words.slice(fact.from, fact.to).map((word) => word.text);
        return answer === -1 ? [] : [{ features: vocabulary.read((tell) => choiceFeatures(texts, tell)), answer }];
      }),
    );
    return learnOneOf(vocabulary, examples, CHOICES[field].length, { rounds: 20, least: 3, shrink: 5e-4, most: 700 });
  };
  return { stance: teach('stance'), problem: teach('problem'), state: teach('state'), by: teach('by') };
}
