import { routes } from '@/contract/routes';
import type {
  RequestsView,
  SelectionCounts,
  SelectionPageView,
  SelectionsView,
  SelectionView,
  StepsOf,
} from '@/contract/views/selections';
import type { Purchase } from '@/core/quantities/calculator';
import { leadWords } from '@/core/selections/lead-words';
import { arrival, orderDay } from '@/core/selections/order-by';
import { isOrdered } from '@/core/selections/states';
import { leftoverId, taskId } from '@/core/sequence/site';
import { daysBetween, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { checkWords } from '@/core/selections/check';
import { capital } from '@/core/words';
import { firmTime, today } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { readPlan, type StoredPlan } from '../schedule/read-plan';
import { areasOf, phasesOf } from '../scope/queries';
import { jobHead, requireJob } from '../sites/queries';
import { observationsOfKind } from '../walks/queries';
import { whenSeen } from '../words';
import { alternativesOf, selectionsOf, historyOf, workStart } from './queries';
import { requestViews } from './request-views';
import { closuresOf } from './rows';

/** A job's areas that have work, with their steps in the usual order. */
function stepsOf(db: Connection, job: string): StepsOf[] {
  const phases = phasesOf(db, job);
  return areasOf(db, job).flatMap(({ id, name }) =>
    phases.has(id) ? [{ id, name, phases: phases.get(id) ?? [] }] : [],
  );
}

const supplierNames = (db: Connection): string[] =>
  queryAll<{ name: string }>(db, 'SELECT name FROM supplier ORDER BY name').map((row) => row.name);

export function selectionCounts(installation: Installation, job: string): SelectionCounts {
  return {
    requests: requestViews(installation, job).filter((request) => request.late || request.near).length,
    deliveries:
      queryOne<{ count: number }>(
        installation.db,
        `SELECT count(*) AS count FROM delivery WHERE job = @job AND state = 'planned'`,
        { job },
      )?.count ?? 0,
  };
}

/** The table of selections, and the steps that a new one could be for. */
export function selectionsView(installation: Installation, job: string): SelectionsView {
  return {
    job: jobHead(installation, job),
    today: today(installation),
    selections: selectionsOf(installation, job),
    areas: stepsOf(installation.db, job),
    suppliers: supplierNames(installation.db),
    counts: selectionCounts(installation, job),
  };
}

export function requestsView(installation: Installation, job: string): RequestsView {
  const row = requireJob(installation.db, job);
  return {
    job: jobHead(installation, job),
    today: today(installation),
    client: { name: row.client, address: row.client_email },
    requests: requestViews(installation, job),
    areas: stepsOf(installation.db, job),
    selections: selectionsOf(installation, job).map((item) => ({
      id: item.id,
      text: `${item.category}, ${item.area}`,
    })),
    counts: selectionCounts(installation, job),
  };
}

/** All that is known of one selection. */
export function selectionPage(installation: Installation, job: string, id: string): SelectionPageView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const plan = readPlan(db, { job });
  const items = selectionsOf(installation, job, plan);
  const item = items.find((selection) => selection.id === id);
  if (!item) throw notFound('selection in this job');
  const row = queryOne<{ desk: 0 | 1 | null }>(
    db,
    `SELECT desk
      FROM selection
      LEFT JOIN supplier ON supplier.id = selection.supplier
      WHERE selection.id = @id`,
    { id },
  );
  const closures = (item.supplierId && closuresOf(db).get(item.supplierId)) || [];
  const people = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM person').map((person) => [person.id, person.name]),
  );
  return {
    job: jobHead(installation, job),
    today: now,
    item,
    steps: stepsOf(db, job).find((area) => area.id === item.areaId)?.phases ?? [],
    suppliers: supplierNames(db),
    closures,
    calculations: queryAll<{ id: string; product: string; calculator: string; purchases: string }>(
      db,
      'SELECT id, product, calculator, purchases FROM calculation WHERE area = @area AND removed = 0',
      { area: item.areaId },
    ).flatMap((kept) => {
      const [bought] = JSON.parse(kept.purchases) as Purchase[];
      return bought
        ? [
            {
              id: kept.id,
              text: `${kept.product || capital(bought.what)}: ${bought.quantity} ${bought.unit}`,
              quantity: bought.quantity,
              unit: bought.unit,
            },
          ]
        : [];
    }),
    alternatives: alternativesOf(db, id).map((alternative) => {
      const supplier = queryOne<{ id: string }>(db, 'SELECT id FROM supplier WHERE name = @name', {
        name: alternative.supplier,
      });
      const closed = (supplier && closuresOf(db).get(supplier.id)) || [];
      const last = item.waitsFor
        .map((wait) => wait.expected)
        .sort()
        .at(-1);
      const there = arrival(orderDay(last && last > now ? last : now, closed), alternative.leadHigh, closed);
      return {
        ...alternative,
        there,
        after: item.needBy === null ? null : Math.max(0, daysBetween(item.needBy, there)),
      };
    }),
    explanation: dateExplanation(installation, job, item, plan),
    related: items
      .filter((selection) => selection.id === item.follows?.id || selection.follows?.id === id)
      .map((selection) => ({
        id: selection.id,
        text:
          selection.follows?.id === id
            ? `${selection.follows.as === 'rest' ? 'the rest' : 'ordered again'}: ${selection.quantity ?? ''} ${selection.unit}, ` +
              selection.state
            : `it is ${item.follows?.as === 'rest' ? 'the rest of' : 'ordered again for'} ` +
              `${selection.category.toLowerCase()}, ${selection.state}`,
      })),
    requests: requestViews(installation, job).filter((request) => request.waits.some((wait) => wait.selection === id)),
    checks: observationsOfKind(db, job, 'selection-check')
      .filter((check) => check.selection === id)
      .reverse()
      .map((check) => ({
        id: check.id,
        when: whenSeen(check.at, time),
        by: people.get(check.person) ?? '',
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
    history: historyOf(db, 'selection', id, time),
    desk: row?.desk === 1,
  };
}

/**
 * From the work back: why it is needed then, and so ordered and decided by then; what became late since the plan
 * before.
 */
function dateExplanation(
  installation: Installation,
  job: string,
  item: SelectionView,
  plan: StoredPlan | undefined,
): SelectionPageView['explanation'] {
  const { today: now } = firmTime(installation);
  const id = item.returnTrip ? leftoverId(item.id) : taskId(item.areaId, item.phase);
  const task = plan?.tasks.find((planned) => planned.id === id && planned.state !== 'done');
  const { needBy, orderBy, decideBy } = item;
  if (!needBy || !orderBy || !decideBy) {
    const text = item.returnTrip || !task ? 'The plan has no work that waits for it.' : 'It is not planned yet.';
    return [{ text, href: null }];
  }
  const at = task ? routes.schedule(job, { by: 'room', task: id }) : null;
  return [
    { text: neededWords(item, needBy, workStart(plan, id), now), href: at },
    ...(isOrdered(item.state) ? [] : orderLines(job, item, orderBy, decideBy, now)),
    ...(item.there && task && plan ? [{ text: arrivalWords(item, item.there, task, plan, now), href: at }] : []),
    ...sinceLastPlan(installation, job, item, plan, now),
  ];
}

type Explanation = SelectionPageView['explanation'];

function neededWords(item: SelectionView, needBy: Day, start: Day | null, now: Day): string {
  const lie = item.acclimatiseDays > 0 ? ` and ${dayWords(item.acclimatiseDays)} to lie in the room` : '';
  return (
    `Needed on site by ${formatDay(needBy, now)}: ${item.area} · ${item.step} would start ` +
    `${start ? formatDay(start, now) : 'then'} if everything that was chosen were there; ${dayWords(item.checkDays)} to ` +
    `unpack and look${lie} before that.`
  );
}

/** By when it is ordered and decided, and what must be granted before that. */
function orderLines(job: string, item: SelectionView, orderBy: Day, decideBy: Day, now: Day): Explanation {
  const decide = formatDay(decideBy, now);
  const order =
    `Order by ${formatDay(orderBy, now)}: it takes ${leadWords(item.leadLow, item.leadHigh)}, counted at the ` +
    `longest, with ${dayWords(item.bufferDays)} in hand; closed days of the supplier do not count and orders ` +
    'go out on working days.';
  return [
    { text: order, href: null },
    ...(item.waitsFor.length === 0
      ? [{ text: `Decide by ${decide}: ${item.thinkDays} days to think before that.`, href: null }]
      : item.waitsFor.map((wait) => ({
          text:
            `The order waits for ${wait.text}, expected ${formatDay(wait.expected, now)}; what must be granted counts ` +
            `back to ${decide}.`,
          href: routes.requests(job, wait.id),
        }))),
  ];
}

function arrivalWords(
  item: SelectionView,
  there: NonNullable<SelectionView['there']>,
  task: StoredPlan['tasks'][number],
  plan: StoredPlan,
  now: Day,
): string {
  if (there.after <= 0) return `It comes in time: ${there.because}.`;
  const besides = task.reason.selection === item.id ? '' : `, held besides by this: ${task.reason.text}`;
  return (
    `It comes ${dayWords(there.after)} after that: ${there.because}. So ${task.label} starts ` +
    `${formatDay(dayOfSlot(plan.origin, task.start), now)}${besides}.`
  );
}

function sinceLastPlan(
  installation: Installation,
  job: string,
  item: SelectionView,
  plan: StoredPlan | undefined,
  now: Day,
): Explanation {
  const before = plan && earlier(installation, job, plan.version, item.id);
  if (!before) return [];
  if (item.due.late && !before.due.late)
    return [{ text: `It became late with the newest plan: ${plan.cause}.`, href: null }];
  if (!before.needBy || before.needBy === item.needBy) return [];
  return [
    { text: `It was needed by ${formatDay(before.needBy, now)} until the newest plan: ${plan.cause}.`, href: null },
  ];
}

const dayWords = (count: number): string => (count === 1 ? '1 day' : `${count} days`);

/** The same selection by the plan before this one. */
function earlier(installation: Installation, job: string, version: number, id: string): SelectionView | undefined {
  const plan = readPlan(installation.db, { job, version: version - 1 });
  return plan && selectionsOf(installation, job, plan).find((item) => item.id === id);
}
