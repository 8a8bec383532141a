import type { Day } from '../units/day';
import type { SumRow } from '../money/estimate';
import type { TaxShown } from '../money/price';
import type { Inclusion } from '../sites/area';
import { sayPercent } from '../units/format-quantity';
import { NO_CURRENCY, type Currency } from '../units/money';

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
  /** Rooms in which work is planned and of which nothing is written yet. */
  unwritten: StatementLine[];
  payments: StatementLine[];
  /** Null where nothing has a price. */
  sums: StatementSums | null;
  currency: Currency;
}

/** The price as a client reads it: rows that make up `sum`; no cost, no hour, no markup. In hundredths. */
export interface StatementSums {
  rows: SumRow[];
  sum: number;
  taxRate: number;
  taxShown: TaxShown;
  tax: number;
  total: number;
  /** Lines that are in the work and have no price yet. */
  unpriced: number;
  /** What has still to be chosen between, with what each way costs, everything included. */
  toChoose: { text: string; ways: { name: string; amount: number }[] }[];
  /** Of the changes agreed, everything included. */
  changes: number;
}

/** A row of the price as it is read, on screen and paper. */
export interface PriceRow extends Pick<SumRow, 'text' | 'amount'> {
  strong?: true;
}

/** Everything that is in the work has a price, and nothing waits to be chosen. */
const isWhole = ({ unpriced, toChoose }: StatementSums): boolean => unpriced === 0 && toChoose.length === 0;

/** The price from its first row to what is paid. */
export function priceRows(sums: StatementSums): PriceRow[] {
  const taxed = sums.tax !== 0;
  const apart = sums.taxShown === 'apart' && taxed;
  return [
    ...sums.rows,
    ...(apart ? [{ text: 'Without tax', amount: sums.sum }] : []),
    ...(apart ? [{ text: `Tax, ${sayPercent(sums.taxRate)}`, amount: sums.tax }] : []),
    { text: `${isWhole(sums) ? 'In all' : 'So far'}${taxed ? ', with tax' : ''}`, amount: sums.total, strong: true },
    ...(sums.changes === 0
      ? []
      : [
          { text: `Changes agreed since${taxed ? ', with tax' : ''}`, amount: sums.changes },
          { text: 'With the changes', amount: sums.total + sums.changes, strong: true as const },
        ]),
  ];
}

/** How the sums above are to be read. */
export function taxWords({ taxShown, taxRate, unpriced }: StatementSums): string {
  const tax =
    taxRate === 0
      ? 'No tax is added.'
      : taxShown === 'within'
        ? `Sums hold the tax of ${sayPercent(taxRate)}.`
        : `Sums of lines and rooms are without tax; it stands under them. Sums by themselves are with tax.`;
  const open =
    unpriced === 0
      ? ''
      : ` ${unpriced === 1 ? 'One line has' : `${unpriced} lines have`} no price yet and ${unpriced === 1 ? 'is' : 'are'} not in the sum.`;
  return tax + open;
}

/** What versions made before these parts were written say in them: nothing. */
const LATER: Pick<Statement, 'unwritten' | 'payments' | 'sums' | 'currency'> = {
  unwritten: [],
  payments: [],
  sums: null,
  currency: NO_CURRENCY,
};

/** A version as it was kept. @param text JSON of any form a statement ever had */
export const statementFrom = (text: string): Statement => ({ ...LATER, ...(JSON.parse(text) as Statement) });

export interface StatementLine {
  key: string;
  text: string;
  note?: string;
  stance?: Inclusion;
  /** In hundredths, as the client reads it. */
  amount?: number;
}

export const STATEMENT_PARTS = {
  unwritten: 'Planned, and not written down yet',
  depends: 'What depends on what is found',
  allowances: 'What is allowed for',
  selections: 'What is to be chosen and ordered',
  household: 'What it means for the household',
  ground: 'Access, neighbours and approvals',
  siteChoices: 'What is decided on site',
  changes: 'Changes agreed since',
  payments: 'When it is paid',
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
    ...sumLines(statement.sums),
  ];
}

/** The price line by line; the last is what is paid. */
function sumLines(sums: StatementSums | null): Placed[] {
  if (!sums) return [];
  const rows: StatementLine[] = [
    ...sums.rows,
    ...(sums.taxShown === 'apart' && sums.tax !== 0 ? [{ key: 'sum tax', text: 'Tax', amount: sums.tax }] : []),
    { key: 'sum total', text: 'In all', amount: sums.total },
  ];
  return rows.map((row) => ({ ...row, where: 'Price' }));
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
