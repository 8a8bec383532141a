import type { Phase } from '../sequence/phases';
import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';

export const DRAFT_KINDS = [
  'progress',
  'remaining',
  'scope',
  'measurement',
  'selection',
  'order',
  'assumption',
  'surprise',
  'caution',
  'decision',
  'gate',
  'household',
] as const;
export type DraftKind = (typeof DRAFT_KINDS)[number];

/** What a sentence or a short line says. */
export interface Reading {
  kind: DraftKind;
  /** What it is about, in the speaker's words. */
  subject: string;
  phase?: Phase;
  /** 0…1. */
  /** Of what somebody has to look at: who passed it. */
  passedBy?: string;
  fraction?: number;
  trade?: Trade;
  quantity?: number;
  unit?: string;
  stance?: Inclusion;
  /** A size in `unit`, and in millimetres. */
  value?: number;
  value2?: number;
  mm?: number;
  mm2?: number;
  choice?: string;
  days?: number;
  problem?: 'late' | 'missing' | 'wrong' | 'damaged';
  fallback?: string;
  by?: 'client' | 'us' | 'engineer';
  state?: 'booked' | 'passed' | 'failed' | 'waiting';
}

/** From here on a draft is shown as sure; how many of those are right stands in docs/narration.md. */
export const SURE = 0.85;

/** What the reader proposes. It becomes a record only when somebody accepts it. */
export interface Draft extends Reading {
  /** Seconds of the captions that carry it. */
  start: number;
  end: number;
  /** The words it was read from, as they were said. */
  words: string;
  /** One of the job's areas by name; null for the job as a whole, or where nobody said. */
  area: string | null;
  /** 0…1: how likely it is right in its kind and place. */
  confidence: number;
  /** Where it was said is not clear: the area is only the likeliest. */
  unclear?: true;
}

/** So much of a draft's words is kept in its name. */
const NAMED = 150;
const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}']+/gu) ?? [];

/** Words that say nothing by themselves: what is left over of a line with these alone was no fact. */
const SMALL = new Set(
  (
    'okay ok so and then now well oh right alright the a an in on at to of here this that is it up down out back next into ' +
    'over i we you all guys'
  ).split(' '),
);
/**
 * A name for each draft of a narration: its kind and second, and its words. What was settled is known again by the words
 * (`isSettled`), so that a reader that hears better does not ask anew.
 */
export function draftKeys(drafts: readonly Draft[]): string[] {
  const seen = new Map<string, number>();
  return drafts.map((draft) => {
    const at = `${draft.kind}@${draft.start.toFixed(1)}`;
    const count = (seen.get(at) ?? 0) + 1;
    seen.set(at, count);
    return `${count === 1 ? at : `${at}#${count}`} ${wordsIn(draft.words).join(' ').slice(0, NAMED)}`.trim();
  });
}

const secondIn = (key: string): number => Number(/@([\d.]+)/.exec(key)?.[1] ?? 0);
/** The words that say something, each once: “the” in two drafts makes them no closer. */
const saidIn = (key: string): ReadonlySet<string> =>
  new Set(
    key
      .split(' ')
      .slice(1)
      .filter((word) => !SMALL.has(word)),
  );
/** The same words may be said twice on a walk, not within a minute. */
const NEAR = 60;
const SAME = 2;

/** Whether a draft was accepted or dropped before: by its name, or by most of its words said about then. */
export function isSettled(key: string, settled: readonly string[]): boolean {
  const own = saidIn(key);
  return settled.some((other) => {
    if (other === key || key.startsWith(`${other} `)) return true;
    const said = saidIn(other);
    const fewer = Math.min(own.size, said.size);
    // One word alone is known again only where it was said.
    const near = fewer < 2 ? SAME : NEAR;
    if (fewer === 0 || Math.abs(secondIn(key) - secondIn(other)) > near) return false;
    return [...own].filter((word) => said.has(word)).length >= 0.6 * fewer && own.size <= 3 * said.size;
  });
}

/** So many words that say something make a line worth a look. */
const SOME = 3;

/**
 * Lines in which something was said that no draft was read from: they are shown, so that nothing said is lost.
 * @param names what areas are called: a line that only names where one goes has its place
 */
export function unplaced<Line extends { start: number; end: number; text: string }>(
  lines: readonly Line[],
  drafts: readonly Draft[],
  names: readonly string[],
): Line[] {
  const known = new Set(names.flatMap(wordsIn));
  const read = isRead(lines, drafts);
  return lines.filter(
    ({ text }, at) => !read[at] && wordsIn(text).filter((word) => !SMALL.has(word) && !known.has(word)).length >= SOME,
  );
}

/**
 * The lines of a narration that hold words no draft was read from: what was said and has no place is looked at, not lost.
 * @returns for each line whether all of it stands in drafts of its seconds
 */
export function isRead(
  lines: readonly { start: number; end: number; text: string }[],
  drafts: readonly Draft[],
): boolean[] {
  return lines.map(({ start, end, text }) => {
    const said = new Set(
      drafts.flatMap((draft) => (draft.start <= end && draft.end >= start ? wordsIn(draft.words) : [])),
    );
    return wordsIn(text).every((word) => said.has(word));
  });
}
