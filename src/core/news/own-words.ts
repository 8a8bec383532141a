import type { Day } from '../units/day';
import type { Draft, DraftLine, NamedDay } from './news';
import { saysDay } from './said-days';

/** What somebody wrote by hand in a draft: in place of a line, or as a line of their own; empty to leave a line out. */
export interface OwnWords {
  /** The key of the line it stands for; `own:…` of a line of their own. */
  line: string;
  words: string;
  /** What the line said when they wrote; empty for a line of their own. */
  was: string;
  written: Day;
  /** Days that their words named, by what they were the days of. */
  days: readonly NamedDay[];
}

/** A line as it would go out. */
export interface ShownLine {
  key: string;
  /** What goes out; empty where it was left out. */
  text: string;
  state: 'composed' | 'written' | 'left out';
  /** What it says by itself; empty where there is no such line any more, or never was. */
  composed: string;
  /** The day on which somebody wrote here; null where nobody did. */
  written: Day | null;
  /** What has changed under somebody's words since they wrote them: to be settled before it goes out. */
  changed: { was: string; now: string } | null;
  /** Days that their words still name and that are others now: to be settled too. */
  moved: MovedDay[];
}

/** A day of a name that is another now. */
export interface MovedDay {
  what: string;
  from: Day;
  to: Day | null;
}

export interface ShownPart {
  key: string;
  heading: string;
  lines: ShownLine[];
}

const OWN = 'own:';
export const isOwnLine = (key: string): boolean => key.startsWith(OWN);

/**
 * A draft with what somebody wrote in it. Nothing of theirs is rewritten: what no longer fits it is said beside it.
 * @param days what days are called now
 */
export function withOwnWords(draft: Draft, own: readonly OwnWords[], days: readonly NamedDay[]): ShownPart[] {
  const now = new Map(days.map((named) => [named.key, named.day]));
  const byLine = new Map(own.map((words) => [words.line, words]));
  const parts = draft.parts.map(({ key, heading, lines }) => ({
    ...{ key, heading },
    lines: lines.map((line) => shownLine(line, byLine.get(line.key), now)),
  }));
  const known = new Set(draft.parts.flatMap(({ lines }) => lines.map(({ key }) => key)));
  // What they wrote of something that is no longer spoken of stays until they say what becomes of it.
  const alone = own.filter(({ line, words }) => !known.has(line) && (isOwnLine(line) || words !== ''));
  if (alone.length === 0) return parts;
  const theirs = {
    ...{ key: 'own', heading: '' },
    lines: alone.map((words) => shownLine({ key: words.line, text: '' }, words, now)),
  };
  return [...parts.slice(0, 1), theirs, ...parts.slice(1)];
}

function shownLine(
  { key, text: composed }: DraftLine,
  own: OwnWords | undefined,
  now: ReadonlyMap<string, Day>,
): ShownLine {
  if (!own) return { key, text: composed, state: 'composed', composed, written: null, changed: null, moved: [] };
  const { written } = own;
  const changed = composed === own.was ? null : { was: own.was, now: composed };
  if (own.words === '') return { key, text: '', state: 'left out', composed, written, changed, moved: [] };
  return { key, text: own.words, state: 'written', composed, written, changed, moved: movedDays(own, now) };
}

const movedDays = ({ words, days, written }: OwnWords, now: ReadonlyMap<string, Day>): MovedDay[] =>
  days.flatMap(({ key, what, day }) => {
    const to = now.get(key) ?? null;
    return to !== day && saysDay(words, day, written) ? [{ what, from: day, to }] : [];
  });

/** Words that say what a thing is: `Kitchen · cabinets` is spoken of as `the cabinets`. */
const tellingWords = (text: string): string[] =>
  (text.toLowerCase().match(/[\p{L}]{4,}/gu) ?? []).map((word) => word.replace(/(es|s)$/, ''));

/**
 * Days that a text names, of those that have a name: of what is spoken of in it too. On one day begins much that somebody
 * who writes of it has not in mind.
 */
export function daysNamed(text: string, days: readonly NamedDay[], today: Day): NamedDay[] {
  const said = new Set(tellingWords(text));
  return days.filter(({ key, what, day }) => {
    if (!saysDay(text, day, today)) return false;
    return key === 'end' || tellingWords(what).some((word) => said.has(word));
  });
}

/** Lines that somebody has to settle before it goes out. */
export const unsettled = (parts: readonly ShownPart[]): ShownLine[] =>
  parts.flatMap(({ lines }) => lines.filter(({ changed, moved }) => changed !== null || moved.length > 0));

/** As a paper says it, which nobody is asked before: words that are no longer sure give way to what is composed. */
export const onlyWhatIsSure = (parts: readonly ShownPart[]): ShownPart[] => {
  const open = new Set(unsettled(parts).map(({ key }) => key));
  return parts.map((part) => ({
    ...part,
    lines: part.lines.map((line) => (open.has(line.key) ? { ...line, text: line.composed } : line)),
  }));
};

/** The plain text of it: `- ` starts a point, an empty line parts paragraphs. */
export const draftText = (parts: readonly ShownPart[]): string =>
  parts
    .map(({ heading, lines }) => {
      const told = lines.map(({ text }) => text).filter((text) => text !== '');
      if (told.length === 0) return '';
      return heading === '' ? told.join(' ') : [heading, ...told.map((text) => `- ${text}`)].join('\n');
    })
    .filter((text) => text !== '')
    .join('\n\n');

/** What one text says and the other does not, line by line: what is no longer so, and what is new. */
export function textChanges(was: string, now: string): { gone: string[]; come: string[] } {
  const lines = (text: string): string[] =>
    text
      .split(/\n|(?<=[.!?]) (?=\p{Lu})/u)
      .map((line) => line.trim())
      .filter(Boolean);
  const [before, after] = [new Set(lines(was)), new Set(lines(now))];
  return {
    gone: [...before].filter((line) => !after.has(line)),
    come: [...after].filter((line) => !before.has(line)),
  };
}
