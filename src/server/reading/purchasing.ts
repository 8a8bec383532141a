import { billedByLine, paidBy, stillToPay, type Bill } from '@/core/purchasing/bills';
import {
  mismatchesOf,
  stillToBill,
  stillToCome,
  toBeBilled,
  type Matched,
  type Mismatch,
} from '@/core/purchasing/match';
import { orderedOf, plain, sumOf, type OrderLine } from '@/core/purchasing/order-line';
import { isHere, isOrdered } from '@/core/selections/states';
import { boughtIn } from '@/core/quantities/units';
import { groupBy } from '@/core/group-by';
import type { Day } from '@/core/units/day';
import { sum } from '@/core/units/rounding';
import type { Rows } from '../database/rows';
import { purchasesOf } from './goods';
import { jobRow } from './job';
import { currencyOfFirm, spendingRows } from './money';
import { OF_JOBS, ofJob, rowsOf, type JobReading } from './reading';
import { selectionRows, type SelectionRow } from './selections';

export type OrderRow = Rows['purchase_order'] & { supplier_name: string };
export type LineRow = Rows['purchase_line'];

const orderRows = rowsOf<OrderRow>(
  `SELECT purchase_order.*, supplier.name AS supplier_name
    FROM purchase_order
    JOIN supplier ON supplier.id = purchase_order.supplier
    WHERE purchase_order.job ${OF_JOBS}
    ORDER BY number DESC`,
);
const lineRows = rowsOf<LineRow>(`SELECT * FROM purchase_line WHERE job ${OF_JOBS} ORDER BY position`);
const movementRows = rowsOf<Rows['purchase_movement']>(
  `SELECT * FROM purchase_movement WHERE job ${OF_JOBS} AND removed = 0 ORDER BY day, rowid`,
);
const billRows = rowsOf<Rows['purchase_bill']>(
  `SELECT * FROM purchase_bill WHERE job ${OF_JOBS} AND removed = 0 ORDER BY day, rowid`,
);
const billLineRows = rowsOf<Rows['purchase_bill_line']>(
  `SELECT purchase_bill_line.*
    FROM purchase_bill_line
    JOIN purchase_bill ON purchase_bill.id = bill
    WHERE purchase_bill_line.job ${OF_JOBS} AND removed = 0`,
);

/** Wrong things that went back; where the check that found them was withdrawn, nothing did. */
const returnedRows = rowsOf<Rows['spare']>(
  `SELECT spare.*
    FROM spare
    LEFT JOIN standing_observation ON standing_observation.id = spare.observation
    WHERE spare.job ${OF_JOBS} AND spare.kind = 'wrong part' AND spare.state = 'gone'
      AND (spare.observation IS NULL OR standing_observation.id IS NOT NULL)`,
);
const movementsByLine = ofJob((job) => groupBy(movementRows(job), ({ line }) => line));
const returnedBySelection = ofJob((job) => groupBy(returnedRows(job), ({ selection }) => selection ?? ''));
const billsByOrder = ofJob((job) => groupBy(billRows(job), (bill) => bill.purchase_order));
const amountsByBill = ofJob((job) => groupBy(billLineRows(job), ({ bill }) => bill));

export const orderLine = (row: LineRow): OrderLine => ({
  quantity: row.quantity,
  perPack: row.per_pack,
  unitPrice: row.unit_price,
  pricedBy: row.priced_by,
});

/** A chosen thing and, one behind the other, the rests of it that come later. */
export const partsOf = ofJob((job): ((selection: string) => SelectionRow[]) => {
  const rows = selectionRows(job);
  const byId = new Map(rows.map((row) => [row.id, row]));
  const rests = groupBy(
    rows.filter((row) => row.follows_as === 'rest'),
    (row) => row.follows ?? '',
  );
  const parts = (row: SelectionRow): SelectionRow[] => [row, ...(rests.get(row.id) ?? []).flatMap(parts)];
  return (selection) => {
    const first = byId.get(selection);
    return first ? parts(first) : [];
  };
});

/** How much of a chosen thing is there: what a check found missing never came. */
function cameOf(part: SelectionRow): number {
  if (!isHere(part.state) || part.quantity === null) return 0;
  const found = part.found === null ? null : (JSON.parse(part.found) as { verdict: string; quantity?: number });
  return part.quantity - (found?.verdict === 'missing' ? (found.quantity ?? part.quantity) : 0);
}

export interface OrderedLine {
  row: LineRow;
  matched: Matched;
  mismatches: Mismatch[];
  toCome: number;
  toBill: number;
  /** Nothing of it came and nothing will: it is to be ordered anew. */
  neverComes: boolean;
  movements: Movement[];
}
/** What came or went back; without an id where the chosen thing itself tells it. */
interface Movement {
  id: string | null;
  kind: 'came' | 'went back';
  day: Day | null;
  quantity: number;
  note: string;
}
export interface Order {
  row: OrderRow;
  lines: OrderedLine[];
  bills: (Bill & { id: string; number: string; day: string; sum: number })[];
  /** What all of it costs with its carriage, in hundredths; lines without a price count nothing. */
  total: number;
  unpriced: number;
  billed: number;
  /** What is still to be paid of it. */
  toPay: number;
}

/** What the choice or the drawing asks for today; null where somebody wrote the line in. */
function plannedOf(job: JobReading, row: LineRow): number | null {
  const [purchases, { units }] = [purchasesOf(job), jobRow(job)];
  const buys = (calculation: string, at: number): number => {
    const bought = purchases.get(calculation)?.[at];
    return bought ? boughtIn(bought.quantity, bought.unit, units).quantity : 0;
  };
  if (row.calculation !== null) return buys(row.calculation, row.purchase ?? 0);
  if (row.selection === null) return null;
  const chosen = partsOf(job)(row.selection)[0];
  return chosen?.calculation ? buys(chosen.calculation, 0) : row.quantity;
}

const TOLD = { id: null, day: null, note: '' };

type Billed = ReturnType<typeof billedByLine>;

function lineOf(job: JobReading, order: OrderRow, row: LineRow, billed: Billed): OrderedLine {
  const movements = movementsByLine(job).get(row.id) ?? [];
  const moved = (kind: 'came' | 'went back'): number =>
    sum(movements.map((movement) => (movement.kind === kind ? movement.quantity : 0)));
  const parts = row.selection === null ? [] : partsOf(job)(row.selection);
  const gone = parts.flatMap(({ id }) => returnedBySelection(job).get(id) ?? []);
  const paid = billed.get(row.id);
  const currency = currencyOfFirm(job.firm);
  const line = orderLine(row);
  const matched: Matched = {
    planned: plannedOf(job, row),
    ordered: orderedOf(line),
    perPack: row.per_pack,
    came: plain(sum(parts.map(cameOf)) + moved('came')),
    wentBack: plain(sum(gone.map(({ quantity }) => quantity ?? 0)) + moved('went back')),
    billed: plain(paid?.quantity ?? 0),
    billedFor: paid ? paid.amount : null,
    orderedFor: paid ? sumOf(line, paid.quantity, currency) : null,
    isVoid: order.state !== 'draft' && parts.length > 0 && !parts.some(({ state }) => isOrdered(state)),
    isOpen: order.state === 'sent',
  };
  const isLive = order.state === 'sent' || order.state === 'ended';
  return {
    row,
    matched,
    movements: [
      ...parts.map((part): Movement => ({ ...TOLD, kind: 'came', day: part.came_on, quantity: cameOf(part) })),
      ...gone.map(({ quantity, what }): Movement => ({
        ...TOLD,
        kind: 'went back',
        quantity: quantity ?? 0,
        note: what,
      })),
      ...movements,
    ].filter(({ quantity }) => quantity > 0),
    mismatches: isLive ? mismatchesOf(matched, currency) : [],
    neverComes: matched.isVoid || (order.state === 'ended' && matched.came === 0),
    toCome: stillToCome(matched),
    toBill: toBeBilled(matched),
  };
}

function orderOf(job: JobReading, row: OrderRow): Order {
  const currency = currencyOfFirm(job.firm);
  const bills = (billsByOrder(job).get(row.id) ?? []).map(({ id, kind, number, day, other, less_deposit }) => {
    const bill: Bill = { kind, other, lessDeposit: less_deposit, lines: amountsByBill(job).get(id) ?? [] };
    return { ...bill, id, number, day, sum: paidBy(bill) };
  });
  const billed = billedByLine(bills);
  const lines = (linesByOrder(job).get(row.id) ?? []).map((line) => lineOf(job, row, line, billed));
  const sums = lines.map(({ row: line, matched }) => sumOf(orderLine(line), matched.ordered, currency));
  const paidOtherwise = new Set(spendingRows(job).flatMap(({ selection }) => selection ?? []));
  const rests = lines.map(({ row: line, matched }) =>
    line.selection !== null && paidOtherwise.has(line.selection)
      ? 0
      : (sumOf(orderLine(line), stillToBill(matched), currency) ?? 0),
  );
  const isLive = row.state === 'sent' || row.state === 'ended';
  return {
    row,
    lines,
    bills,
    total: sum(sums.map((amount) => amount ?? 0)) + (row.carriage ?? 0),
    unpriced: sums.filter((amount) => amount === null).length,
    billed: sum(bills.map((bill) => bill.sum)),
    toPay: isLive ? stillToPay(rests, { carriage: row.state === 'sent' ? (row.carriage ?? 0) : 0, bills }) : 0,
  };
}

const linesByOrder = ofJob((job): ReadonlyMap<string, LineRow[]> =>
  groupBy(lineRows(job), (row) => row.purchase_order),
);

/** A job's purchase orders with what became of each line, the newest first. */
export const ordersOf = ofJob((job): Order[] => orderRows(job).map((row) => orderOf(job, row)));

/** Orders that are neither drafts nor void. */
export const liveOrders = ofJob((job): Order[] =>
  ordersOf(job).filter(({ row }) => row.state === 'sent' || row.state === 'ended'),
);

/** The day it was wanted is over, and something of it is still to come. */
export const isOverdue = ({ row, lines }: Order, today: Day): boolean =>
  row.deliver_on !== null && row.deliver_on < today && lines.some(({ toCome }) => toCome > 0);

type Priced = Rows['price'] & { job: string; selection: string };
const listedRows = rowsOf<Priced>(
  `SELECT price.*, selection.job AS job, selection.id AS selection
    FROM selection
    JOIN price ON price.supplier = selection.supplier AND price.code = selection.code
    WHERE selection.job ${OF_JOBS} AND selection.removed = 0 AND selection.code <> ''`,
);
/** What the supplier's own list says of chosen things, by their code. */
export const listedPrices = ofJob(
  (job): ReadonlyMap<string, Priced> => new Map(listedRows(job).map((row) => [row.selection, row])),
);

type Packed = Pick<LineRow, 'per_pack' | 'unit_price' | 'priced_by'> & { job: string; of: string };
const packedRows = rowsOf<Packed>(
  `SELECT selection.job AS job, selection.id AS "of", per_pack, purchase_line.unit_price, priced_by
    FROM selection
    JOIN purchase_order ON purchase_order.supplier = selection.supplier
    JOIN purchase_line ON purchase_line.purchase_order = purchase_order.id AND purchase_line.code = selection.code
    WHERE selection.job ${OF_JOBS} AND selection.removed = 0 AND selection.code <> ''
    ORDER BY purchase_order.number`,
);
/** In which packs and at which price chosen things were ordered before, by their code: nobody types it twice. */
export const packsBefore = ofJob(
  (job): ReadonlyMap<string, Packed> => new Map(packedRows(job).map((row) => [row.of, row])),
);
