import type { NamedArea } from './area-aliases';
import { standpointIn, WHOLE_JOB, type Cue } from './captions';
import { clausesOf, cutsOf, placesToCut, type Clause } from './clauses';
import type { Draft, DraftKind } from './draft';
import { fieldsOf } from './draft-fields';
import { and, numberOf } from './features';
import { latticeOf } from './lattice';
import { learnt as shipped, type Learnt } from './learnt';
import { lookAt } from './looked';
import { numberAt, partAt } from './numbers';
import { mentionsIn, namedIn, placesOf, type Mention, type Place } from './places';
import { lengthAt, speaksMetric, unitsAmong } from './spoken-length';
import type { Heard, WalkStyle } from './stretch-features';
import { chancesOf, draftKind, likeliest, type Stretch } from './stretches';
import { sureOf } from './sure';
import type { Layer } from './weights';
import { wordsOf, type Word } from './words';

/** What was read is kept. One more wherever the same text comes to other drafts than before. */
export const READING_FORM = 3;

const MARKS = { length: numberOf('length'), number: numberOf('number'), by: numberOf('by'), part: numberOf('part') };
const NAMED = numberOf('area');

/** Lengths, parts of a whole and names of areas, marked at the word where they begin. */
function marksOf(texts: readonly string[], mentions: readonly Mention[], metric: boolean): Map<number, number[]> {
  const marks = new Map<number, number[]>();
  const mark = (at: number, what: number): void => void marks.set(at, [...(marks.get(at) ?? []), what]);
  for (let at = 0; at < texts.length; at++) {
    const length = lengthAt(texts, at, metric);
    if (length) {
      mark(at, length.sure ? MARKS.length : MARKS.number);
      if (/^(?:by|x|and)$/.test(texts[length.to] ?? '') && lengthAt(texts, length.to + 1, metric)) mark(at, MARKS.by);
      at = length.to - 1;
      continue;
    }
    const number = numberAt(texts, at);
    const part =
      partAt(texts, at) ?? (number && /^(?:percent|%|per)$/.test(texts[number.to] ?? '') ? number : undefined);
    if (!part) continue;
    mark(at, MARKS.part);
    at = part.to - 1;
  }
  for (const mention of mentions) mark(mention.from, and(NAMED, numberOf(mention.called)));
  return marks;
}

/** What is looked at before anything is decided. */
export function hear(
  words: readonly Word[],
  areas: readonly NamedArea[],
  cut: Layer,
  metric = speaksMetric(words.map((word) => word.text)),
): { heard: Heard; mentions: Mention[] } {
  const looked = lookAt(words);
  const mentions = mentionsIn(words, areas);
  const cuts = cutsOf(looked, namedIn(mentions), cut);
  return { heard: { ...looked, cuts, marks: marksOf(looked.texts, mentions, metric) }, mentions };
}

/** Whether a walk tells what is done or what is to be done. */
export function styleOf(kinds: readonly DraftKind[]): WalkStyle {
  const count = (kind: DraftKind): number => kinds.filter((one) => one === kind).length;
  if (kinds.length < 5) return 'unknown';
  return count('progress') + count('remaining') > count('scope') ? 'progress' : 'visit';
}

/** What is known of a walk when a part of it is read. */
interface Known {
  /** Where the speaker is: an area, null for the job as a whole, undefined before any was named. */
  here: number | null | undefined;
  style: WalkStyle;
  metric: boolean;
}

interface Part {
  thoughts: Thought[];
  clauses: readonly Clause[];
  places: readonly Place[];
  style: WalkStyle;
}

/** Something said, before it is a draft. */
export interface Thought {
  kind: DraftKind;
  from: number;
  to: number;
  place: Place;
  /** 0…1: how likely it is said just so. */
  chance: number;
}

function readPart(words: readonly Word[], areas: readonly NamedArea[], known: Known, learnt: Learnt): Part {
  const { heard, mentions } = hear(words, areas, learnt.cut, known.metric);
  const clauses = clausesOf(heard.cuts);
  const at = placesToCut(heard.cuts);
  const saying = ({ kind }: Stretch): boolean => kind > 0;
  const style =
    known.style === 'unknown'
      ? styleOf(
          likeliest(latticeOf(heard, at, learnt.stretch, 'unknown'))
            .filter(saying)
            .map(({ kind }) => draftKind(kind)),
        )
      : known.style;
  const lattice = latticeOf(heard, at, learnt.stretch, style);
  const stretches = likeliest(lattice).filter(saying);
  const chances = chancesOf(lattice);
  const places = placesOf(heard, clauses, mentions, areas, learnt.place, known.here);
  const index = new Map(at.map((word, place) => [word, place]));
  let clause = 0;
  const thoughts = stretches.map(({ kind, from, to }): Thought => {
    while ((clauses[clause]?.to ?? Infinity) < to) clause += 1;
    return {
      kind: draftKind(kind),
      from,
      to,
      place: places[clause] ?? { area: null, sure: 0 },
      chance: chances.of(index.get(from) ?? 0, index.get(to) ?? 0)[kind] ?? 0,
    };
  });
  return { thoughts, clauses, places, style };
}

/** So many words are read at once; a day of talking takes no more room than an hour. */
const PART = 1_200;
/** What is said last may yet go on: it is read again with what follows. */
const OPEN = 70;

/**
 * Reads a walk as it is told. What was said a while ago is settled and not read again, so that one more line costs the same
 * however long the walk is.
 */
export class Listener {
  private readonly settled: Draft[] = [];
  private open: Cue[] = [];
  private known: Pick<Known, 'here' | 'style'> = { here: undefined, style: 'unknown' };
  /** Units heard in what is settled: a bare number later is read by them. */
  private readonly units: string[] = [];
  /** What is open as it was read last; read anew once more was said. */
  private last: { words: Word[]; part: Part; metric: boolean } | undefined;

  constructor(
    private readonly areas: readonly NamedArea[],
    private readonly learnt: Learnt = shipped(),
    private readonly part = 110,
  ) {}

  /** From here on it is this area, or the job as a whole; what was said up to now stays where it was. */
  stand(area: number | null): void {
    this.settle(true);
    this.known = { ...this.known, here: area };
    this.last = undefined;
  }

  /** Where the speaker is, as far as was heard: an area by its name, null for the job as a whole. */
  here(): string | null | undefined {
    const last = this.read().part.places.at(-1);
    const area = last && (last.area !== null || this.known.here !== undefined) ? last.area : this.known.here;
    return area === undefined || area === null ? area : this.areas[area]?.name;
  }

  /** `[Kitchen]` by itself is no word: it says from here on it is the kitchen; `[whole job]` the job as a whole. */
  hear(...cues: readonly Cue[]): void {
    for (const cue of cues) {
      const named = standpointIn(cue.text);
      const area = named === undefined ? -1 : this.areas.findIndex(({ name }) => name.toLowerCase() === named);
      if (named === WHOLE_JOB || area !== -1) {
        this.stand(named === WHOLE_JOB ? null : area);
        continue;
      }
      this.open.push(cue);
      this.last = undefined;
      if (this.size() >= this.part) this.settle(false);
    }
  }

  /** Every draft so far, in the order it was said. */
  drafts(): Draft[] {
    return [...this.settled, ...this.read().part.thoughts.map((thought) => this.draftOf(thought))];
  }

  private size(): number {
    return this.open.reduce((sum, cue) => sum + cue.text.length / 5, 0);
  }

  private read(): { words: Word[]; part: Part; metric: boolean } {
    if (this.last) return this.last;
    const words = wordsOf(this.open);
    const metric = speaksMetric([...this.units, ...words.map((word) => word.text)]);
    this.last = { words, metric, part: readPart(words, this.areas, { ...this.known, metric }, this.learnt) };
    return this.last;
  }

  private settle(all: boolean): void {
    const {
      words,
      part: { thoughts, clauses, places, style },
    } = this.read();
    if (words.length === 0) return;
    // Up to the last clause that surely does not go on.
    const last = all ? words.length : this.whole(words, clauses, thoughts);
    if (last === 0) return;
    for (const thought of thoughts) if (thought.to <= last) this.settled.push(this.draftOf(thought));
    const clause = clauses.findLastIndex(({ to }) => to <= last);
    const place = places[clause];
    if (place && (place.sure > 0 || place.area !== null)) this.known.here = place.area;
    this.units.push(...unitsAmong(words.slice(0, last).map((word) => word.text)));
    if (thoughts.length >= 8) this.known.style = style;
    this.last = undefined;
    const cue = words[last]?.cue;
    if (cue === undefined) this.open = [];
    else {
      const skipped = words.slice(0, last).filter((word) => word.cue === cue && word.said !== '').length;
      const text = (this.open[cue]?.text ?? '').split(/\s+/).filter(Boolean).slice(skipped).join(' ');
      this.open = this.open.slice(cue).map((rest, at) => (at === 0 ? { ...rest, text } : rest));
    }
  }

  private whole(words: readonly Word[], clauses: readonly Clause[], thoughts: readonly Thought[]): number {
    const within = (at: number): boolean => thoughts.some(({ from, to }) => from < at && at < to);
    const end = clauses.findLast(({ to }) => to <= words.length - OPEN && !within(to));
    // What never comes to an end is cut all the same.
    return end?.to ?? Math.max(0, words.length - OPEN);
  }

  private draftOf(thought: Thought): Draft {
    const { words, metric } = this.read();
    const own = words.slice(thought.from, thought.to);
    const first = this.open[own[0]?.cue ?? 0];
    const last = this.open[own.at(-1)?.cue ?? 0];
    const { area } = thought.place;
    const fields = fieldsOf(thought.kind, own, this.learnt.choices, metric);
    return {
      start: first?.start ?? 0,
      end: Math.max(last?.end ?? 0, first?.end ?? 0),
      words: own
        .map((word) => word.said)
        .filter(Boolean)
        .join(' '),
      kind: thought.kind,
      area: area === null ? null : (this.areas[area]?.name ?? null),
      ...sureOf(thought, fields, this.learnt.sure),
      ...fields,
    };
  }
}

/** Everything said in a short walk, before it is drafts: what the reader is taught from. */
export function thoughtsIn(words: readonly Word[], areas: readonly NamedArea[], learnt: Learnt): Thought[] {
  const metric = speaksMetric(words.map((word) => word.text));
  return readPart(words, areas, { here: undefined, style: 'unknown', metric }, learnt).thoughts;
}

/**
 * Reads a narrated walk: what was learnt from labelled walks and the word lists of the trade, the same text always gives the
 * same drafts. Cut into what says one thing, each thing by its kind, followed through the rooms, its fields read from its words.
 * @param areas of the job, in any order, with what they are also called
 */
export function readNarration(cues: readonly Cue[], areas: readonly NamedArea[], learnt: Learnt = shipped()): Draft[] {
  const listener = new Listener(areas, learnt, PART);
  listener.hear(...cues);
  return listener.drafts();
}
