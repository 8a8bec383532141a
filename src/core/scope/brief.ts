import { TRADE_KEYS, TRADES, type Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';
import { capital } from '../words/letters';
import { findingText, siteChoiceText, type Finding } from './finding';
import { whoseThing } from './whose';

/** What somebody who works in an area reads of its scope, in the order in which it matters before the first tool is out. */
export const BRIEF_PARTS = {
  live: 'Stays live',
  out: 'Not included',
  leave: 'Leave on purpose',
  protect: 'Protect',
  refit: 'Take down and keep',
  work: 'To do',
  found: 'Found here',
} as const;
export type BriefPart = keyof typeof BRIEF_PARTS;
export const BRIEF_PART_KEYS = Object.keys(BRIEF_PARTS) as BriefPart[];

export interface BriefLine {
  id: string;
  /** What it is a line of. */
  of: 'scope' | 'finding' | 'extra';
  text: string;
  /** What it depends on, where it is kept, with what it is protected; empty where nothing was said. */
  note: string;
  /** Hash of its picture. */
  picture: string | null;
  /** Of what must not be touched: whose thing it is; null where nobody knows. */
  whose: Trade | null;
}

/** A choice that was left to whoever does the work. */
export interface SiteChoice {
  id: string;
  subject: string;
  options: string[];
  /** Empty while nobody has decided. */
  answer: string;
  by: string;
}

export interface Brief {
  parts: Record<BriefPart, BriefLine[]>;
  choices: SiteChoice[];
}

/** What a line of scope says. Quantities are in the unit they were written in. */
export interface ScopeWords {
  stance: Inclusion;
  verb: string;
  subject: string;
  quantity: number | null;
  unit: string | null;
}

/** A line of scope, as far as a brief tells it. */
export interface BriefScope extends ScopeWords {
  id: string;
  trade: Trade | null;
  dependsOn: string;
  place: string;
  kept: 'kept' | 'back' | 'gone';
}

export type BriefFinding = Finding & { picture: string | null; kept: 'kept' | 'back' | 'gone' };

/** What whoever tears out, cuts or digs must not touch; told by the trade whose thing it is. */
const SPARED: readonly BriefPart[] = ['live', 'leave', 'protect', 'refit'];
const isSpared = (part: BriefPart): boolean => SPARED.includes(part);

const PART_OF_STANCE: Record<Inclusion, BriefPart> = {
  in: 'work',
  conditional: 'work',
  out: 'out',
  protect: 'protect',
  'keep-live': 'live',
  refit: 'refit',
};

/** Prices are not a crew's business, and who asks whom for leave is the office's. */
const TOLD_OF_FINDINGS: Record<Finding['kind'], BriefPart | null> = {
  service: 'live',
  refit: 'refit',
  salvage: 'refit',
  damage: 'found',
  penetration: 'found',
  access: 'found',
  neighbour: 'found',
  boundary: 'found',
  animals: 'found',
  parking: 'found',
  approval: null,
  allowance: null,
  'site-choice': null,
};

/** What a line of scope is about, and how much of it. */
export const lineThing = ({ subject, quantity, unit }: ScopeWords): string =>
  `${subject}${quantity ? `, ${Math.round(quantity * 100) / 100} ${unit ?? ''}`.trimEnd() : ''}`;

/** A line of scope as it is read out: what happens to what, and how much of it. */
export const lineText = (line: ScopeWords): string =>
  // What is left out was written as work; a crew must not take it for an order.
  line.stance === 'out' && line.verb === 'touch' ? lineThing(line) : `${line.verb} ${lineThing(line)}`;

/** Two subjects that name one thing. */
export const isSameThing = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase();

function noteOf(line: BriefScope): string {
  const { stance, dependsOn, place, kept } = line;
  return [
    dependsOn ? `depends on ${dependsOn}` : '',
    place ? (stance === 'protect' ? `with ${place}` : `kept ${place}`) : '',
    kept === 'back' ? (stance === 'protect' ? 'taken off' : 'back in place') : kept === 'gone' ? 'gone' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** A line of scope as a brief tells it, and where. */
export function scopeInBrief(scope: BriefScope): { part: BriefPart; line: BriefLine } {
  const part = PART_OF_STANCE[scope.stance];
  const whose = isSpared(part) ? whoseThing(scope.subject) : null;
  return {
    part,
    line: { id: scope.id, of: 'scope', text: lineText(scope), note: noteOf(scope), picture: null, whose },
  };
}

/** A finding as a brief tells it, and where; in no part where it is the office’s alone. */
export function findingInBrief(finding: BriefFinding): { part: BriefPart | null; line: BriefLine } {
  const { id, kind, subject, kept, picture } = finding;
  const part = TOLD_OF_FINDINGS[kind];
  const note = kept === 'back' ? 'back in place' : kept === 'gone' ? 'gone' : '';
  const whose = part && isSpared(part) ? (finding.trade ?? whoseThing(subject)) : null;
  return { part, line: { id, of: 'finding', text: findingText(finding), note, picture, whose } };
}

/**
 * The brief of one area.
 * @param trade whose work it tells; what is not included, stays live, is protected or found concerns everybody there
 */
export function briefOf(lines: readonly BriefScope[], findings: readonly BriefFinding[], trade?: Trade): Brief {
  const parts: Brief['parts'] = { live: [], out: [], leave: [], protect: [], refit: [], work: [], found: [] };
  for (const line of lines) {
    const part = PART_OF_STANCE[line.stance];
    if (part === 'work' && trade && line.trade && line.trade !== trade) continue;
    // What is taken down and was also found is told with what the finding knows of it.
    if (
      part === 'refit' &&
      findings.some(({ kind, subject }) => kind === 'refit' && isSameThing(subject, line.subject))
    )
      continue;
    parts[part].push(scopeInBrief(line).line);
  }
  for (const finding of findings) {
    const { part, line } = findingInBrief(finding);
    if (part) parts[part].push(line);
  }
  for (const part of SPARED) parts[part] = byTrade(parts[part]);
  return {
    parts,
    choices: findings
      .filter(({ kind }) => kind === 'site-choice')
      .map(({ id, subject, options, answer, answeredBy }) => ({ id, subject, options, answer, by: answeredBy })),
  };
}

/** Lines of one trade stand together, in the order of trades; those of which nobody knows whose they are come last. */
export const byTrade = (lines: readonly BriefLine[]): BriefLine[] => {
  const place = ({ whose }: BriefLine): number => (whose ? TRADE_KEYS.indexOf(whose) : TRADE_KEYS.length);
  return [...lines].sort((a, b) => place(a) - place(b));
};

/** A line with whose thing it is in front, where that is told: `Plumbing · the stack: stays live`. */
export const briefText = ({ text, whose }: BriefLine): string => (whose ? `${TRADES[whose]} · ${text}` : capital(text));

/** Whether there is anything to say. */
export const isEmptyBrief = ({ parts, choices }: Brief): boolean =>
  choices.length === 0 && BRIEF_PART_KEYS.every((part) => parts[part].length === 0);

/** A choice as one line, decided or not. */
export const choiceText = ({ subject, options, answer, by }: SiteChoice): string =>
  siteChoiceText({ subject, options, answer, answeredBy: by });

/** What must not be missed while a brief is folded: “2 stay live · 1 to decide”; empty where there is nothing. */
export function briefWarning({ parts, choices }: Brief): string {
  const [live, open] = [parts.live.length, choices.filter(({ answer }) => answer === '').length];
  return [live > 0 ? `${live} ${live === 1 ? 'stays' : 'stay'} live` : '', open > 0 ? `${open} to decide` : '']
    .filter(Boolean)
    .join(' · ');
}
