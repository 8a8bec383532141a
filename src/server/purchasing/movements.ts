import { isComing } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import { uuid } from '../database/id';
import { execute, insert, queryAll, update } from '../database/query';
import { handlers, requireRow, type PlanContext } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { ordersOf, partsOf, type Order, type OrderedLine } from '../reading/purchasing';
import { readJob } from '../reading/reading';
import { requireDayInJob, requirePastDay } from '../selections/days';
import { deliveryHandlers } from '../selections/deliveries';
import { acceptInstead, comeIn } from '../selections/order-goods';
import { recordDecision } from '../sites/decisions';
import type { Rows } from '../database/rows';

interface Moved {
  kind: 'came' | 'went back';
  day: Day;
  note: string;
}

function keepMovement(context: PlanContext, line: Rows['purchase_line'], quantity: number, moved: Moved): void {
  if (quantity > 0)
    insert(context.db, 'purchase_movement', { id: uuid(), job: line.job, line: line.id, quantity, ...moved });
}

/** What came of a line: first what is on its way of the chosen thing, then what is beyond it. @returns whether that moved */
function came(context: PlanContext, order: Order, { row }: OrderedLine, quantity: number, moved: Moved): boolean {
  const { place, place_note } = order.row;
  const keptAt = [place === null ? '' : requireRow(context, 'area', place, 'place').name, place_note]
    .filter(Boolean)
    .join(', ');
  const coming =
    row.selection === null
      ? []
      : partsOf(readJob(context.installation, row.job))(row.selection).filter(({ state }) => isComing(state));
  let left = quantity;
  for (const { id } of coming) {
    if (left <= 0) break;
    const part = requireRow(context, 'selection', id, 'lines');
    left = Number((left - comeIn(context, part, left, { day: moved.day, keptAt })).toFixed(4));
  }
  keepMovement(context, row, left, moved);
  return coming.length > 0;
}

/** What went back of a line: first what stands there as wrong, then what else is there. */
function wentBack(
  context: PlanContext,
  { row, matched }: OrderedLine,
  at: number,
  quantity: number,
  moved: Moved,
): void {
  const here = Number((matched.came - matched.wentBack).toFixed(4));
  if (quantity > here)
    throw unprocessable(
      'more-than-here',
      here > 0 ? `Only ${here} ${row.unit} of it are here.` : `Nothing of it is here.`,
      `lines[${at}].quantity`,
    );
  let left = quantity;
  const parts = row.selection === null ? [] : partsOf(readJob(context.installation, row.job))(row.selection);
  for (const spare of queryAll<Rows['spare']>(
    context.db,
    `SELECT *
      FROM spare
      WHERE job = @job AND kind = 'wrong part' AND state = 'kept'
        AND selection IN (SELECT value FROM json_each(@parts))
      ORDER BY rowid`,
    { job: row.job, parts: JSON.stringify(parts.map(({ id }) => id)) },
  )) {
    if (spare.quantity === null || spare.quantity > left) continue;
    deliveryHandlers['spare.settle'](context, { id: spare.id, version: spare.version, state: 'gone' });
    left = Number((left - spare.quantity).toFixed(4));
  }
  keepMovement(context, row, left, moved);
}

export const movementHandlers = handlers({
  'purchase-order.move': (context, { id, lines, ...moved }) => {
    const { job, state } = requireRow(context, 'purchase_order', id);
    if (state !== 'sent' && state !== 'ended')
      throw unprocessable('order-state', 'This order was not sent: nothing of it can have come.', 'id');
    requirePastDay(context, moved.day, 'day');
    requireDayInJob(context, job, moved.day, 'day');
    const order = ordersOf(readJob(context.installation, job)).find(({ row }) => row.id === id);
    const onItsWay = lines.map(({ line, quantity }, at) => {
      const found = order?.lines.find(({ row }) => row.id === line);
      if (!order || !found) throw notFound('line of this order', `lines[${at}].line`);
      if (quantity === undefined) return false;
      if (moved.kind === 'came') return came(context, order, found, quantity, moved);
      wentBack(context, found, at, quantity, moved);
      return false;
    });
    if (!onItsWay.includes(true)) context.planStays(job);
  },
  'purchase-line.substitute': (context, { line, code, text, unitPrice, accepts, name, reason }) => {
    const row = requireRow(context, 'purchase_line', line, 'line');
    const order = requireRow(context, 'purchase_order', row.purchase_order);
    if (order.state !== 'sent')
      throw unprocessable('order-state', 'Something else is accepted for an order that was sent.', 'line');
    const found = ordersOf(readJob(context.installation, row.job))
      .find((entry) => entry.row.id === order.id)
      ?.lines.find((entry) => entry.row.id === line);
    if (found && found.matched.came > 0)
      throw unprocessable(
        'came-in-part',
        'Some of it came: end the order, and order the rest as something else.',
        'text',
      );
    const why = `${name.trim() || accepts} accepts it: ${reason}`;
    execute(
      context.db,
      `UPDATE purchase_line
        SET code = @code, text = @text, unit_price = coalesce(@price, unit_price), replaces = @replaces
        WHERE id = @line`,
      {
        ...{ line, code, text, price: unitPrice ?? null },
        replaces: row.replaces || [row.text, row.code].filter(Boolean).join(', '),
      },
    );
    update(context.db, 'purchase_order', order.id, { state: order.state });
    recordDecision(context, {
      id: uuid(),
      job: row.job,
      area: null,
      subject: `${text} instead of ${row.text}`,
      reason: why,
    });
    if (row.selection === null) return context.planStays(row.job);
    const coming = partsOf(readJob(context.installation, row.job))(row.selection).filter((part) =>
      isComing(part.state),
    );
    for (const { id } of coming) {
      const part = requireRow(context, 'selection', id, 'line');
      acceptInstead(context, part, { choice: text, code, unitPrice: unitPrice ?? null }, why);
    }
    if (coming.length === 0) throw unprocessable('not-ordered', 'This is not on its way any more.', 'text');
  },
});
