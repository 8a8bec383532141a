import { aliasesOf, AREA_KINDS, areaKindOf, type Alias, type NamedArea } from './area-aliases';
import { classOf, doesOf, stemOf } from './word-classes';
import { scoresOf, type Layer, type Show } from './weights';
import type { Clause, Named } from './clauses';
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
  begins: new Map(mentions.map((mention) => [mention.from, mention.called])),
  ended: new Map(mentions.map((mention) => [mention.to, mention.called])),
});

const few = (count: number): string => (count > 3 ? '4' : String(count));
const DETERMINER = /^(?:the|this|that|our|their|her|his|my|your|these|those)$/;
const MOTION = new Set(
  (
    'go going goes come coming walk walking head heading move moving step start starting pop run running now next then ' +
    'on let look looking quick over'
  ).split(' '),
);
const TOWARD = /^(?:to|into|through|down|up|out|round|over|onto|inside|outside|along)$/;
const cutOf = (score: number): string =>
  score < -2.5 ? 'a' : score < -1 ? 'b' : score < 0 ? 'c' : score < 1.5 ? 'd' : 'e';

/** What is known of the walk so far where an area is named. */
interface Path {
  /** Where the speaker is; undefined before any was named. */
  area: number | null | undefined;
  seen: ReadonlySet<number | null>;
  /** Words since the speaker came here. */
  since: number;
}

/** What speaks for the speaker being in, or going to, the area that he names. */
export function mentionFeatures(
  words: readonly Word[],
  mention: Mention,
  cuts: Float64Array,
  here: Path,
  tell: Show,
): void {
  const text = (at: number): string => words[at]?.text ?? '#';
  const does = (at: number): string => (words[at] ? doesOf(text(at)) : '#');
  const kind = (at: number): string => (words[at] ? classOf(text(at)) : '#');
  const cut = (at: number): string => (at <= 0 || at >= words.length ? 'e' : cutOf(cuts[at] ?? 0));
  const { from, to, called } = mention;
  const determined = from > 0 && DETERMINER.test(text(from - 1));
  const start = determined ? from - 1 : from;
  const det = !determined ? '' : /^(?:the|this)$/.test(text(from - 1)) ? text(from - 1) : 'other';
  let clause = start;
  while (clause > 0 && start - clause < 8 && (cuts[clause] ?? 0) < 0) clause -= 1;
  const lead = start - clause;
  const own = kind(to - 1);
  const [before, after] = [cut(start), cut(to)];
  tell('bias');
  tell(`called:${called}`);
  tell(`called:${called}:${det}`);
  tell(`words:${to - from}`);
  tell(`own:${own}`);
  tell(`det:${det}`);
  tell(`cuts:${before}:${after}`);
  tell(`cuts:${before}:${after}:${det}`);
  tell(`cuts:${before}:${after}:${called}`);
  tell(`before:${before}:${det}`);
  tell(`after:${after}`);
  tell(`after:${after}:${does(to)}`);
  tell(`lead:${few(lead)}:${after}`);
  tell(`lead:${few(lead)}:${det}`);
  tell(`b1:${text(start - 1)}`);
  tell(`b1:${text(start - 1)}:${det}`);
  tell(`b1:${text(start - 1)}:${before}`);
  tell(`b2:${text(start - 2)}:${text(start - 1)}`);
  tell(`d1:${does(start - 1)}:${det}`);
  tell(`d2:${does(start - 2)}:${does(start - 1)}`);
  tell(`d3:${does(start - 3)}:${does(start - 2)}:${does(start - 1)}`);
  tell(`a1:${text(to)}`);
  tell(`a1:${text(to)}:${det}`);
  tell(`ad:${does(to)}`);
  tell(`ad:${does(to)}:${det}:${called}`);
  tell(`ad2:${does(to)}:${does(to + 1)}`);
  tell(`ak:${kind(to)}:${det}`);
  tell(`da:${does(start - 1)}:${does(to)}`);
  tell(`da:${does(start - 1)}:${det}:${does(to)}`);
  tell(`ka:${kind(start - 1)}:${own}:${kind(to)}`);
  tell(`stop:${words[to - 1]?.stop ?? ''}:${start === 0 ? '.' : (words[start - 1]?.stop ?? '')}`);
  if ((words[start]?.gap ?? 0) > 0.3) tell('pause');
  let verb = false;
  for (let at = clause; at < start; at++) {
    const word = text(at);
    if (MOTION.has(word)) tell('motion');
    if (TOWARD.test(word)) tell(`toward:${start - at}`);
    if (word === 'back' || word === 'again') tell('again');
    if (/^(?:is|'s|are|has|have|needs?|wants?|get|gets)$/.test(word)) verb = true;
  }
  if (verb) tell(`after verb:${det}`.replace(' ', '-'));
  if (here.area === undefined) tell('nowhere');
  else tell(`since:${here.since < 8 ? 0 : here.since < 25 ? 1 : here.since < 60 ? 2 : here.since < 150 ? 3 : 4}`);
  if (here.seen.has(mention.area)) {
    tell('seen');
    tell(`seen:${before}:${after}`);
    tell(`seen:${does(start - 1)}`);
  } else {
    tell(`new:${called}`);
    tell(`new:${before}:${after}:${det}`);
  }
}

/** What a clause tells of where it is said: words that belong to a kitchen, a roof, a yard. */
export function settingFeatures(texts: readonly string[], tell: Show): void {
  tell('bias');
  const seen = new Set<string>();
  texts.forEach((word, at) => {
    for (const feature of [`w:${stemOf(word)}`, `c:${classOf(word)}`, `ww:${word}:${texts[at + 1] ?? '#'}`])
      if (!seen.has(feature)) {
        seen.add(feature);
        tell(feature);
      }
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
  words: readonly Word[],
  clauses: readonly Clause[],
  mentions: readonly Mention[],
  cuts: Float64Array,
  areas: readonly NamedArea[],
  { moves, setting }: PlaceLayers,
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
      if (!mention) break;
      const more: Way[] = [];
      for (const way of ways) {
        if (way.area === mention.area) {
          more.push(way);
          continue;
        }
        const [score = 0] = scoresOf(moves, (tell) => mentionFeatures(words, mention, cuts, way, tell));
        more.push(
          { ...way, score: way.score + logChance(-score), sure: Math.min(way.sure, 1 - chance(score)) },
          {
            area: mention.area,
            seen: way.seen.has(mention.area) ? way.seen : new Set([...way.seen, mention.area]),
            since: 0,
            score: way.score + logChance(score),
            sure: chance(score),
            trail: way.trail,
          },
        );
      }
      ways = bestWays(more);
    }
    const own = words.slice(clause.from, clause.to).map((word) => word.text);
    const settings = scoresOf(setting, (tell) => settingFeatures(own, tell));
    const most = Math.max(...settings);
    const sum = most + Math.log(settings.reduce((all, value) => all + Math.exp(value - most), 0));
    ways = ways.map((way) => {
      const kind = way.area === undefined || way.area === null ? whole : (kinds[way.area] ?? whole);
      return {
        ...way,
        since: way.since + own.length,
        score: way.score + SETTING * Math.max(-MOST, Math.min(MOST, (settings[kind] ?? 0) - sum)),
        trail: { clause: index, area: way.area, sure: way.sure, before: way.trail },
      };
    });
  });
  return settled(ways, clauses.length);
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
