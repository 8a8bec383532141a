import { routes, type Path } from '@/contract/routes';
import type {
  RequestsView,
  SelectionCounts,
  SelectionPageView,
  SelectionsView,
  SelectionView,
  StepsOf,
} from '@/contract/views/selections';
import type { Cause } from '@/core/schedule/cause';
import { boughtIn, sayPurchase } from '@/core/quantities/units';
import type { Purchase } from '@/core/quantities/calculator';
import type { DateWhy } from '@/core/selections/date-why';
import { arrival, orderDay } from '@/core/selections/order-by';
import { followsWords, isOrdered } from '@/core/selections/states';
import { leftoverId, taskId } from '@/core/sequence/site';
import { daysBetween } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { ofKind } from '@/core/walks/observation';
import { checkWords } from '@/core/selections/check';
import { capital } from '@/core/words/letters';
import { sayDateWhy } from '@/core/words/date-why';
import { notFound } from '../refusal';
import { jobHead } from './job-head';
import { closuresOf, personNames, supplierRows } from '../reading/firm';
import { areasUpward, jobRow, phasesOf } from '../reading/job';
import { newestMoves } from '../reading/baselines';
import { planOf, readPlan, tasksOf, type StoredPlan } from '../reading/plan';
import { ofJob, type FirmReading, type JobReading } from '../reading/reading';
import { isOverdue, liveOrders } from '../reading/purchasing';
import { recordsOfMatters } from '../reading/records';
import { calculationRows, deliveryRows, selectionRows } from '../reading/selections';
import { whenSeen } from '../words';
import { alternativesOf, selectionsBy, selectionsOf, historyOf, workStart } from './selection';
import { requestViews } from './requests';

/** A job's areas that have work, with their steps in the usual order. */
const stepsOf = ofJob((job): StepsOf[] =>
  areasUpward(job).flatMap(({ id, name }) => {
    const phases = phasesOf(job).get(id);
    return phases ? [{ id, name, phases }] : [];
  }),
);

const supplierNames = (firm: FirmReading): string[] => supplierRows(firm).map((row) => row.name);

export const selectionCounts = ofJob((job): SelectionCounts => ({
  requests: requestViews(job).filter((request) => request.late || request.near).length,
  orders: liveOrders(job).filter(
    (order) => isOverdue(order, job.firm.today) || order.lines.some(({ mismatches }) => mismatches.length > 0),
  ).length,
  deliveries: deliveryRows(job).filter((row) => row.state === 'planned').length,
}));

/** The table of selections, and the steps that a new one could be for. */
export const selectionsView = (job: JobReading): SelectionsView => ({
  job: jobHead(job),
  today: job.firm.today,
  selections: selectionsOf(job),
  areas: stepsOf(job),
  suppliers: supplierNames(job.firm),
  counts: selectionCounts(job),
});

export function requestsView(job: JobReading): RequestsView {
  const row = jobRow(job);
  return {
    job: jobHead(job),
    today: job.firm.today,
    client: { name: row.client, address: row.client_email },
    requests: requestViews(job),
    areas: stepsOf(job),
    selections: selectionsOf(job).map((item) => ({
      id: item.id,
      text: `${item.category}, ${item.area}`,
    })),
    counts: selectionCounts(job),
  };
}

/** All that is known of one selection. */
export function selectionPage(job: JobReading, id: string): SelectionPageView {
  const { firm } = job;
  const now = firm.today;
  const items = selectionsOf(job);
  const item = items.find((selection) => selection.id === id);
  if (!item) throw notFound('selection in this job');
  const row = selectionRows(job).find((entry) => entry.id === id);
  const suppliers = supplierRows(firm);
  const closed = (supplier: string | null | undefined) => (supplier && closuresOf(firm).get(supplier)) || [];
  return {
    job: jobHead(job),
    today: now,
    item,
    steps: stepsOf(job).find((area) => area.id === item.areaId)?.phases ?? [],
    suppliers: supplierNames(firm),
    closures: closed(item.supplierId),
    calculations: calculationRows(job)
      .filter((kept) => kept.area === item.areaId)
      .flatMap((kept) => {
        const [bought] = JSON.parse(kept.purchases) as Purchase[];
        if (!bought) return [];
        const needed = boughtIn(bought.quantity, bought.unit, jobRow(job).units);
        const what = kept.product || capital(sayPurchase(bought, jobRow(job).units));
        return [{ id: kept.id, text: `${what}: ${needed.quantity} ${needed.unit}`, ...needed }];
      }),
    alternatives: alternativesOf(job, id).map((alternative) => {
      const days = closed(suppliers.find((supplier) => supplier.name === alternative.supplier)?.id);
      const last = item.waitsFor
        .map((wait) => wait.expected)
        .sort()
        .at(-1);
      const there = arrival(orderDay(last && last > now ? last : now, days), alternative.leadHigh, days);
      return {
        ...alternative,
        there,
        after: item.needBy === null ? null : Math.max(0, daysBetween(item.needBy, there)),
      };
    }),
    explanation: dateExplanation(job, item),
    related: items
      .filter((selection) => selection.id === item.follows?.id || selection.follows?.id === id)
      .map((selection) => ({
        id: selection.id,
        text:
          selection.follows?.id === id
            ? `${followsWords(selection.follows.as, selection.state)}: ${selection.quantity ?? ''} ${selection.unit}, ` +
              selection.state
            : `it is ${item.follows?.as === 'rest' ? 'the rest of' : `${followsWords('re-order', item.state)} for`} ` +
              `${selection.category.toLowerCase()}, ${selection.state}`,
      })),
    requests: requestViews(job).filter((request) => request.waits.some((wait) => wait.selection === id)),
    checks: ofKind(recordsOfMatters(firm.db, [`selection:${id}`]), 'selection-check')
      .reverse()
      .map((check) => ({
        id: check.id,
        when: whenSeen(check.at, firm),
        by: personNames(firm).get(check.person) ?? '',
        good: check.verdict === 'right',
        picture: check.picture ?? null,
        text: checkWords(
          {
            verdict: check.verdict,
            text: check.text ?? '',
            ...(check.quantity === undefined ? {} : { quantity: check.quantity }),
          },
          item.orderedAs || item.choice,
          item.unit,
        ),
      })),
    history: historyOf(firm, 'selection', id),
    desk: suppliers.find((supplier) => supplier.id === row?.supplier)?.desk === 1,
  };
}

/**
 * From the work back: why it is needed then, and so ordered and decided by then; what became late since the plan
 * before.
 */
function dateExplanation(job: JobReading, item: SelectionView): SelectionPageView['explanation'] {
  const now = job.firm.today;
  const plan = planOf(job);
  const id = item.returnTrip ? leftoverId(item.id) : taskId(item.areaId, item.phase);
  const planned = tasksOf(job).get(id);
  const task = planned?.state === 'done' ? undefined : planned;
  const { needBy, orderBy, decideBy } = item;
  const told = (why: DateWhy, href: Path | null = null): Explanation[number] => ({ text: sayDateWhy(why, now), href });
  if (!needBy || !orderBy || !decideBy)
    return [told({ kind: item.returnTrip || !task ? 'nothing-waits' : 'not-planned' })];
  const at = task ? routes.schedule(job.id, { by: 'room', task: id }) : null;
  const { area, step, checkDays, acclimatiseDays: lieDays } = item;
  return [
    told({ kind: 'needed', by: needBy, area, step, start: workStart(plan, id), checkDays, lieDays }, at),
    ...(isOrdered(item.state)
      ? []
      : [
          told({
            kind: 'order',
            by: orderBy,
            leadLow: item.leadLow,
            leadHigh: item.leadHigh,
            inHand: item.bufferDays,
          }),
          ...(item.waitsFor.length === 0
            ? [told({ kind: 'decide', by: decideBy, thinkDays: item.thinkDays })]
            : item.waitsFor.map((wait) =>
                told(
                  { kind: 'granted', by: decideBy, waits: wait.text, expected: wait.expected },
                  routes.requests(job.id, wait.id),
                ),
              )),
        ]),
    ...(item.there && task && plan ? [told(arrivalWhy(item, item.there, task, plan), at)] : []),
    ...sinceLastPlan(job, item).map((why) => told(why)),
  ];
}

type Explanation = SelectionPageView['explanation'];

function arrivalWhy(
  item: SelectionView,
  there: NonNullable<SelectionView['there']>,
  task: StoredPlan['tasks'][number],
  plan: StoredPlan,
): DateWhy {
  if (there.after <= 0) return { kind: 'in-time', because: there.because };
  const itself = task.reason.kind === 'not-before' && task.reason.selection === item.id;
  return {
    kind: 'too-late',
    days: there.after,
    because: there.because,
    work: task.work,
    start: dayOfSlot(plan.origin, task.start),
    reason: itself ? null : task.reason,
  };
}

/** What became of its days with the newest plan. */
function sinceLastPlan(job: JobReading, item: SelectionView): DateWhy[] {
  const plan = planOf(job);
  const before = plan && earlier(job, plan.version, item.id);
  if (!before) return [];
  const causes = movedBy(job, plan, item);
  if (item.due.late && !before.due.late) return [{ kind: 'became-late', causes }];
  return before.needBy && before.needBy !== item.needBy ? [{ kind: 'need-moved', before: before.needBy, causes }] : [];
}

/** What moved the work that it is for; what the plan was made anew for where that did not move. */
function movedBy(job: JobReading, plan: StoredPlan, item: SelectionView): readonly Cause[] {
  const task = item.returnTrip ? leftoverId(item.id) : taskId(item.areaId, item.phase);
  return newestMoves(job).find((move) => move.task === task)?.causes ?? plan.causes;
}

/** The same selection by the plan before this one. */
function earlier(job: JobReading, version: number, id: string): SelectionView | undefined {
  const plan = readPlan(job.firm.db, { job: job.id, version: version - 1 });
  return plan && selectionsBy(job, plan).find((item) => item.id === id);
}
