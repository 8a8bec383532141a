import { goodsCause } from './causes';
import type { InferType } from 'yup';
import { changeSelection } from '@/contract/commands/selections';
import { unlikeCode } from '@/core/selections/code-shape';
import { selectionKey } from '@/core/selections/selection-csv';
import {
  isComing,
  isHere,
  isOrdered,
  isSettled,
  orderWords,
  type Alternative,
  type SelectionState,
} from '@/core/selections/states';
import { daysBetween, formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { uuid } from '../database/id';
import { queryAll, flag, insert, queryOne, orNull, update } from '../database/query';
import type { Rows } from '../database/rows';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireStep,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, conflict, unprocessable } from '../refusal';
import { recordDecision } from '../sites/decisions';
import { confirmToClient, needClientOf } from '../news/notify';
import { settleCheck } from './checks';
import { requireDayInJob, requirePastDay } from './days';
import { addHistory } from './history';
import { NOT_ORDERED, orderGoods } from './order-goods';
import { unseenPrices } from '../rights/sees';

type Facts = Omit<InferType<typeof changeSelection.schema>, 'id' | 'version' | 'phase' | 'category'>;

/** The supplier of that name; a name that is new is a new supplier. */
export function supplierNamed(context: CommandContext, name: string): string | null {
  const plain = name.trim();
  if (plain === '') return null;
  const known = queryOne<{ id: string }>(context.db, 'SELECT id FROM supplier WHERE name = @plain', { plain });
  if (known) return known.id;
  const id = uuid();
  insert(context.db, 'supplier', { id, name: plain });
  return id;
}

/** Codes as this supplier builds them: its list, and what was written down before. */
function knownCodes(context: CommandContext, supplier: string, column: 'code' | 'colour', but: string): string[] {
  const written = queryAll<{ code: string }>(
    context.db,
    `SELECT DISTINCT ${column} AS code
      FROM selection
      WHERE supplier = @supplier AND ${column} <> '' AND id <> @but AND removed = 0`,
    { supplier, but },
  );
  const listed =
    column === 'code'
      ? queryAll<{ code: string }>(context.db, 'SELECT code FROM price WHERE supplier = @supplier', { supplier })
      : [];
  return [...written, ...listed].map((row) => row.code);
}

function askAboutCodes(context: CommandContext, id: string, supplier: string | null, facts: Facts): void {
  if (facts.codeMeant || !supplier) return;
  for (const column of ['code', 'colour'] as const) {
    const example = unlikeCode(facts[column], knownCodes(context, supplier, column, id));
    if (example)
      throw unprocessable(
        'code-unlike',
        `“${facts[column]}” is built otherwise than the other ${column}s of ${facts.supplier.trim()}, like ` +
          `${example}. If it is meant, tick that it is.`,
        column,
      );
  }
}

/** The price and the lead time from the supplier's own list, where the code is on it and nobody has said otherwise. */
function values(context: CommandContext, job: string, area: string, id: string, facts: Facts) {
  if (facts.calculation && requireRow(context, 'calculation', facts.calculation, 'calculation').area !== area)
    throw notFound('kept result in this area', 'calculation');
  if (facts.picture) requireRow(context, 'picture', facts.picture, 'picture');
  const supplier = supplierNamed(context, facts.supplier);
  askAboutCodes(context, id, supplier, facts);
  return {
    choice: facts.choice,
    code: facts.code,
    colour: facts.colour,
    finish: facts.finish,
    quantity: orNull(facts.quantity),
    unit: facts.unit,
    calculation: orNull(facts.calculation),
    unit_price: orNull(facts.unitPrice),
    supplier,
    lead_low: facts.leadLow,
    lead_high: facts.leadHigh,
    decides: facts.decides,
    approves: facts.approves,
    picture: orNull(facts.picture),
    check_days: facts.checkDays,
    acclimatise_days: facts.acclimatiseDays,
    buffer_days: facts.bufferDays,
    think_days: facts.thinkDays,
    note: facts.note,
  };
}

type Row = Rows['selection'];

function needSelection(context: CommandContext, id: string, version: number): Row {
  const row = requireRow(context, 'selection', id);
  if (row.removed) throw notFound('selection');
  // Whoever is shown both values reads names, not ids.
  if (row.version !== version)
    throw conflict('selection', {
      ...row,
      supplier:
        queryOne<{ name: string }>(context.db, 'SELECT name FROM supplier WHERE id = @id', { id: row.supplier })
          ?.name ?? '',
    });
  return row;
}

/** What is written down is chosen; what is wiped out is open again. What is ordered stays ordered. */
function stateAfter(state: SelectionState, choice: string): { state?: SelectionState } {
  if (state === 'open' && choice) return { state: 'chosen' };
  return !isOrdered(state) && !choice ? { state: 'open' } : {};
}

/** Where it stands after a step, and what goes with it. */
function stepValues(row: Row, to: SelectionState, day: Day, place: string) {
  if (!isOrdered(to)) return { state: to, ...NOT_ORDERED, came_on: null };
  if (isComing(to)) return { state: to, came_on: null };
  return { state: to, came_on: row.came_on ?? day, ...(place ? { kept_at: place } : {}) };
}

function add(
  context: CommandContext,
  job: string,
  item: { id: string; area: string; phase: Row['phase']; category: string } & Facts,
  over: Partial<Rows['selection']>,
): void {
  requireAreaOf(context, job, item.area);
  requireStep(context, item.area, item.phase);
  insert(context.db, 'selection', {
    id: item.id,
    job,
    area: item.area,
    phase: item.phase,
    category: item.category,
    state: 'open',
    ...values(context, job, item.area, item.id, item),
    ...over,
  });
}

/** One of the alternatives becomes the choice, kept as a decision with its reason. @returns it */
function take(context: PlanContext, row: Row, alternative: string, reason: string): Alternative {
  if (isOrdered(row.state))
    throw unprocessable('ordered-already', 'This is ordered; take the order back to choose again.', 'id');
  const taken = (JSON.parse(row.alternatives) as Alternative[]).find((entry) => entry.id === alternative);
  if (!taken) throw notFound('alternative', 'alternative');
  update(context.db, 'selection', row.id, {
    choice: taken.choice,
    code: taken.code,
    colour: taken.colour,
    finish: taken.finish,
    supplier: supplierNamed(context, taken.supplier) ?? row.supplier,
    unit_price: taken.unitPrice ?? row.unit_price,
    lead_low: taken.leadLow,
    lead_high: taken.leadHigh,
    picture: taken.picture ?? row.picture,
    state: 'chosen',
  });
  addHistory(context, { job: row.job, selection: row.id }, `chosen: ${orderWords(taken)}, because ${reason}`);
  recordDecision(context, {
    id: uuid(),
    job: row.job,
    area: row.area,
    subject: `${row.category}: ${taken.choice}`,
    reason,
  });
  context.replan(row.job, goodsCause(row, 'chosen'));
  return taken;
}

export const selectionHandlers = handlers({
  'selection.add': (context, { state, expectedOn, ...item }) => {
    if (isOrdered(state) && item.quantity === undefined)
      throw unprocessable('no-quantity', 'An order needs a quantity; say how many or how much.', 'quantity');
    if (isComing(state)) requireDayInJob(context, item.job, expectedOn, 'expectedOn');
    const now = today(context.installation);
    add(context, item.job, item, {
      state,
      ...(isComing(state) ? { expected_on: orNull(expectedOn), promised_on: orNull(expectedOn) } : {}),
      ...(isOrdered(state) ? { ordered_on: now, ordered_as: orderWords(item) } : {}),
      ...(isHere(state) ? { came_on: now } : {}),
    });
    addHistory(context, { job: item.job, selection: item.id }, `added, ${state}`);
    context.replan(item.job, goodsCause(item, 'added'));
  },
  'selections.import': (context, { job, lines }) => {
    const there = new Set(
      queryAll<{ area: string; category: string }>(
        context.db,
        'SELECT area, category FROM selection WHERE job = @job AND removed = 0',
        { job },
      ).map((row) => selectionKey(row.area, row.category)),
    );
    lines.forEach((line, index) => {
      const key = selectionKey(line.area, line.category);
      if (there.has(key))
        throw unprocessable(
          'exists-already',
          `${line.category} is in this area already, or twice in the list.`,
          `lines.${index}.category`,
        );
      there.add(key);
      // A list is the supplier's own word: its codes are not asked about one by one.
      add(context, job, { ...line, codeMeant: true }, { state: line.choice ? 'chosen' : 'open' });
      addHistory(context, { job, selection: line.id }, 'read from a list');
    });
    context.replan(job, { kind: 'goods-listed', lines: lines.length });
    return { lines: lines.length };
  },
  'selection.change': (context, { id, version, phase, category, ...facts }) => {
    const row = needSelection(context, id, version);
    if (phase !== row.phase) requireStep(context, row.area, phase);
    if (isOrdered(row.state) && facts.quantity === undefined)
      throw unprocessable('no-quantity', 'This is ordered; it keeps its quantity.', 'quantity');
    const words = orderWords(facts);
    update(context.db, 'selection', id, {
      ...values(context, row.job, row.area, id, facts),
      ...unseenPrices(context, row, 'unit_price'),
      phase,
      category,
      ...stateAfter(row.state, facts.choice),
    });
    if (words !== orderWords(row))
      addHistory(context, { job: row.job, selection: id }, words ? `chosen: ${words}` : 'nothing is chosen any more');
    context.replan(row.job, goodsCause({ id, category }, 'changed'));
  },
  'selection.allow': (context, { id, version, allowance }) => {
    const row = needSelection(context, id, version);
    if (allowance !== null) {
      const finding = requireRow(context, 'finding', allowance, 'allowance');
      if (finding.job !== row.job || finding.kind !== 'allowance' || finding.removed)
        throw notFound('allowance in this job', 'allowance');
    }
    update(context.db, 'selection', id, { allowance });
    context.logFor(row.job);
  },
  'selection.step': (context, { id, version, to, day, note: said, place }) => {
    const row = needSelection(context, id, version);
    if (to === row.state && (place === '' || place === row.kept_at))
      throw unprocessable('so-already', `This is ${to} already; say another state, or where it is kept.`, 'to');
    if (isComing(to) && !isOrdered(row.state))
      throw unprocessable('not-ordered', 'Order it first: an order has a day and a quantity.', 'to');
    if (to === 'left over')
      throw unprocessable(
        'say-what-is-left',
        'Say under Deliveries and storage what is left and where it is kept.',
        'to',
      );
    if ((to === 'chosen' || to === 'approved') && !row.choice)
      throw unprocessable('not-chosen', 'Nothing is chosen yet; write down what it is.', 'to');
    requirePastDay(context, day, 'day');
    if (isHere(to)) requireDayInJob(context, row.job, day, 'day');
    update(context.db, 'selection', id, stepValues(row, to, day, place));
    addHistory(
      context,
      { job: row.job, selection: id },
      [to === row.state ? 'moved' : to, place && `kept ${place}`, said].filter(Boolean).join(', '),
    );
    context.replan(row.job, goodsCause(row, to));
  },
  'selection.order': (context, { id, version, ...terms }) =>
    orderGoods(context, needSelection(context, id, version), terms),
  'selection.expect': (context, { id, version, expectedOn, note: said }) => {
    const row = needSelection(context, id, version);
    if (!isComing(row.state))
      throw unprocessable(
        'not-ordered',
        'Only what is ordered and not here has a day on which it comes.',
        'expectedOn',
      );
    requireDayInJob(context, row.job, expectedOn, 'expectedOn');
    moveArrival(context, row, expectedOn, said);
  },
  'selection.alternatives': (context, { id, version, alternatives }) => {
    const row = needSelection(context, id, version);
    if (isOrdered(row.state))
      throw unprocessable('ordered-already', 'This is ordered; there is nothing left to compare.', 'id');
    for (const [at, { picture }] of alternatives.entries())
      if (picture) requireRow(context, 'picture', picture, `alternatives.${at}.picture`);
    const before = JSON.parse(row.alternatives) as Alternative[];
    const priced = alternatives.map((one) => {
      const known = before.find((other) => other.id === one.id);
      return { ...one, ...unseenPrices(context, { unitPrice: known?.unitPrice ?? null }, 'unitPrice') };
    });
    update(context.db, 'selection', id, { alternatives: JSON.stringify(priced) });
    context.logFor(row.job);
  },
  'selection.choose': (context, { id, version, alternative, reason }) =>
    void take(context, needSelection(context, id, version), alternative, reason),
  'selection.pick': (context, { id, alternative, name, words }) => {
    const row = requireRow(context, 'selection', id);
    needClientOf(context, row.job);
    if (row.removed || row.decides !== 'client' || row.state !== 'open')
      throw unprocessable('not-asked', 'This is settled already, or is not yours to choose.', 'id');
    const reason = words.trim() ? `${name} says: ${words.trim()}` : `${name} chose it`;
    const { choice } = take(context, row, alternative, reason);
    confirmToClient(context, row.job, { name, what: `${row.category}: ${choice}` });
  },
  'selection.check': (context, { id, version, verdict, quantity, text, picture }) => {
    const row = needSelection(context, id, version);
    if (!isOrdered(row.state))
      throw unprocessable('not-ordered', 'What was never ordered cannot have come.', 'verdict');
    if (quantity !== undefined && row.quantity !== null && quantity > row.quantity)
      throw unprocessable('more-than-ordered', `Only ${row.quantity} ${row.unit} were ordered.`, 'quantity');
    if (verdict !== 'right' && text.trim() === '' && quantity === undefined && !picture)
      throw unprocessable('not-said', 'Say what came instead, how many are not right, or take a picture.', 'text');
    if (picture) {
      requireRow(context, 'picture', picture, 'picture');
      update(context.db, 'selection', id, { picture });
    }
    settleCheck(context, id, { verdict, text, ...(quantity === undefined ? {} : { quantity }) }, null);
  },
  'selection.fit-later': (context, { id, version, returnTrip }) => {
    const row = needSelection(context, id, version);
    if (isSettled(row.state))
      throw unprocessable('settled-already', 'This is here and checked; nothing waits for it.', 'id');
    update(context.db, 'selection', id, { return_trip: flag(returnTrip) });
    addHistory(
      context,
      { job: row.job, selection: id },
      returnTrip ? 'it is fitted on a return trip; the work goes on without it' : 'the work waits for it',
    );
    context.replan(row.job, goodsCause(row, returnTrip ? 'fitted-later' : 'waited-for'));
  },
});

/** Another day on which it comes; later than first promised it is a slip with its reason. */
export function moveArrival(
  context: PlanContext,
  row: Pick<Row, 'id' | 'job' | 'category' | 'expected_on' | 'promised_on'>,
  day: Day,
  why: string,
  over: Partial<Omit<Rows['selection'], 'id' | 'version'>> = {},
): void {
  const promised = row.promised_on ?? row.expected_on ?? day;
  const moved = row.expected_on !== null && row.expected_on !== day;
  update(context.db, 'selection', row.id, {
    expected_on: day,
    promised_on: promised,
    ...(moved ? { slip: day > promised ? why : '' } : {}),
    ...over,
  });
  const now = today(context.installation);
  const instead = moved ? ` instead of ${formatDay(row.expected_on ?? day, now)}` : '';
  addHistory(
    context,
    { job: row.job, selection: row.id },
    `comes ${formatDay(day, now)}${instead}${why ? `: ${why}` : ''}`,
  );
  context.replan(
    row.job,
    moved
      ? {
          kind: 'slip',
          selection: row.id,
          thing: row.category,
          days: daysBetween(row.expected_on ?? day, day),
          why,
        }
      : goodsCause(row, 'confirmed'),
  );
}
