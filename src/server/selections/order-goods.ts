import { goodsCause } from './causes';
import { isOrdered, orderWords } from '@/core/selections/states';
import { formatDay, type Day } from '@/core/units/day';
import { orNull, update } from '../database/query';
import type { Rows } from '../database/rows';
import type { PlanContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { orderAgain } from './checks';
import { requireDayInJob, requirePastDay } from './days';
import { addHistory } from './history';
import { ungranted } from './requests';

type Row = Rows['selection'];

interface OrderTerms {
  day: Day;
  quantity: number;
  unit: string;
  orderNumber: string;
  /** The day they named, where they did. */
  expectedOn?: Day | undefined;
  /** Why it goes out although somebody has not answered yet. */
  despite: string;
  note: string;
}

/** A chosen thing is ordered; what its order waits for is named, and overruled only with a reason. */
export function orderGoods(context: PlanContext, row: Row, terms: OrderTerms): void {
  const { day, quantity, unit, orderNumber, expectedOn, despite, note } = terms;
  if (isOrdered(row.state))
    throw unprocessable(
      'ordered-already',
      `${row.category}: this is ordered already; what changes now is agreed with the supplier.`,
      'id',
    );
  if (!row.choice) throw unprocessable('not-chosen', 'Nothing is chosen yet; an order says what it is.', 'quantity');
  requirePastDay(context, day, 'day');
  if (expectedOn !== undefined && expectedOn < day)
    throw unprocessable('wrong-way-round', 'It cannot come before it is ordered; give a later day.', 'expectedOn');
  requireDayInJob(context, row.job, expectedOn, 'expectedOn');
  const missing = ungranted(context, row.id);
  if (missing && !despite.trim())
    throw unprocessable(
      'not-granted',
      `${row.category} waits for ${missing}. Say why it goes out all the same, or wait for the answer.`,
      'despite',
    );
  update(context.db, 'selection', row.id, {
    state: 'ordered',
    ordered_on: day,
    ordered_as: orderWords(row),
    order_number: orderNumber,
    quantity,
    unit,
    expected_on: orNull(expectedOn),
    promised_on: orNull(expectedOn),
    slip: '',
  });
  addHistory(
    context,
    { job: row.job, selection: row.id },
    [
      `ordered on ${formatDay(day)}: ${quantity} ${unit}, ${orderWords(row)}`,
      orderNumber && `order ${orderNumber}`,
      missing && `although it waits for ${missing}: ${despite.trim()}`,
      note,
    ]
      .filter(Boolean)
      .join(', '),
  );
  context.replan(row.job, goodsCause(row, 'ordered'));
  context.installation.news.emit('ordered');
}

/** What goes with an order that is void. */
export const NOT_ORDERED = {
  ordered_on: null,
  ordered_as: '',
  order_number: '',
  expected_on: null,
  promised_on: null,
  slip: '',
} as const;

/**
 * What is on its way is not coming any more: it is chosen, and to be ordered anew.
 * @param rests parts of it that were to come later, which go back into it
 */
export function takeOrderBack(context: PlanContext, row: Row, rests: readonly Row[], why: string): void {
  const whole = row.quantity === null ? null : [row, ...rests].reduce((sum, part) => sum + (part.quantity ?? 0), 0);
  update(context.db, 'selection', row.id, { state: 'chosen', delivery: null, quantity: whole, ...NOT_ORDERED });
  for (const { id } of rests) update(context.db, 'selection', id, { removed: 1, delivery: null });
  addHistory(context, { job: row.job, selection: row.id }, `the order was taken back: ${why}`);
  context.replan(row.job, goodsCause(row, 'chosen'));
}

/** So much of an ordered thing is on site; a rest is still to come as the order said. @returns how much it took */
export function comeIn(context: PlanContext, row: Row, quantity: number, { day, keptAt }: Coming): number {
  requireDayInJob(context, row.job, day, 'day');
  const whole = row.quantity ?? quantity;
  const taken = Math.min(whole, quantity);
  const left = Number((whole - taken).toFixed(4));
  update(context.db, 'selection', row.id, {
    state: 'on site',
    came_on: day,
    quantity: taken,
    ...(keptAt ? { kept_at: keptAt } : {}),
  });
  addHistory(
    context,
    { job: row.job, selection: row.id },
    `${taken} ${row.unit} came on ${formatDay(day)}${left > 0 ? `, ${left} still to come` : ''}`,
  );
  if (left > 0) {
    const { state, ordered_on, ordered_as, order_number, expected_on, promised_on } = row;
    const rest = orderAgain(context, row, left, {
      ...{ state, ordered_on, ordered_as, order_number, expected_on, promised_on },
      follows_as: 'rest',
    });
    addHistory(context, { job: row.job, selection: rest }, 'the rest of an order');
  }
  context.replan(row.job, goodsCause(row, left > 0 ? 'in-parts' : 'on site'));
  return taken;
}
interface Coming {
  day: Day;
  keptAt: string;
}

/** Something else is accepted in place of what was ordered: what comes is held against that. */
export function acceptInstead(
  context: PlanContext,
  row: Row,
  instead: { choice: string; code: string; unitPrice: number | null },
  why: string,
): void {
  const taken = { ...row, choice: instead.choice, code: instead.code, colour: '', finish: '' };
  update(context.db, 'selection', row.id, {
    choice: taken.choice,
    code: taken.code,
    colour: '',
    finish: '',
    ordered_as: orderWords(taken),
    unit_price: instead.unitPrice ?? row.unit_price,
  });
  addHistory(
    context,
    { job: row.job, selection: row.id },
    `${orderWords(taken)} comes instead of ${row.ordered_as || row.choice}: ${why}`,
  );
  context.replan(row.job, goodsCause(row, 'changed'));
}
