import { type SupplierSays } from '@/contract/commands/selections';
import type { Cause } from '@/core/schedule/cause';
import { isComing } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import { formatDay } from '@/core/units/day';
import { queryAll, flag, insert, queryOne, orNull, execute, update } from '../database/query';
import type { Rows } from '../database/rows';
import type { SupplierOrder } from '../outside/ports';
import {
  asDesk,
  carryOut,
  handlers,
  requireRow,
  requireVersion,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { goodsCause } from './causes';
import { orderAgain } from './checks';
import { moveArrival } from './commands';
import { requireDayInJob } from './days';
import { closuresOf } from '../reading/firm';
import { readHouse, type FirmReading } from '../reading/reading';
import { addHistory } from './history';
import { NOT_ORDERED } from './order-goods';

/** Plans of every job that has something on order with a supplier follow its calendar. */
function markOrders(context: PlanContext, supplier: string, cause: Cause): void {
  const rows = queryAll<{ job: string }>(
    context.db,
    `SELECT DISTINCT job
      FROM selection
      WHERE supplier = @supplier AND removed = 0 AND state NOT IN ('fitted', 'left over')`,
    { supplier },
  );
  context.replanAll(
    rows.map(({ job }) => job),
    cause,
  );
}

function needFreeName(context: CommandContext, id: string, name: string): void {
  const other = queryOne<{ name: string }>(context.db, 'SELECT name FROM supplier WHERE name = @name AND id <> @id', {
    id,
    name: name.trim(),
  });
  if (other) throw unprocessable('exists-already', `There is a supplier ${other.name} already.`, 'name');
}

function needDay(day: Day | undefined): Day {
  if (day === undefined) throw unprocessable('no-day', 'On which day it comes is missing.', 'day');
  return day;
}

/** A supplier's word on an order, whoever heard it: it lands on the selection and moves the plan. */
function say(
  context: PlanContext,
  row: Rows['selection'],
  says: SupplierSays,
  text: string,
  day: Day | undefined,
  quantity: number | undefined,
): void {
  const about = { job: row.job, selection: row.id };
  requireDayInJob(context, row.job, day, 'day');
  switch (says) {
    case 'confirms':
      addHistory(context, about, `confirmed${text ? `: ${text}` : ''}`);
      moveArrival(context, row, needDay(day), '', row.state === 'ordered' ? { state: 'confirmed' } : {});
      break;
    case 'in making':
      update(context.db, 'selection', row.id, { state: 'in making' });
      addHistory(context, about, `in making${text ? `: ${text}` : ''}`);
      context.planStays(row.job);
      break;
    case 'slips':
      if (day === row.expected_on)
        throw unprocessable('no-slip', 'That is the day it was promised for already; give the new one.', 'day');
      moveArrival(context, row, needDay(day), text);
      break;
    case 'ships':
      update(context.db, 'selection', row.id, {
        state: 'shipped',
        ...(day ? { expected_on: day, promised_on: row.promised_on ?? day } : {}),
      });
      addHistory(context, about, `shipped${text ? `: ${text}` : ''}`);
      context.replan(row.job, goodsCause(row, 'shipped'));
      break;
    case 'ships part': {
      if (row.quantity === null || quantity === undefined || quantity >= row.quantity)
        throw unprocessable(
          'no-part',
          `A part is less than the whole${row.quantity === null ? '' : ` of ${row.quantity} ${row.unit}`}.`,
          'quantity',
        );
      const left = Math.round((row.quantity - quantity) * 1000) / 1000;
      update(context.db, 'selection', row.id, { state: 'shipped', quantity });
      const rest = orderAgain(context, row, left, {
        state: 'in making',
        ordered_on: row.ordered_on,
        ordered_as: row.ordered_as,
        order_number: row.order_number,
        expected_on: needDay(day),
        promised_on: row.promised_on ?? row.expected_on,
        slip: text,
        follows_as: 'rest',
      });
      addHistory(context, about, `${quantity} ${row.unit} shipped, ${left} still to come${text ? `: ${text}` : ''}`);
      addHistory(context, { job: row.job, selection: rest }, `the rest of an order, comes ${formatDay(needDay(day))}`);
      context.replan(row.job, goodsCause(row, 'in-parts'));
      break;
    }
    case 'cannot':
      update(context.db, 'selection', row.id, {
        state: 'chosen',
        ...NOT_ORDERED,
      });
      addHistory(context, about, `cannot be had${text ? `: ${text}` : ''}; the order is void`);
      context.replan(row.job, goodsCause(row, 'not-to-be-had'));
  }
}

const needComing = (context: CommandContext, id: string): Rows['selection'] => {
  const row = requireRow(context, 'selection', id, 'selection');
  if (!isComing(row.state))
    throw unprocessable('not-ordered', 'A supplier speaks of what is ordered and not here yet.', 'selection');
  return row;
};

export const supplierHandlers = handlers({
  'supplier.add': (context, { id, name, email, phone, note: said, desk }) => {
    needFreeName(context, id, name);
    insert(context.db, 'supplier', { id, name: name.trim(), email, phone, note: said, desk: flag(desk) });
  },
  'supplier.change': (context, { id, version, name, email, phone, note: said, desk }) => {
    requireVersion(context, 'supplier', id, version);
    needFreeName(context, id, name);
    update(context.db, 'supplier', id, { name: name.trim(), email, phone, note: said, desk: flag(desk) });
    context.installation.news.emit('ordered');
  },
  'supplier.close': (context, { supplier, firstDay, lastDay, why }) => {
    const { name } = requireRow(context, 'supplier', supplier, 'supplier');
    const other = queryOne<{ first_day: Day; last_day: Day }>(
      context.db,
      `SELECT first_day, last_day
        FROM supplier_closure
        WHERE supplier = @supplier AND first_day <= @lastDay AND last_day >= @firstDay`,
      { supplier, firstDay, lastDay },
    );
    if (other)
      throw unprocessable(
        'closed-already',
        `They are closed from ${formatDay(other.first_day)} to ${formatDay(other.last_day)} already.`,
        'firstDay',
      );
    insert(context.db, 'supplier_closure', { supplier, first_day: firstDay, last_day: lastDay, why });
    markOrders(context, supplier, { kind: 'supplier-closed', supplier, name, from: firstDay, until: lastDay });
  },
  'supplier.reopen': (context, { supplier, firstDay }) => {
    const { name } = requireRow(context, 'supplier', supplier, 'supplier');
    if (
      execute(context.db, 'DELETE FROM supplier_closure WHERE supplier = @supplier AND first_day = @firstDay', {
        supplier,
        firstDay,
      }) === 0
    )
      throw notFound('closure', 'firstDay');
    markOrders(context, supplier, { kind: 'supplier', supplier, name, what: 'open-after-all' });
  },
  'supplier.prices': (context, { supplier, lines }) => {
    const { name } = requireRow(context, 'supplier', supplier, 'supplier');
    const codes = new Set<string>();
    for (const [at, line] of lines.entries()) {
      if (codes.has(line.code.toLowerCase()))
        throw unprocessable('twice', `${line.code} stands in the list twice.`, `lines.${at}.code`);
      codes.add(line.code.toLowerCase());
    }
    execute(context.db, 'DELETE FROM price WHERE supplier = @supplier', { supplier });
    for (const line of lines)
      insert(context.db, 'price', {
        supplier,
        code: line.code,
        name: line.name,
        unit: line.unit,
        unit_price: orNull(line.unitPrice),
        lead_low: line.leadLow,
        lead_high: line.leadHigh,
        read_at: context.at,
      });
    const changed = followPrices(context, supplier);
    markOrders(context, supplier, { kind: 'supplier', supplier, name, what: 'list-read' });
    return { lines: lines.length, changed };
  },
  'supplier.say': (context, { selection, says, text, day, quantity }) =>
    say(context, needComing(context, selection), says, text, day, quantity),
  'supplier.hear': (context, { selection }) => {
    const row = needComing(context, selection);
    // Nobody makes up the words of a supplier who speaks for himself.
    if (!queryOne(context.db, 'SELECT 1 FROM supplier WHERE id = @id AND desk = 1', { id: row.supplier }))
      throw unprocessable(
        'not-simulated',
        'The demo does not play the answers of this supplier; write down what they say, or mark them under Suppliers.',
        'selection',
      );
    const word = context.installation.outside.suppliers.next(orderOf(readHouse(context.installation), row));
    if (!word)
      throw unprocessable('nothing-more', 'They have nothing more to say of this: it is on its way.', 'selection');
    const { on: _, ...said } = word;
    carryOut(asDesk(context, 'suppliers'), 'supplier.say', supplierHandlers['supplier.say'], { selection, ...said });
    return { says: word.says, text: word.text };
  },
});

/** Prices and lead times of what is not ordered yet follow the list by its code. @returns how many changed */
function followPrices(context: CommandContext, supplier: string): number {
  const rows = queryAll<{
    id: string;
    job: string;
    code: string;
    unit_price: number | null;
    lead_low: number;
    lead_high: number;
    old_price: number | null;
    old_low: number;
    old_high: number;
  }>(
    context.db,
    `SELECT selection.id, selection.job, selection.code, price.unit_price, price.lead_low, price.lead_high,
        selection.unit_price AS old_price, selection.lead_low AS old_low, selection.lead_high AS old_high
      FROM selection
      JOIN price ON price.supplier = selection.supplier AND lower(price.code) = lower(selection.code)
      WHERE selection.supplier = @supplier AND selection.removed = 0 AND state IN ('open', 'chosen', 'approved')`,
    { supplier },
  );
  const changed = rows.filter(
    (row) =>
      (row.unit_price ?? row.old_price) !== row.old_price ||
      row.lead_low !== row.old_low ||
      row.lead_high !== row.old_high,
  );
  for (const row of changed) {
    update(context.db, 'selection', row.id, {
      unit_price: row.unit_price ?? row.old_price,
      lead_low: row.lead_low,
      lead_high: row.lead_high,
    });
    addHistory(
      context,
      { job: row.job, selection: row.id },
      'the supplier’s list says ' +
        `${row.lead_low === row.lead_high ? row.lead_high : `${row.lead_low} to ${row.lead_high}`} ` +
        `days${row.lead_high === row.old_high ? '' : ` instead of ${row.old_high}`}`,
    );
  }
  return changed.length;
}

/** An order as its supplier knows it. */
export function orderOf(firm: FirmReading, row: Rows['selection']): SupplierOrder {
  const { db } = firm;
  const spoken =
    queryOne<{ count: number }>(db, 'SELECT count(*) AS count FROM history WHERE selection = @id AND desk = 1', {
      id: row.id,
    })?.count ?? 0;
  return {
    id: row.id,
    state: row.state,
    orderedOn: row.ordered_on ?? row.expected_on ?? '',
    expectedOn: row.expected_on,
    leadLow: row.lead_low,
    leadHigh: row.lead_high,
    quantity: row.quantity,
    unit: row.unit,
    closures: (row.supplier && closuresOf(firm).get(row.supplier)) || [],
    spoken,
  };
}
