import type { SelectionView, HistoryLine } from '@/contract/views/selections';
import { groupBy } from '@/core/group-by';
import { checkWords, type Check } from '@/core/selections/check';
import { arrivalOf } from '@/core/selections/arrival';
import { dueOf } from '@/core/selections/due';
import { selectionDates, type Closure, type SelectionDates } from '@/core/selections/order-by';
import type { Of } from '@/core/walks/observation';
import { daysToCome, expectedOf, isGiven, PARTIES, requestLabel, type Requests } from '@/core/selections/requests';
import { type Alternative } from '@/core/selections/states';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { daysBetween, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { sayArrival } from '@/core/words/wait';
import { closuresOf } from '../reading/firm';
import { purchasesOf, quantityOf } from '../reading/goods';
import { newestHistory, type HistoryRow } from '../reading/history';
import { stepRows, jobRow } from '../reading/job';
import { planOf, type StoredPlan } from '../reading/plan';
import { ofJob, type FirmReading, type JobReading } from '../reading/reading';
import { foundOf } from '../reading/standing';
import { openRequests, orderedOf, requestsOf, type SelectionRow, selectionRows, waitRows } from '../reading/selections';
import { whenSeen } from '../words';
import { taskOf } from '../plan/waits';

/**
 * The day on which the work that uses a thing would start if everything chosen were there, or does start where crews
 * make that earlier; null where the plan has none.
 */
export function workStart(plan: StoredPlan | undefined, task: string): Day | null {
  const planned = plan?.tasks.find((plannedTask) => plannedTask.id === task);
  if (!plan || !planned || planned.state === 'done') return null;
  return dayOfSlot(plan.origin, Math.min(plan.wanted[task] ?? planned.start, planned.start));
}

/**
 * Days that must pass between the choice and the order: thinking, and the longest chain of what is still to be granted.
 */
const approvalDays = (row: SelectionRow, waits: readonly string[], requests: Requests): number =>
  Math.max(
    row.think_days,
    ...waits.map((id) => {
      const request = requests.get(id);
      return request ? daysToCome(request, requests) : 0;
    }),
  );

function datesOf(
  row: SelectionRow,
  start: Day | null,
  closures: readonly Closure[],
  approval: number,
): SelectionDates | null {
  return start === null
    ? null
    : selectionDates({
        workStart: start,
        checkDays: row.check_days,
        acclimatiseDays: row.acclimatise_days,
        leadLow: row.lead_low,
        leadHigh: row.lead_high,
        bufferDays: row.buffer_days,
        closures,
        approvalDays: approval,
      });
}

/** A request that is still open, in words with the day on which it is expected. */
function waitedFor(requests: Requests, id: string, now: Day): SelectionView['waitsFor'] {
  const request = requests.get(id);
  if (!request || isGiven(request)) return [];
  const expected = expectedOf(request, requests, now);
  return [{ id, party: PARTIES[request.party], text: requestLabel(request), expected }];
}

/** How it was found when it came, held against what was ordered. */
function foundAs(check: Pick<Of<'selection-check'>, 'verdict' | 'text' | 'quantity'>, row: SelectionRow) {
  const { verdict, text = '', quantity } = check;
  const seen = { verdict, text, ...(quantity === undefined ? {} : { quantity }) };
  return { verdict, text: checkWords(seen, row.ordered_as || row.choice, row.unit) };
}

/**
 * A job's selections with their dates from the plan, the most urgent first. Need-by is the day on which the work that
 * uses the thing would start if everything chosen were on site, less the days to look at it and to let it lie.
 */
export const selectionsOf = ofJob((job): SelectionView[] => selectionsBy(job, planOf(job)));

/** What one costs, for whoever sees prices. */
const seenPrice = ({ firm }: JobReading, price: number | null): number | null => (firm.sees.prices ? price : null);

/** The same by another plan than the newest. */
export function selectionsBy(job: JobReading, plan: StoredPlan | undefined): SelectionView[] {
  const now = job.firm.today;
  const closures = closuresOf(job.firm);
  const requests = requestsOf(job);
  const waiting = groupBy(
    waitRows(job).filter((wait) => wait.selection !== null),
    (wait) => wait.selection ?? '',
  );
  const open = openRequests(job);
  const checks = foundOf(job);
  const trades = new Map(stepRows(job).map((step) => [taskId(step.area, step.phase), step.trade]));
  const purchases = purchasesOf(job);
  return selectionRows(job)
    .map((row): SelectionView => {
      const closed = (row.supplier && closures.get(row.supplier)) || [];
      const asked = (waiting.get(row.id) ?? []).map((wait) => wait.request);
      const dates = datesOf(row, workStart(plan, taskOf(row)), closed, approvalDays(row, asked, requests));
      const coming = arrivalOf(orderedOf(row), closed, open.get(row.id) ?? [], now);
      const check = checks.get(row.id);
      return {
        id: row.id,
        version: row.version,
        areaId: row.area,
        area: row.area_name,
        phase: row.phase,
        step: phaseFacts(row.phase).label,
        trade: trades.get(taskId(row.area, row.phase)) ?? phaseFacts(row.phase).trade,
        category: row.category,
        allowance: row.allowance,
        choice: row.choice,
        code: row.code,
        colour: row.colour,
        finish: row.finish,
        ...quantityOf(row, purchases, jobRow(job).units),
        calculation: row.calculation,
        unitPrice: seenPrice(job, row.unit_price),
        supplier: row.supplier_name,
        supplierId: row.supplier,
        leadLow: row.lead_low,
        leadHigh: row.lead_high,
        decides: row.decides,
        approves: row.approves,
        picture: row.picture,
        checkDays: row.check_days,
        acclimatiseDays: row.acclimatise_days,
        bufferDays: row.buffer_days,
        thinkDays: row.think_days,
        note: row.note,
        state: row.state,
        orderedOn: row.ordered_on,
        orderedAs: row.ordered_as,
        orderNumber: row.order_number,
        expectedOn: row.expected_on,
        cameOn: row.came_on,
        keptAt: row.kept_at,
        needBy: dates?.needBy ?? null,
        orderBy: dates?.orderBy ?? null,
        orderLatest: dates?.orderLatest ?? null,
        decideBy: dates?.decideBy ?? null,
        due: dueOf({ state: row.state, expectedOn: row.expected_on }, dates, now),
        there: coming && {
          day: coming.there,
          after: dates ? Math.max(0, daysBetween(dates.needBy, coming.there)) : 0,
          because: sayArrival(row.category, coming.why, now),
        },
        follows: row.follows && row.follows_as ? { id: row.follows, as: row.follows_as } : null,
        returnTrip: row.return_trip === 1,
        delivery: row.delivery,
        waitsFor: asked.flatMap((id) => waitedFor(requests, id, now)),
        found: row.found ? foundAs(JSON.parse(row.found) as Check, row) : check ? foundAs(check, row) : null,
      };
    })
    .sort(
      (a, b) =>
        Number(a.due.what === 'settled') - Number(b.due.what === 'settled') ||
        (a.due.day ?? '9').localeCompare(b.due.day ?? '9') ||
        a.category.localeCompare(b.category),
    );
}

/** What a selection can be chosen from. */
export function alternativesOf(job: JobReading, id: string): Alternative[] {
  const row = selectionRows(job).find((one) => one.id === id);
  const alternatives = JSON.parse(row?.alternatives ?? '[]') as Alternative[];
  return job.firm.sees.prices ? alternatives : alternatives.map((one) => ({ ...one, unitPrice: null }));
}

/** How many lines of a history are told at once. */
const HISTORY_LINES = 60;

/** The history of a selection or a request, the newest first. */
export const historyOf = (firm: FirmReading, of: 'selection' | 'request', id: string): HistoryLine[] =>
  newestHistory(firm.db, of, [id], HISTORY_LINES).map((row) => historyLine(firm, row));

export const historyLine = (firm: FirmReading, { id, at, who, text, desk }: HistoryRow): HistoryLine => ({
  id,
  when: whenSeen(at, firm),
  who,
  text,
  desk: desk === 1,
});
