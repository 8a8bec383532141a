import type { InferType } from 'yup';
import {
  addSelection,
  changeSelection,
  checkSelection,
  chooseAlternative,
  expectSelection,
  fitLater,
  importSelections,
  keepAlternatives,
  orderSelection,
  pickAlternative,
  stepSelection,
} from '@/contract/commands/selections';
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
import { formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { uuid } from '../database/id';
import { all, flag, insert, one, orNull, update, type Values } from '../database/query';
import { handler, need, needAreaOf, needStep, type Handler, type Visit } from '../door/handler';
import { notFound, stale, unfit } from '../door/refusal';
import { recordDecision } from '../scope/decisions';
import { needClientOf } from '../updates/tell-client';
import { settleCheck } from './checks';
import type { SelectionRow } from './rows';
import { needInJob, needPast } from './days';
import { note } from './trail';
import { ungranted } from './requests';

type Facts = Omit<InferType<typeof changeSelection.schema>, 'id' | 'version' | 'phase' | 'category'>;

/** The supplier of that name; a name that is new is a new supplier. */
export function supplierNamed(visit: Visit, name: string): string | null {
  const plain = name.trim();
  if (plain === '') return null;
  const known = one<{ id: string }>(visit.db, 'SELECT id FROM supplier WHERE name = @plain', { plain });
  if (known) return known.id;
  const id = uuid();
  insert(visit.db, 'supplier', { id, name: plain });
  return id;
}

/** Codes as this supplier builds them: its list, and what was written down before. */
function knownCodes(visit: Visit, supplier: string, column: 'code' | 'colour', but: string): string[] {
  const written = all<{ code: string }>(
    visit.db,
    `SELECT DISTINCT ${column} AS code
      FROM selection
      WHERE supplier = @supplier AND ${column} <> '' AND id <> @but AND removed = 0`,
    { supplier, but },
  );
  const listed =
    column === 'code'
      ? all<{ code: string }>(visit.db, 'SELECT code FROM price WHERE supplier = @supplier', { supplier })
      : [];
  return [...written, ...listed].map((row) => row.code);
}

function askAboutCodes(visit: Visit, id: string, supplier: string | null, facts: Facts): void {
  if (facts.codeMeant || !supplier) return;
  for (const column of ['code', 'colour'] as const) {
    const example = unlikeCode(facts[column], knownCodes(visit, supplier, column, id));
    if (example)
      throw unfit(
        'code-unlike',
        `“${facts[column]}” is built otherwise than the other ${column}s of ${facts.supplier.trim()}, like ` +
          `${example}. If it is meant, tick that it is.`,
        column,
      );
  }
}

/** The price and the lead time from the supplier's own list, where the code is on it and nobody has said otherwise. */
function values(visit: Visit, job: string, area: string, id: string, facts: Facts): Values {
  if (facts.calculation && need<{ area: string }>(visit, 'calculation', facts.calculation, 'calculation').area !== area)
    throw notFound('kept result in this area', 'calculation');
  if (facts.picture) need(visit, 'picture', facts.picture, 'picture');
  const supplier = supplierNamed(visit, facts.supplier);
  askAboutCodes(visit, id, supplier, facts);
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

type Row = Omit<SelectionRow, 'area_name' | 'supplier_name'>;

function needSelection(visit: Visit, id: string, version: number): Row {
  const row = need<Row & { removed: 0 | 1 }>(visit, 'selection', id);
  if (row.removed) throw notFound('selection');
  // Whoever is shown both values reads names, not ids.
  if (row.version !== version)
    throw stale('selection', {
      ...row,
      supplier:
        one<{ name: string }>(visit.db, 'SELECT name FROM supplier WHERE id = @id', { id: row.supplier })?.name ?? '',
    });
  return row;
}

const REVERTED: Values = {
  ordered_on: null,
  ordered_as: '',
  order_number: '',
  expected_on: null,
  promised_on: null,
  slip: '',
};

/** What is written down is chosen; what is wiped out is open again. What is ordered stays ordered. */
function stateAfter(state: SelectionState, choice: string): { state?: SelectionState } {
  if (state === 'open' && choice) return { state: 'chosen' };
  return !isOrdered(state) && !choice ? { state: 'open' } : {};
}

/** Where it stands after a step, and what goes with it. */
function stepValues(row: Row, to: SelectionState, day: Day, place: string): Values {
  if (!isOrdered(to)) return { state: to, ...REVERTED, came_on: null };
  if (isComing(to)) return { state: to, came_on: null };
  return { state: to, came_on: row.came_on ?? day, ...(place ? { kept_at: place } : {}) };
}

function add(
  visit: Visit,
  job: string,
  item: { id: string; area: string; phase: Row['phase']; category: string } & Facts,
  over: Values,
): void {
  needAreaOf(visit, job, item.area);
  needStep(visit, item.area, item.phase);
  insert(visit.db, 'selection', {
    id: item.id,
    job,
    area: item.area,
    phase: item.phase,
    category: item.category,
    state: 'open',
    ...values(visit, job, item.area, item.id, item),
    ...over,
  });
}

/** One of the alternatives becomes the choice, kept as a decision with its reason. */
function take(visit: Visit, row: Row, alternative: string, reason: string): void {
  if (isOrdered(row.state))
    throw unfit('ordered-already', 'This is ordered; take the order back to choose again.', 'id');
  const taken = (JSON.parse(row.alternatives) as Alternative[]).find((one_) => one_.id === alternative);
  if (!taken) throw notFound('alternative', 'alternative');
  update(visit.db, 'selection', row.id, {
    choice: taken.choice,
    code: taken.code,
    colour: taken.colour,
    finish: taken.finish,
    supplier: supplierNamed(visit, taken.supplier) ?? row.supplier,
    unit_price: taken.unitPrice ?? row.unit_price,
    lead_low: taken.leadLow,
    lead_high: taken.leadHigh,
    picture: taken.picture ?? row.picture,
    state: 'chosen',
  });
  note(visit, { job: row.job, selection: row.id }, `chosen: ${orderWords(taken)}, because ${reason}`);
  recordDecision(visit, {
    id: uuid(),
    job: row.job,
    area: row.area,
    subject: `${row.category}: ${taken.choice}`,
    reason,
  });
  visit.mark(row.job, `${row.category} was chosen`);
}

export const selectionHandlers: Handler[] = [
  handler(addSelection, (visit, { state, expectedOn, ...item }) => {
    if (isOrdered(state) && item.quantity === undefined)
      throw unfit('no-quantity', 'An order needs a quantity; say how many or how much.', 'quantity');
    if (isComing(state)) needInJob(visit, item.job, expectedOn, 'expectedOn');
    const now = today(visit.house);
    add(visit, item.job, item, {
      state,
      ...(isComing(state) ? { expected_on: orNull(expectedOn), promised_on: orNull(expectedOn) } : {}),
      ...(isOrdered(state) ? { ordered_on: now, ordered_as: orderWords(item) } : {}),
      ...(isHere(state) ? { came_on: now } : {}),
    });
    note(visit, { job: item.job, selection: item.id }, `added, ${state}`);
    visit.mark(item.job, `${item.category} was added`);
  }),
  handler(importSelections, (visit, { job, lines }) => {
    const there = new Set(
      all<{ area: string; category: string }>(
        visit.db,
        'SELECT area, category FROM selection WHERE job = @job AND removed = 0',
        { job },
      ).map((row) => selectionKey(row.area, row.category)),
    );
    lines.forEach((line, at) => {
      const key = selectionKey(line.area, line.category);
      if (there.has(key))
        throw unfit(
          'exists-already',
          `${line.category} is in this area already, or twice in the list.`,
          `lines.${at}.category`,
        );
      there.add(key);
      // A list is the supplier's own word: its codes are not asked about one by one.
      add(visit, job, { ...line, codeMeant: true }, { state: line.choice ? 'chosen' : 'open' });
      note(visit, { job, selection: line.id }, 'read from a list');
    });
    visit.mark(job, `${lines.length} selections were read from a list`);
    return { lines: lines.length };
  }),
  handler(changeSelection, (visit, { id, version, phase, category, ...facts }) => {
    const row = needSelection(visit, id, version);
    if (phase !== row.phase) needStep(visit, row.area, phase);
    if (isOrdered(row.state) && facts.quantity === undefined)
      throw unfit('no-quantity', 'This is ordered; it keeps its quantity.', 'quantity');
    const words = orderWords(facts);
    update(visit.db, 'selection', id, {
      ...values(visit, row.job, row.area, id, facts),
      phase,
      category,
      ...stateAfter(row.state, facts.choice),
    });
    if (words !== orderWords(row))
      note(visit, { job: row.job, selection: id }, words ? `chosen: ${words}` : 'nothing is chosen any more');
    visit.mark(row.job, `${category} changed`);
  }),
  handler(stepSelection, (visit, { id, version, to, day, note: said, place }) => {
    const row = needSelection(visit, id, version);
    if (to === row.state && (place === '' || place === row.kept_at))
      throw unfit('so-already', `This is ${to} already; say another state, or where it is kept.`, 'to');
    if (isComing(to) && !isOrdered(row.state))
      throw unfit('not-ordered', 'Order it first: an order has a day and a quantity.', 'to');
    if (to === 'left over')
      throw unfit('say-what-is-left', 'Say under Deliveries and storage what is left and where it is kept.', 'to');
    if ((to === 'chosen' || to === 'approved') && !row.choice)
      throw unfit('not-chosen', 'Nothing is chosen yet; write down what it is.', 'to');
    needPast(visit, day, 'day');
    if (isHere(to)) needInJob(visit, row.job, day, 'day');
    update(visit.db, 'selection', id, stepValues(row, to, day, place));
    note(
      visit,
      { job: row.job, selection: id },
      [to === row.state ? 'moved' : to, place && `kept ${place}`, said].filter(Boolean).join(', '),
    );
    visit.mark(row.job, `${row.category}: ${to}`);
  }),
  handler(
    orderSelection,
    (visit, { id, version, day, quantity, unit, orderNumber, expectedOn, despite, note: said }) => {
      const row = needSelection(visit, id, version);
      if (isOrdered(row.state))
        throw unfit('ordered-already', 'This is ordered already; what changes now is agreed with the supplier.', 'id');
      if (!row.choice) throw unfit('not-chosen', 'Nothing is chosen yet; an order says what it is.', 'quantity');
      needPast(visit, day, 'day');
      if (expectedOn !== undefined && expectedOn < day)
        throw unfit('wrong-way-round', 'It cannot come before it is ordered; give a later day.', 'expectedOn');
      needInJob(visit, row.job, expectedOn, 'expectedOn');
      const missing = ungranted(visit, id);
      if (missing && !despite.trim())
        throw unfit(
          'not-granted',
          `It waits for ${missing}. Say why it goes out all the same, or wait for the answer.`,
          'despite',
        );
      update(visit.db, 'selection', id, {
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
      note(
        visit,
        { job: row.job, selection: id },
        [
          `ordered on ${formatDay(day)}: ${quantity} ${unit}, ${orderWords(row)}`,
          orderNumber && `order ${orderNumber}`,
          missing && `although it waits for ${missing}: ${despite.trim()}`,
          said,
        ]
          .filter(Boolean)
          .join(', '),
      );
      visit.mark(row.job, `${row.category}: ordered`);
      visit.house.news.emit('ordered');
    },
  ),
  handler(expectSelection, (visit, { id, version, expectedOn, note: said }) => {
    const row = needSelection(visit, id, version);
    if (!isComing(row.state))
      throw unfit('not-ordered', 'Only what is ordered and not here has a day on which it comes.', 'expectedOn');
    needInJob(visit, row.job, expectedOn, 'expectedOn');
    moveArrival(visit, row, expectedOn, said);
  }),
  handler(keepAlternatives, (visit, { id, version, alternatives }) => {
    const row = needSelection(visit, id, version);
    if (isOrdered(row.state))
      throw unfit('ordered-already', 'This is ordered; there is nothing left to compare.', 'id');
    for (const [at, { picture }] of alternatives.entries())
      if (picture) need(visit, 'picture', picture, `alternatives.${at}.picture`);
    update(visit.db, 'selection', id, { alternatives: JSON.stringify(alternatives) });
    visit.touches(row.job);
  }),
  handler(chooseAlternative, (visit, { id, version, alternative, reason }) =>
    take(visit, needSelection(visit, id, version), alternative, reason),
  ),
  handler(pickAlternative, (visit, { id, alternative, name, words }) => {
    const row = need<Row & { removed: 0 | 1 }>(visit, 'selection', id);
    needClientOf(visit, row.job);
    if (row.removed || row.decides !== 'client' || row.state !== 'open')
      throw unfit('not-asked', 'This is settled already, or is not yours to choose.', 'id');
    take(visit, row, alternative, words.trim() ? `${name} says: ${words.trim()}` : `${name} chose it`);
  }),
  handler(checkSelection, (visit, { id, version, verdict, quantity, text, picture }) => {
    const row = needSelection(visit, id, version);
    if (!isOrdered(row.state)) throw unfit('not-ordered', 'What was never ordered cannot have come.', 'verdict');
    if (quantity !== undefined && row.quantity !== null && quantity > row.quantity)
      throw unfit('more-than-ordered', `Only ${row.quantity} ${row.unit} were ordered.`, 'quantity');
    if (picture) {
      need(visit, 'picture', picture, 'picture');
      update(visit.db, 'selection', id, { picture });
    }
    settleCheck(visit, id, { verdict, text, ...(quantity === undefined ? {} : { quantity }) }, null);
  }),
  handler(fitLater, (visit, { id, version, returnTrip }) => {
    const row = needSelection(visit, id, version);
    if (isSettled(row.state)) throw unfit('settled-already', 'This is here and checked; nothing waits for it.', 'id');
    update(visit.db, 'selection', id, { return_trip: flag(returnTrip) });
    note(
      visit,
      { job: row.job, selection: id },
      returnTrip ? 'it is fitted on a return trip; the work goes on without it' : 'the work waits for it',
    );
    visit.mark(row.job, `${row.category}: ${returnTrip ? 'fitted on a return trip' : 'the work waits'}`);
  }),
];

/** Another day on which it comes; later than first promised it is a slip with its reason. */
export function moveArrival(
  visit: Visit,
  row: Pick<Row, 'id' | 'job' | 'category' | 'expected_on' | 'promised_on'>,
  day: Day,
  why: string,
  over: Values = {},
): void {
  const promised = row.promised_on ?? row.expected_on ?? day;
  const moved = row.expected_on !== null && row.expected_on !== day;
  update(visit.db, 'selection', row.id, {
    expected_on: day,
    promised_on: promised,
    ...(moved ? { slip: day > promised ? why : '' } : {}),
    ...over,
  });
  const now = today(visit.house);
  const instead = moved ? ` instead of ${formatDay(row.expected_on ?? day, now)}` : '';
  note(visit, { job: row.job, selection: row.id }, `comes ${formatDay(day, now)}${instead}${why ? `: ${why}` : ''}`);
  visit.mark(
    row.job,
    `${row.category}: ${moved ? (day > (row.expected_on ?? day) ? 'slipped' : 'comes earlier') : 'confirmed'}`,
  );
}
