import type { InferType } from 'yup';
import { addPurchaseOrder } from '@/contract/commands/purchasing';
import { orderedOf } from '@/core/purchasing/order-line';
import { isComing, isOrdered } from '@/core/selections/states';
import { orderName } from '@/core/words/purchase-order';
import { uuid } from '../database/id';
import { execute, insert, orNull, queryAll, queryOne, update } from '../database/query';
import type { Rows } from '../database/rows';
import {
  carryOut,
  handlers,
  requireAreaOf,
  requireRow,
  requireVersion,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { purchasesOf } from '../reading/goods';
import { orderLine, ordersOf, partsOf } from '../reading/purchasing';
import { readJob } from '../reading/reading';
import { supplierNamed } from '../selections/commands';
import { requireDayInJob, requirePastDay } from '../selections/days';
import { deliveryHandlers } from '../selections/deliveries';
import { orderGoods, takeOrderBack } from '../selections/order-goods';

type Fields = Omit<InferType<typeof addPurchaseOrder.schema>, 'id' | 'job'>;
type Line = Fields['lines'][number];
type OrderState = Rows['purchase_order']['state'];

const nextNumber = (context: CommandContext): number =>
  (queryOne<{ last: number | null }>(context.db, 'SELECT max(number) AS last FROM purchase_order')?.last ?? 0) + 1;

/** What a line is of belongs to the job, is not ordered yet, and stands on no other order. */
function needFree(context: CommandContext, job: string, order: string, lines: readonly Line[]): void {
  const purchases = purchasesOf(readJob(context.installation, job));
  const seen = new Set<string>();
  lines.forEach(({ selection, calculation, purchase, text }, at) => {
    if (selection) {
      const row = requireRow(context, 'selection', selection, `lines[${at}].selection`);
      if (row.job !== job || row.removed) throw notFound('selection in this job', `lines[${at}].selection`);
      if (isOrdered(row.state))
        throw unprocessable('ordered-already', `${row.category} is ordered already.`, `lines[${at}].text`);
      if (!row.choice)
        throw unprocessable('not-chosen', 'Nothing is chosen yet; an order says what it is.', `lines[${at}].text`);
    }
    if (calculation && !purchases.get(calculation)?.[purchase ?? 0])
      throw notFound('kept result in this job', `lines[${at}].calculation`);
    const of = selection ?? (calculation ? `${calculation} ${purchase ?? 0}` : undefined);
    if (of === undefined) return;
    const other = queryOne<{ number: number }>(
      context.db,
      `SELECT number
        FROM purchase_line
        JOIN purchase_order ON purchase_order.id = purchase_line.purchase_order
        WHERE purchase_order.id <> @order AND state <> 'cancelled'
          AND (selection = @selection OR (calculation = @calculation AND purchase = @purchase))`,
      { order, selection: orNull(selection), calculation: orNull(calculation), purchase: orNull(purchase) },
    );
    // What never came of it is to be ordered anew, and may go on an order again.
    if (other && !neverCame(context, job, other.number, { selection, calculation, purchase }))
      throw unprocessable('on-another-order', `${text} is on ${orderName(other.number)} already.`, `lines[${at}].text`);
    if (seen.has(of)) throw unprocessable('twice', `${text} is on this order twice.`, `lines[${at}].text`);
    seen.add(of);
  });
}

const neverCame = (
  context: CommandContext,
  job: string,
  number: number,
  { selection, calculation, purchase }: Pick<Line, 'selection' | 'calculation' | 'purchase'>,
): boolean =>
  ordersOf(readJob(context.installation, job)).some(
    ({ row, lines }) =>
      row.number === number &&
      lines.some(
        (line) =>
          line.neverComes &&
          (selection === undefined
            ? line.row.calculation === calculation && line.row.purchase === purchase
            : line.row.selection === selection),
      ),
  );

function headOf(
  context: CommandContext,
  job: string,
  fields: Fields,
): Omit<Rows['purchase_order'], 'id' | 'job' | 'number' | 'state' | 'sent_on' | 'version'> {
  requireDayInJob(context, job, fields.deliverOn, 'deliverOn');
  if (fields.place) requireAreaOf(context, job, fields.place, 'place');
  const supplier = supplierNamed(context, fields.supplier);
  if (supplier === null)
    throw unprocessable('no-supplier', 'An order goes to somebody: name the supplier.', 'supplier');
  return {
    supplier,
    deliver_on: orNull(fields.deliverOn),
    half: orNull(fields.half),
    place: orNull(fields.place),
    place_note: fields.placeNote,
    contact: fields.contact,
    deposit: orNull(fields.deposit),
    carriage: orNull(fields.carriage),
    note: fields.note,
  };
}

function putLines(context: CommandContext, job: string, order: string, lines: readonly Line[]): void {
  needFree(context, job, order, lines);
  execute(context.db, 'DELETE FROM purchase_line WHERE purchase_order = @order', { order });
  lines.forEach((line, position) =>
    insert(context.db, 'purchase_line', {
      id: line.id,
      job,
      purchase_order: order,
      position,
      selection: orNull(line.selection),
      calculation: orNull(line.calculation),
      purchase: line.calculation ? (line.purchase ?? 0) : null,
      code: line.code,
      text: line.text,
      quantity: line.quantity,
      unit: line.unit,
      per_pack: orNull(line.perPack),
      unit_price: orNull(line.unitPrice),
      priced_by: line.pricedBy,
      instead: line.instead,
    }),
  );
}

const OTHERWISE: Record<OrderState, string> = {
  draft: 'This is a draft: send it first.',
  sent: 'This was sent; what changes now is agreed with the supplier.',
  ended: 'This is ended: nothing of it is to come any more.',
  cancelled: 'This was cancelled.',
};

function needOrder(
  context: CommandContext,
  { id, version }: { id: string; version: number },
  states: readonly OrderState[],
): Rows['purchase_order'] {
  const row = requireVersion(context, 'purchase_order', id, version);
  if (!states.includes(row.state)) throw unprocessable('order-state', OTHERWISE[row.state], 'id');
  return row;
}

const linesOf = (context: CommandContext, order: string): Rows['purchase_line'][] =>
  queryAll(context.db, 'SELECT * FROM purchase_line WHERE purchase_order = @order ORDER BY position', { order });

/** The chosen things of an order come together, on the day that was asked for. */
function planDelivery(
  context: PlanContext,
  order: Rows['purchase_order'],
  selections: readonly Rows['selection'][],
): void {
  const free = selections.filter(({ delivery }) => delivery === null);
  if (order.deliver_on === null || free.length === 0) return;
  carryOut(context, 'delivery.add', deliveryHandlers['delivery.add'], {
    id: uuid(),
    job: order.job,
    day: order.deliver_on,
    ...(order.half === null ? {} : { half: order.half }),
    ...(order.place === null ? {} : { place: order.place }),
    placeNote: order.place_note,
    selections: free.map(({ id }) => id),
  });
}

export const orderHandlers = handlers({
  'purchase-order.add': (context, { id, job, ...fields }) => {
    requireRow(context, 'job', job, 'job');
    const head = headOf(context, job, fields);
    const number = nextNumber(context);
    insert(context.db, 'purchase_order', { id, job, number, state: 'draft', ...head });
    putLines(context, job, id, fields.lines);
    context.logFor(job);
    return { number };
  },
  'purchase-order.change': (context, { id, version, ...fields }) => {
    const { job } = needOrder(context, { id, version }, ['draft']);
    update(context.db, 'purchase_order', id, headOf(context, job, fields));
    putLines(context, job, id, fields.lines);
    context.logFor(job);
  },
  'purchase-order.send': (context, { id, version, day, despite }) => {
    const order = needOrder(context, { id, version }, ['draft']);
    requirePastDay(context, day, 'day');
    if (order.deliver_on !== null && order.deliver_on < day)
      throw unprocessable(
        'wrong-way-round',
        'The day it is wanted is before the day it goes out: change the order first.',
        'day',
      );
    const lines = linesOf(context, id);
    const chosen = lines.flatMap((line) => {
      if (line.selection === null) return [];
      const row = requireRow(context, 'selection', line.selection, 'id');
      if (row.removed)
        throw unprocessable('taken-away', `${line.text} was taken away: take its line out of the order.`, 'id');
      orderGoods(context, row, {
        day,
        quantity: orderedOf(orderLine(line)),
        unit: line.unit,
        orderNumber: orderName(order.number),
        despite,
        note: '',
      });
      return [row];
    });
    update(context.db, 'purchase_order', id, { state: 'sent', sent_on: day });
    planDelivery(context, order, chosen);
    if (chosen.length === 0) context.planStays(order.job);
  },
  'purchase-order.cancel': (context, { id, version }) => {
    const row = needOrder(context, { id, version }, ['draft', 'sent']);
    const order = ordersOf(readJob(context.installation, row.job)).find((entry) => entry.row.id === id);
    if (
      order &&
      row.state === 'sent' &&
      (order.bills.length > 0 || order.lines.some(({ matched }) => matched.came > 0))
    )
      throw unprocessable(
        'came-in-part',
        'Some of it came or was paid: say instead that nothing more is to come.',
        'id',
      );
    update(context.db, 'purchase_order', id, { state: 'cancelled' });
    if (row.state === 'sent') letGo(context, row, `${orderName(row.number)} was cancelled`);
    else context.planStays(row.job);
  },
  'purchase-order.end': (context, { id, version }) => {
    const row = needOrder(context, { id, version }, ['sent']);
    update(context.db, 'purchase_order', id, { state: 'ended' });
    letGo(context, row, `nothing more comes of ${orderName(row.number)}`);
  },
});

/** Whatever of an order is still on its way is not coming: it is to be ordered anew. */
function letGo(context: PlanContext, order: Rows['purchase_order'], why: string): void {
  const parts = partsOf(readJob(context.installation, order.job));
  const coming = linesOf(context, order.id).flatMap(({ selection }) => {
    const rows = (selection === null ? [] : parts(selection)).flatMap(({ id, state }) =>
      isComing(state) ? [requireRow(context, 'selection', id, 'id')] : [],
    );
    const [first, ...rests] = rows;
    return first ? [{ first, rests }] : [];
  });
  for (const { first, rests } of coming) takeOrderBack(context, first, rests, why);
  if (coming.length === 0) context.planStays(order.job);
}
