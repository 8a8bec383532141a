import type { CrewShared, SubVisit } from '@/contract/views/news';
import { groupBy } from '@/core/group-by';
import type { PlannedTask } from '@/core/schedule/plan';
import { addDays, formatDay } from '@/core/units/day';
import { dayOfSlot, formatSlot, isAfternoon, slotOf } from '@/core/units/slot';
import { sayWork, sayWorkHere } from '@/core/words/work';
import { jobRow } from '../reading/job';
import type { StoredPlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';
import { doneWordsOfSub } from '../reading/updates';
import { visitDays } from '../reading/visits';
import { daysOf } from '@/core/words/count';
import { isVisit } from '@/core/schedule/visit';
import { saidWords } from './moved';
import { spotOf } from './tour';

/** How far ahead a sub is shown what nobody has asked for yet. */
const AHEAD_DAYS = 21;
/** A whole day away and they come a second time. */
const APART = 3;

/**
 * What a sub comes for, visit by visit: those that wait for an answer first, then by their day.
 * @param only on one job alone
 */
export function subVisits(firm: FirmReading, plan: StoredPlan, sub: string, only?: string): SubVisit[] {
  const rows = visitDays(firm);
  const last = slotOf(plan.origin, addDays(firm.today, AHEAD_DAYS));
  const mine = plan.tasks.filter(
    (task) =>
      task.crew === sub &&
      (only === undefined || task.job === only) &&
      isVisit(task) &&
      (task.start < last || rows.get(task.id)?.told_day),
  );
  return [...groupBy(mine, (task) => task.job as string)]
    .flatMap(([, tasks]) => apart(tasks))
    .sort((a, b) => (a[0]?.start ?? 0) - (b[0]?.start ?? 0))
    .map((tasks) => visitOf(firm, plan, tasks))
    .sort((a, b) => Number(b.said === 'asked') - Number(a.said === 'asked'));
}

/** Work that follows each other without a day between is one visit. */
function apart(tasks: readonly PlannedTask[]): PlannedTask[][] {
  const visits: PlannedTask[][] = [];
  let until = -Infinity;
  for (const task of [...tasks].sort((a, b) => a.start - b.start)) {
    if (task.start - until >= APART) visits.push([]);
    visits.at(-1)?.push(task);
    until = Math.max(until, task.finish);
  }
  return visits;
}

function visitOf(firm: FirmReading, plan: StoredPlan, tasks: readonly PlannedTask[]): SubVisit {
  const rows = visitDays(firm);
  const said = tasks.flatMap((task) => rows.get(task.id) ?? []);
  const ids = new Set<string>(tasks.map(({ id }) => id));
  const byId = new Map(plan.tasks.map((task) => [task.id as string, task]));
  const hard = plan.links.filter(({ strength }) => strength === 'hard');
  const ready = hard.flatMap((link) => {
    const before = byId.get(link.before);
    return ids.has(link.after) && !ids.has(link.before) && before && before.state !== 'done'
      ? [sayWorkHere(before.work)]
      : [];
  });
  const leaves = hard.flatMap((link) => {
    const after = byId.get(link.after);
    return ids.has(link.before) && !ids.has(link.after) && after && after.crew !== null && after.state !== 'done'
      ? [after]
      : [];
  });
  const halves = tasks.reduce((sum, { duration }) => sum + duration, 0);
  const [first] = tasks;
  const end = Math.max(...tasks.map(({ finish }) => finish));
  const {
    name,
    address,
    getting_in: gettingIn,
  } = first ? jobRow(firm.job(first.job)) : { name: '', address: '', getting_in: '' };
  return {
    ...{ key: first?.id ?? '', job: name, address },
    when: [...new Set([first?.start ?? 0, end - 1])].map((slot) => formatSlot(plan.origin, slot)).join(' to '),
    works: tasks.map(({ work }) => sayWork(work)),
    ready: [...new Set(ready)].slice(0, 4),
    leaves: [...new Set(leaves)]
      .sort((a, b) => a.start - b.start)
      .slice(0, 3)
      .map(({ work, start }) => `${sayWork(work)} (${formatDay(dayOfSlot(plan.origin, start), firm.today)})`),
    long: `${daysOf(halves)} of work`,
    gettingIn,
    halves: tasks.map(({ id, start }) => ({
      ...{ task: id, day: dayOfSlot(plan.origin, start), half: isAfternoon(start) ? 1 : 0 },
    })),
    said: standingOf(said.map((row) => row.said)),
    words: [...new Set(said.filter((row) => row.said !== 'nothing').map((row) => saidWords(firm, row)))]
      .slice(0, 3)
      .join(' '),
  };
}

/** A sub's work that has begun by today, with what they said of its end. */
export function begunBySub(firm: FirmReading, plan: StoredPlan, sub: string): CrewShared['begun'] {
  const words = doneWordsOfSub(firm, sub);
  const until = slotOf(plan.origin, addDays(firm.today, 1));
  return plan.tasks
    .filter(({ crew, state, start }) => crew === sub && state !== 'done' && start < until)
    .flatMap(({ id: task, job, area, phase, work }) => {
      if (!area || !phase) return [];
      const word = words.get(`${area}:${phase}`);
      return [
        {
          ...{ task, job: jobRow(firm.job(job)).name, what: sayWork(work) },
          said: word !== undefined && word.verdict === null,
          answer: word?.verdict === 'not yet' ? word.answer : '',
          spot: spotOf(firm.job(job), area),
        },
      ];
    });
}

function standingOf(said: readonly string[]): SubVisit['said'] {
  if (said.includes('asked') || said.includes('told')) return 'asked';
  if (said.includes('declined')) return 'declined';
  return said.length > 0 && said.every((one) => one === 'confirmed') ? 'confirmed' : 'pencil';
}
