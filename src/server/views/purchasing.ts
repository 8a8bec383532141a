import type {
  OrderLineView,
  PurchaseOrderHead,
  PurchaseOrderView,
  PurchasingView,
  ToOrder,
  ToOrderLine,
} from '@/contract/views/purchasing';
import type { SelectionView } from '@/contract/views/selections';
import { groupBy } from '@/core/group-by';
import { depositLeft } from '@/core/purchasing/bills';
import { lineSum, packsOf } from '@/core/purchasing/order-line';
import { boughtIn, sayPurchase } from '@/core/quantities/units';
import { isOrdered, orderWords } from '@/core/selections/states';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { sum } from '@/core/units/rounding';
import { capital } from '@/core/words/letters';
import { counted, listed } from '@/core/words/count';
import { sayMismatch } from '@/core/words/mismatch';
import { notFound } from '../refusal';
import { supplierRows } from '../reading/firm';
import { purchasesOf } from '../reading/goods';
import { areaNames, areasUpward, jobRow } from '../reading/job';
import { currencyOfFirm } from '../reading/money';
import { planOf, tasksOf } from '../reading/plan';
import {
  isOverdue,
  listedPrices,
  liveOrders,
  packsBefore,
  orderLine,
  ordersOf,
  type Order,
  type OrderedLine,
} from '../reading/purchasing';
import { ofJob, type JobReading } from '../reading/reading';
import { calculationRows, type CalculationRow } from '../reading/selections';
import { jobHead } from './job-head';
import { alternativesOf, selectionsOf } from './selection';
import { selectionCounts } from './selections';

/** Of what is on an order already: drafts among them, but not what is void. */
const onOrders = ofJob((job) => {
  const lines = ordersOf(job).flatMap(({ row, lines: all }) =>
    row.state === 'cancelled' ? [] : all.filter(({ neverComes }) => !neverComes),
  );
  return {
    selections: new Set(lines.flatMap(({ row }) => row.selection ?? [])),
    purchases: new Set(lines.map(({ row }) => `${row.calculation ?? ''} ${row.purchase ?? 0}`)),
  };
});

/** A chosen thing that is to be ordered: its price and pack as its supplier has them. */
function chosenLine(job: JobReading, item: SelectionView): ToOrderLine {
  const listed = listedPrices(job).get(item.id);
  const pack = packsBefore(job).get(item.id);
  const followed = item.calculation === null ? undefined : purchasesOf(job).get(item.calculation)?.[0];
  const needed = followed ? boughtIn(followed.quantity, followed.unit, jobRow(job).units) : item;
  return {
    key: item.id,
    selection: item.id,
    calculation: null,
    purchase: null,
    code: item.code,
    text: [item.category, orderWords({ ...item, code: '' })].filter(Boolean).join(': '),
    unit: needed.unit || 'pieces',
    quantity: needed.quantity,
    perPack: pack?.per_pack ?? null,
    unitPrice: item.unitPrice ?? listed?.unit_price ?? pack?.unit_price ?? null,
    pricedBy: item.unitPrice === null && listed?.unit_price == null && pack ? pack.priced_by : 'one',
    instead: alternativesOf(job, item.id)
      .filter(({ supplier, choice }) => supplier === item.supplier && choice !== item.choice)
      .map((other) => orderWords(other))
      .join(' or ')
      .slice(0, 200),
    area: item.area,
    orderBy: item.orderBy,
    needBy: item.needBy,
    waitsFor: item.waitsFor.map(({ text }) => text),
  };
}

/** What a kept result buys, each thing a line; nothing where a chosen thing stands for it or its step is done. */
function boughtLines(job: JobReading, row: CalculationRow): ToOrderLine[] {
  const [plan, { units }] = [planOf(job), jobRow(job)];
  const task = row.phase ? tasksOf(job).get(taskId(row.area, row.phase)) : undefined;
  if (task?.state === 'done') return [];
  const purchases = purchasesOf(job).get(row.id) ?? [];
  const needBy = plan && task ? dayOfSlot(plan.origin, task.start) : null;
  return purchases.flatMap((purchase, at) => {
    if (onOrders(job).purchases.has(`${row.id} ${at}`)) return [];
    const what = capital(sayPurchase(purchase, units));
    const { quantity, unit } = boughtIn(purchase.quantity, purchase.unit, units);
    return {
      key: `${row.id} ${at}`,
      selection: null,
      calculation: row.id,
      purchase: at,
      code: '',
      text: row.product ? (purchases.length > 1 ? `${row.product}: ${what}` : row.product) : what,
      unit: unit || 'pieces',
      quantity,
      perPack: null,
      unitPrice:
        purchases.length === 1 && row.unit_price !== null
          ? row.unit_price
          : purchase.price !== undefined && quantity > 0
            ? Math.round(purchase.price / quantity)
            : null,
      pricedBy: 'one' as const,
      instead: '',
      area: `${row.area_name}${row.phase ? `, ${phaseFacts(row.phase).label}` : ''}`,
      orderBy: needBy === null ? null : addDays(needBy, -USUAL_WAIT),
      needBy,
      waitsFor: [],
    };
  });
}

/** Days that a merchant's stock usually takes, where nobody has said more. */
const USUAL_WAIT = 7;

const earliest = (days: readonly (Day | null)[]): Day | null =>
  days.reduce<Day | null>((first, day) => (day !== null && (first === null || day < first) ? day : first), null);

/** Everything that is to be ordered and stands on no order, by supplier; the supplier that must hear first comes first. */
const toOrderOf = ofJob((job): ToOrder[] => {
  const { selections } = onOrders(job);
  const items = selectionsOf(job);
  const followed = new Set(items.flatMap(({ calculation }) => calculation ?? []));
  const chosen = items.filter(({ id, state, choice }) => choice !== '' && !isOrdered(state) && !selections.has(id));
  const entries = [
    ...chosen.map((item) => ({ supplier: item.supplier, area: item.areaId, line: chosenLine(job, item) })),
    ...calculationRows(job)
      .filter(({ id }) => !followed.has(id))
      .flatMap((row) => boughtLines(job, row).map((line) => ({ supplier: row.supplier.trim(), area: row.area, line }))),
  ];
  const { today } = job.firm;
  return [...groupBy(entries, ({ supplier }) => supplier)]
    .map(([supplier, group]): ToOrder => {
      const lines = group
        .map(({ line }) => line)
        .sort((a, b) => (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') || a.text.localeCompare(b.text));
      const orderBy = earliest(lines.map((line) => line.orderBy));
      const wanted = earliest(lines.map(({ needBy }) => needBy));
      return {
        supplier,
        orderBy,
        deliverOn: wanted !== null && wanted > today ? wanted : null,
        place: new Set(group.map(({ area }) => area)).size === 1 ? (group[0]?.area ?? null) : null,
        late: orderBy !== null && orderBy < today,
        lines,
      };
    })
    .sort((a, b) => (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') || a.supplier.localeCompare(b.supplier));
});

const headOf = (job: JobReading, order: Order): PurchaseOrderHead => {
  const { row, lines, total, unpriced } = order;
  return {
    id: row.id,
    number: row.number,
    supplier: row.supplier_name,
    state: row.state,
    sentOn: row.sent_on,
    deliverOn: row.deliver_on,
    place: row.place === null ? '' : (areaNames(job).get(row.place) ?? ''),
    what: `${listed(lines.slice(0, 2).map((line) => line.row.text))}${lines.length > 2 ? ` and ${lines.length - 2} more` : ''}`,
    total,
    unpriced,
    late: isOverdue(order, job.firm.today),
    toCome: lines.some(({ toCome }) => toCome > 0),
    mismatches: sum(lines.map(({ mismatches }) => mismatches.length)),
  };
};

const termsOf = (job: JobReading, office: boolean) => ({
  office,
  job: jobHead(job),
  today: job.firm.today,
  counts: selectionCounts(job),
  suppliers: supplierRows(job.firm).map(({ name }) => name),
  areas: areasUpward(job).map(({ id, name }) => ({ id, name })),
});

/**
 * A job's purchase orders, and what is to be ordered next.
 * @param office whoever looks may see prices; others see the orders that went out, without
 */
export const purchasingView = (job: JobReading, office: boolean): PurchasingView => ({
  ...termsOf(job, office),
  orders: office
    ? ordersOf(job).map((order) => headOf(job, order))
    : liveOrders(job).map((order) => ({ ...headOf(job, order), ...NO_SUMS })),
  toOrder: office ? toOrderOf(job) : [],
});

/** Sums nobody is shown. */
const NO_SUMS = { total: 0, unpriced: 0 };

function lineView(job: JobReading, order: Order, line: OrderedLine, office: boolean): OrderLineView {
  const { row, matched, toCome, toBill, movements } = line;
  const currency = currencyOfFirm(job.firm);
  const chosen = row.selection === null ? undefined : selectionsOf(job).find(({ id }) => id === row.selection);
  const kept = row.calculation === null ? undefined : calculationRows(job).find(({ id }) => id === row.calculation);
  return {
    id: row.id,
    selection: row.selection,
    calculation: row.calculation,
    purchase: row.purchase,
    code: row.code,
    text: row.text,
    unit: row.unit,
    quantity: row.quantity,
    perPack: row.per_pack,
    unitPrice: office ? row.unit_price : null,
    pricedBy: row.priced_by,
    instead: row.instead,
    area: chosen?.area ?? kept?.area_name ?? '',
    ordered: matched.ordered,
    packs: packsOf(orderLine(row)),
    sum: office ? lineSum(orderLine(row), currency) : null,
    replaces: row.replaces,
    planned: matched.planned,
    came: matched.came,
    wentBack: matched.wentBack,
    billed: matched.billed,
    toCome,
    toBill,
    mismatches: line.mismatches
      .filter(({ kind }) => office || kind !== 'price')
      .map((mismatch) => sayMismatch(mismatch, row.unit, currency)),
    movements: movements.map(({ id, kind, day, quantity, note }) => ({ id, kind, day, quantity, note })),
    canReplace: order.row.state === 'sent' && matched.came === 0 && !matched.isVoid,
  };
}

/** What a bill is for, in few words. */
const billWords = (order: Order, bill: Order['bills'][number]): string => {
  const texts = bill.lines.flatMap(({ line }) => order.lines.find(({ row }) => row.id === line)?.row.text ?? []);
  return [
    texts.length > 3 ? counted(texts.length, 'line') : listed(texts),
    bill.kind !== 'deposit' && bill.other > 0 ? 'carriage and other' : '',
    bill.lessDeposit > 0 ? 'less the deposit' : '',
  ]
    .filter(Boolean)
    .join(', ');
};

/** One purchase order with all that became of it. */
export function purchaseOrderView(job: JobReading, id: string, office: boolean): PurchaseOrderView {
  const order = (office ? ordersOf(job) : liveOrders(job)).find(({ row }) => row.id === id);
  if (!order) throw notFound('purchase order in this job');
  const { row } = order;
  const supplier = supplierRows(job.firm).find((entry) => entry.id === row.supplier);
  const lines = order.lines.map((line) => lineView(job, order, line, office));
  const waiting = new Map(selectionsOf(job).map((item) => [item.id, item.waitsFor]));
  return {
    ...termsOf(job, office),
    order: {
      id: row.id,
      version: row.version,
      number: row.number,
      supplier: row.supplier_name,
      state: row.state,
      sentOn: row.sent_on,
      deliverOn: row.deliver_on,
      half: row.half,
      place: row.place,
      placeName: row.place === null ? '' : (areaNames(job).get(row.place) ?? ''),
      placeNote: row.place_note,
      contact: row.contact,
      deposit: office ? row.deposit : null,
      carriage: office ? row.carriage : null,
      note: row.note,
      email: supplier?.email ?? '',
      phone: supplier?.phone ?? '',
      waitsFor: [
        ...new Set(lines.flatMap(({ selection }) => (waiting.get(selection ?? '') ?? []).map(({ text }) => text))),
      ],
    },
    lines,
    more:
      row.state === 'draft'
        ? toOrderOf(job)
            .filter(({ supplier: name }) => name === row.supplier_name || name === '')
            .flatMap((group) => group.lines)
        : [],
    bills: (office ? order.bills : []).map((bill) => ({
      id: bill.id,
      kind: bill.kind,
      number: bill.number,
      day: bill.day,
      sum: bill.sum,
      what: billWords(order, bill),
    })),
    total: order.total,
    unpriced: order.unpriced,
    billed: order.billed,
    depositLeft: depositLeft(order.bills),
    toPay: order.toPay,
    ...(office ? {} : { ...NO_SUMS, billed: 0, depositLeft: 0, toPay: 0 }),
  };
}
