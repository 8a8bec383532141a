import { aliasesOf, AREA_KINDS, areaKindOf, type Alias, type NamedArea } from './area-aliases';
import type { Clause, Named } from './clauses';
import { numberOf, once, put, slotsOf, tellAll, type Show } from './features';
import { BEYOND, type Look, type Looked } from './looked';
import { addSaid, scoresOf, type Layer } from './weights';
import type { Word } from './words';

/** An area named in what was said. */
export interface Mention {
  from: number;
  to: number;
  area: number | null;
  called: Alias['called'];
}

/** Every mention of an area, the longest name where several fit. */
export function mentionsIn(words: readonly Word[], areas: readonly NamedArea[]): Mention[] {
  const aliases = aliasesOf(areas);
  const mentions: Mention[] = [];
  for (let at = 0; at < words.length; at++) {
    const alias = aliases
      .get(words[at]?.text ?? '')
      ?.find(({ parts }) => parts.every((part, by) => words[at + by]?.text === part));
    if (!alias) continue;
    mentions.push({ from: at, to: at + alias.parts.length, area: alias.area, called: alias.called });
    at += alias.parts.length - 1;
  }
  return mentions;
}

/** Where areas are named, for cutting into clauses. */
export const namedIn = (mentions: readonly Mention[]): Named => ({
  begins: new Map(mentions.map((mention) => [mention.from, numberOf(mention.called)])),
  ended: new Map(mentions.map((mention) => [mention.to, numberOf(mention.called)])),
});

const DETERMINERS = new Set('the this that our their her his my your these those'.split(' '));
const MOTIONS = new Set(
  (
    'go going goes come coming walk walking head heading move moving step start starting pop run running now next then ' +
    'on let look looking quick over'
  ).split(' '),
);
const TOWARD = new Set('to into through down up out round over onto inside outside along'.split(' '));
const AGAIN = new Set(['back', 'again']);
const STATES = new Set("is 's are has have need needs want wants get gets".split(' '));

const cutOf = (score: number): number => (score < -2.5 ? 1 : score < -1 ? 2 : score < 0 ? 3 : score < 1.5 ? 4 : 5);
const STOPS = { '': 1, ',': 2, '.': 3 };

/** What is known of the walk so far where an area is named. */
export interface Path {
  /** Where the speaker is; undefined before any was named. */
  area: number | null | undefined;
  seen: ReadonlySet<number | null>;
  /** Words since the speaker came here. */
  since: number;
}

/** What is seen where an area is named: words before (b) and after (a) it, by what they are (w), their class (c), what they do (d). */
const SEEN = slotsOf(
  ...([
    'called',
    'the',
    'words',
    'own',
    'cut-b',
    'cut-a',
    'lead',
    'w-b1',
    'w-b2',
    'd-b1',
    'd-b2',
    'd-b3',
    'c-b1',
  ] as const),
  ...(['w-a1', 'd-a1', 'd-a2', 'c-a1', 'stop-a', 'stop-b', 'since', 'toward'] as const),
);
const NAMED = put(
  'named',
  SEEN,
  ...['', 'called', 'called the', 'words', 'own', 'the', 'cut-b cut-a', 'cut-b cut-a the', 'cut-b cut-a called'],
  ...['cut-b the', 'cut-a', 'cut-a d-a1', 'lead cut-a', 'lead the', 'w-b1', 'w-b1 the', 'w-b1 cut-b', 'w-b2 w-b1'],
  ...[
    'd-b1 the',
    'd-b2 d-b1',
    'd-b3 d-b2 d-b1',
    'w-a1',
    'w-a1 the',
    'd-a1',
    'd-a1 the called',
    'd-a1 d-a2',
    'c-a1 the',
  ],
  ...['d-b1 d-a1', 'd-b1 the d-a1', 'c-b1 own c-a1', 'stop-a stop-b'],
);
const PAUSE = numberOf('named after a pause');
const MOTION = numberOf('named after a motion');
const TOWARDS = put('named', SEEN, 'toward');
const BACK = numberOf('named after back or again');
const AFTER_STATE = put('named after a state', SEEN, 'the');
const NOWHERE = numberOf('nowhere yet');
const HERE = put('here', SEEN, 'since');
const OLD = put('been there', SEEN, '', 'cut-b cut-a', 'd-b1');
const NEW = put('not been there', SEEN, 'called', 'cut-b cut-a the');

/** Where an area is named, looked at once for all the ways on which the speaker may have come there. */
export interface Sight {
  area: number | null;
  seen: Int32Array;
  /** Features that hang on nothing but the words. */
  own: readonly number[];
}

/** Looks at an area named. */
export function sightOf({ words, texts, looks }: Looked, mention: Mention, cuts: Float64Array): Sight {
  const look = (at: number): Look => looks[at] ?? BEYOND;
  const cut = (at: number): number => (at <= 0 || at >= words.length ? 5 : cutOf(cuts[at] ?? 0));
  const { from, to } = mention;
  const determined = DETERMINERS.has(texts[from - 1] ?? '');
  const start = determined ? from - 1 : from;
  let clause = start;
  while (clause > 0 && start - clause < 8 && (cuts[clause] ?? 0) < 0) clause -= 1;
  const seen = new Int32Array(Object.keys(SEEN).length);
  seen[SEEN.called] = numberOf(mention.called);
  seen[SEEN.the] = !determined ? 0 : /^(?:the|this)$/.test(texts[from - 1] ?? '') ? look(from - 1).text : 1;
  seen[SEEN.words] = to - from;
  seen[SEEN.own] = look(to - 1).class;
  seen[SEEN['cut-b']] = cut(start);
  seen[SEEN['cut-a']] = cut(to);
  seen[SEEN.lead] = Math.min(start - clause, 4);
  seen[SEEN['w-b1']] = look(start - 1).text;
  seen[SEEN['w-b2']] = look(start - 2).text;
  seen[SEEN['d-b1']] = look(start - 1).does;
  seen[SEEN['d-b2']] = look(start - 2).does;
  seen[SEEN['d-b3']] = look(start - 3).does;
  seen[SEEN['c-b1']] = look(start - 1).class;
  seen[SEEN['w-a1']] = look(to).text;
  seen[SEEN['d-a1']] = look(to).does;
  seen[SEEN['d-a2']] = look(to + 1).does;
  seen[SEEN['c-a1']] = look(to).class;
  seen[SEEN['stop-a']] = STOPS[words[to - 1]?.stop ?? ''];
  seen[SEEN['stop-b']] = STOPS[start === 0 ? '.' : (words[start - 1]?.stop ?? '')];
  const own: number[] = [];
  const tell: Show = (feature) => void own.push(feature);
  tellAll(NAMED, seen, tell);
  if ((words[start]?.gap ?? 0) > 0.3) tell(PAUSE);
  let state = false;
  for (let at = clause; at < start; at++) {
    const word = texts[at] ?? '';
    if (MOTIONS.has(word)) tell(MOTION);
    if (AGAIN.has(word)) tell(BACK);
    if (STATES.has(word)) state = true;
    if (!TOWARD.has(word)) continue;
    seen[SEEN.toward] = start - at;
    tellAll(TOWARDS, seen, tell);
  }
  if (state) tellAll(AFTER_STATE, seen, tell);
  return { area: mention.area, seen, own };
}

/** What speaks for the speaker being in, or going to, the area that he names: by its words, and by the way he came. */
export function mentionFeatures({ area, seen, own }: Sight, here: Path, tell: Show): void {
  for (const feature of own) tell(feature);
  wayFeatures({ area, seen }, here, tell);
}

function wayFeatures({ area, seen }: Omit<Sight, 'own'>, here: Path, tell: Show): void {
  seen[SEEN.since] = here.since < 8 ? 0 : here.since < 25 ? 1 : here.since < 60 ? 2 : here.since < 150 ? 3 : 4;
  if (here.area === undefined) tell(NOWHERE);
  else tellAll(HERE, seen, tell);
  tellAll(here.seen.has(area) ? OLD : NEW, seen, tell);
}

const SETTING_SEEN = slotsOf('s0', 'w0', 'w1', 'c0');
const SAID_THERE = put('setting', SETTING_SEEN, 's0', 'c0', 'w0 w1');
const ANYWHERE = numberOf('setting');

/** What a clause tells of where it is said: words that belong to a kitchen, a roof, a yard. */
export function settingFeatures(looks: readonly Look[], show: Show): void {
  const tell = once(show);
  tell(ANYWHERE);
  looks.forEach((look, at) => {
    tellAll(SAID_THERE, [look.stem, look.text, (looks[at + 1] ?? BEYOND).text, look.class], tell);
  });
}

/** Where the speaker is at each clause, and how sure that is. */
export interface Place {
  /** Index of an area; null for the job as a whole, or where nothing was named yet. */
  area: number | null;
  /** 0…1. */
  sure: number;
}

export interface PlaceLayers {
  /** Whether who names an area is there or goes there. */
  moves: Layer;
  /** What is said in what kind of area. */
  setting: Layer;
}

interface Way extends Path {
  score: number;
  /** That the speaker is where this way has him, by the names heard since. */
  sure: number;
  trail: Trail | undefined;
}
interface Trail {
  clause: number;
  area: number | null | undefined;
  sure: number;
  before: Trail | undefined;
}

/** So many ways through the job are kept in mind at once. */
const WAYS = 10;
/** What a clause's setting weighs beside a move: one word in the wrong room is no proof, ten are. */
const SETTING = 0.3;
/** No clause by itself says more than this. */
const MOST = 0.7;

const chance = (score: number): number => 1 / (1 + Math.exp(-score));
const logChance = (score: number): number => -Math.log1p(Math.exp(-score));

/**
 * Follows the speaker through the job. Each name of an area may be a move or not; the ways that fit best what is said later
 * are kept, so that a move not heard clearly is found by what was said there.
 */
export function placesOf(
  heard: Looked & { cuts: Float64Array },
  clauses: readonly Clause[],
  mentions: readonly Mention[],
  areas: readonly NamedArea[],
  layers: PlaceLayers,
  from?: number | null,
): Place[] {
  const kinds = areas.map((area) => AREA_KINDS.indexOf(areaKindOf(area)));
  const whole = AREA_KINDS.indexOf('whole');
  let ways: Way[] = [
    { area: from, seen: new Set(from === undefined ? [] : [from]), since: 0, score: 0, sure: 1, trail: undefined },
  ];
  let next = 0;
  clauses.forEach((clause, index) => {
    for (; (mentions[next]?.from ?? Infinity) < clause.to; next++) {
      const mention = mentions[next];
      if (mention) ways = onward(ways, sightOf(heard, mention, heard.cuts), layers.moves);
    }
    const fits = fitsOf(heard.looks.slice(clause.from, clause.to), layers.setting);
    ways = ways.map((way) => {
      const kind = way.area === undefined || way.area === null ? whole : (kinds[way.area] ?? whole);
      return {
        ...way,
        since: way.since + clause.to - clause.from,
        score: way.score + SETTING * Math.max(-MOST, Math.min(MOST, fits[kind] ?? 0)),
        trail: { clause: index, area: way.area, sure: way.sure, before: way.trail },
      };
    });
  });
  return settled(ways, clauses.length);
}

/** Each way goes on to the area that is named, or stays where it was. */
function onward(ways: readonly Way[], sight: Sight, moves: Layer): Way[] {
  const { area } = sight;
  const sums = new Float64Array(1);
  for (const feature of sight.own) addSaid(moves, feature, sums, 0);
  const [byWords = 0] = sums;
  return bestWays(
    ways.flatMap((way) => {
      if (way.area === area) return [way];
      sums[0] = byWords;
      wayFeatures(sight, way, (feature) => addSaid(moves, feature, sums, 0));
      const [score = 0] = sums;
      const seen = way.seen.has(area) ? way.seen : new Set([...way.seen, area]);
      return [
        { ...way, score: way.score + logChance(-score), sure: Math.min(way.sure, 1 - chance(score)) },
        { area, seen, since: 0, score: way.score + logChance(score), sure: chance(score), trail: way.trail },
      ];
    }),
  );
}

/** How well a clause fits each kind of area; the logarithm of a chance. */
function fitsOf(looks: readonly Look[], setting: Layer): Float64Array {
  const sums = scoresOf(setting, (tell) => settingFeatures(looks, tell));
  const most = Math.max(...sums);
  const all = most + Math.log(sums.reduce((so, value) => so + Math.exp(value - most), 0));
  return sums.map((sum) => sum - all);
}

/** The best ways, one for each place they have come to. */
function bestWays(ways: readonly Way[]): Way[] {
  const kept: Way[] = [];
  for (const way of [...ways].sort((a, b) => b.score - a.score)) {
    if (kept.length >= WAYS) break;
    if (!kept.some((other) => other.area === way.area && other.trail?.area === way.trail?.area)) kept.push(way);
  }
  return kept;
}

/** What most of the ways that are left say of each clause. */
function settled(ways: readonly Way[], clauses: number): Place[] {
  const best = Math.max(...ways.map((way) => way.score));
  const places: Place[] = Array.from({ length: clauses }, () => ({ area: null, sure: 0 }));
  let all = 0;
  const [top] = [...ways].sort((a, b) => b.score - a.score);
  const byClause = new Array<number | null | undefined>(clauses);
  const sure = new Float64Array(clauses);
  for (let step = top?.trail; step; step = step.before) {
    byClause[step.clause] = step.area;
    sure[step.clause] = step.sure;
  }
  for (const way of ways) {
    const share = Math.exp(way.score - best);
    all += share;
    for (let step = way.trail; step; step = step.before) {
      const place = places[step.clause];
      if (place && byClause[step.clause] === step.area) place.sure += share;
    }
  }
  return places.map((place, clause) => ({
    area: byClause[clause] ?? null,
    sure: (place.sure / all) * (sure[clause] ?? 0),
  }));
}
