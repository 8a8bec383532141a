import type { Day } from '../units/day';
import type { Inclusion } from '../sites/area';

/**
 * What a client agrees to, frozen as it was on its day: plain lines under headings, each with a key that stays the same
 * from version to version, so that a later one can say what changed. Screens, paper, CSV and the difference read
 * nothing else.
 */
export interface Statement {
  job: { name: string; address: string; client: string };
  firm: string;
  day: Day;
  areas: { id: string; name: string; place: string; lines: StatementLine[] }[];
  /** What depends on what is found, each with what happens if it is found otherwise. */
  depends: StatementLine[];
  allowances: StatementLine[];
  selections: StatementLine[];
  household: StatementLine[];
  ground: StatementLine[];
  siteChoices: StatementLine[];
  changes: StatementLine[];
  dates: StatementLine[];
}

export interface StatementLine {
  key: string;
  text: string;
  note?: string;
  stance?: Inclusion;
  /** Minor units. */
  amount?: number;
}

export const STATEMENT_PARTS = {
  depends: 'What depends on what is found',
  allowances: 'What is allowed for',
  selections: 'What is to be chosen and ordered',
  household: 'What it means for the household',
  ground: 'Access, neighbours and approvals',
  siteChoices: 'What is decided on site',
  changes: 'Changes agreed since',
  dates: 'When',
} as const;
export type StatementPart = keyof typeof STATEMENT_PARTS;
export const STATEMENT_PART_KEYS = Object.keys(STATEMENT_PARTS) as StatementPart[];

/**
 * Lines of one area side by side: what is in, and what is not; whatever has terms of its own stands with what is in.
 */
export const sidesOf = (lines: readonly StatementLine[]): { into: StatementLine[]; out: StatementLine[] } => ({
  into: lines.filter((line) => line.stance !== 'out'),
  out: lines.filter((line) => line.stance === 'out'),
});

interface Placed extends StatementLine {
  where: string;
}

/** Every line with the heading it stands under, in reading order. */
export function linesOf(statement: Statement): Placed[] {
  return [
    ...statement.areas.flatMap((area) => area.lines.map((line) => ({ ...line, where: area.name }))),
    ...STATEMENT_PART_KEYS.flatMap((part) =>
      statement[part].map((line) => ({ ...line, where: STATEMENT_PARTS[part] })),
    ),
  ];
}

export interface StatementDiff {
  added: Placed[];
  removed: Placed[];
  changed: { from: Placed; to: Placed }[];
}

const same = (a: StatementLine, b: StatementLine): boolean =>
  a.text === b.text && (a.note ?? '') === (b.note ?? '') && a.stance === b.stance && a.amount === b.amount;

/** What a later version says otherwise than an earlier one; lines are the same by their key, wherever they stand. */
export function statementDiff(before: Statement, after: Statement): StatementDiff {
  const was = new Map(linesOf(before).map((line) => [line.key, line]));
  const is = new Map(linesOf(after).map((line) => [line.key, line]));
  return {
    added: [...is.values()].filter((line) => !was.has(line.key)),
    removed: [...was.values()].filter((line) => !is.has(line.key)),
    changed: [...is.values()].flatMap((to) => {
      const from = was.get(to.key);
      return from && !same(from, to) ? [{ from, to }] : [];
    }),
  };
}

export const isEmptyDiff = (diff: StatementDiff): boolean =>
  diff.added.length + diff.removed.length + diff.changed.length === 0;
