import { groupBy } from '../group-by';
import { formatDay } from '../units/day';
import { dayOfSlot, lastDay, type Slot } from '../units/slot';
import type { Plan, PlannedTask } from './plan';

/** Something in a plan that a person should look at, with the work it is about. */
export interface PlanFinding {
  kind: 'conflict' | 'trip' | 'gap';
  text: string;
  task: string;
  job: string;
  slot: Slot;
}

/** A crew that goes and comes back to the same job within so many worked half-days could perhaps come once. */
const SOON = 10;
/**
 * A crew that stands idle between two pieces of work for so many half-days, at least a day, and no more than two weeks.
 */
const IDLE = { from: 2, to: 20 } as const;

/**
 * What stands out in a plan: things left open, pins and promises that are not kept; crews that come twice where once
 * might do; crews that stand idle between two jobs. From the document alone.
 * @param name of a job
 */
export function planFindings(
  plan: Pick<
    Plan,
    'origin' | 'tasks' | 'exposures' | 'notBefore' | 'promises' | 'calendars' | 'jobCalendars' | 'crewCapacity'
  >,
  name: (job: string) => string,
): PlanFinding[] {
  const tasks = new Map(plan.tasks.map((task) => [task.id, task]));
  return [...conflicts(plan, tasks, name), ...crewLooks(plan, name)].sort(
    (a, b) => RANK[a.kind] - RANK[b.kind] || a.slot - b.slot || (a.text < b.text ? -1 : 1),
  );
}

const RANK = { conflict: 0, trip: 1, gap: 2 } as const;

function conflicts(
  plan: Parameters<typeof planFindings>[0],
  tasks: ReadonlyMap<string, PlannedTask>,
  name: (job: string) => string,
): PlanFinding[] {
  const found: PlanFinding[] = [];
  for (const exposure of plan.exposures) {
    const from = tasks.get(exposure.from);
    if (exposure.kept || !from) continue;
    const what =
      exposure.rain === undefined
        ? `stays open for ${exposure.actual} half-days, ${exposure.most} at most are right`
        : `is open when rain comes on ${formatDay(dayOfSlot(plan.origin, exposure.rain))}`;
    found.push({
      kind: 'conflict',
      task: from.id,
      job: from.job,
      slot: from.start,
      text: `${from.label} ${what}: ${exposure.reason}. ${cured(exposure.cure)}`,
    });
  }
  for (const wait of plan.notBefore) {
    const task = tasks.get(wait.task);
    if (
      wait.kind !== 'pin' ||
      !task ||
      task.state !== 'waiting' ||
      task.start === wait.slot ||
      (task.slots[0] ?? task.start) === wait.slot
    )
      continue;
    found.push({
      kind: 'conflict',
      task: task.id,
      job: task.job,
      slot: task.start,
      text:
        `${task.label} cannot be on ${formatDay(dayOfSlot(plan.origin, wait.slot))} as it was fixed ` +
        `(${wait.because}). ${task.reason.text}`,
    });
  }
  for (const [job, promise] of Object.entries(plan.promises)) {
    const last = plan.tasks
      .filter((task) => task.job === job && task.state !== 'done')
      .sort((a, b) => b.finish - a.finish)[0];
    if (last && last.finish > promise)
      found.push({
        kind: 'conflict',
        task: last.id,
        job,
        slot: last.start,
        text:
          `${name(job)} ends ${formatDay(lastDay(plan.origin, last.finish), plan.origin)}, promised was ` +
          `${formatDay(lastDay(plan.origin, promise), plan.origin)}.`,
      });
  }
  return found;
}

const cured = (cure: string): string => `What would cure it: ${cure}.`;

function crewLooks(plan: Parameters<typeof planFindings>[0], name: (job: string) => string): PlanFinding[] {
  const found: PlanFinding[] = [];
  const names = new Map(plan.crewCapacity.map((crew) => [crew.sub, crew]));
  const open = plan.tasks.filter((task) => task.crew !== null && task.state !== 'done' && task.duration > 0);
  for (const [id, list] of groupBy(open, (task) => task.crew ?? '')) {
    const crew = names.get(id);
    if (!crew) continue;
    for (const ofJob of groupBy(list, (task) => task.job).values())
      found.push(...comesTwice(plan, crew.name, ofJob, name));
    if (crew.capacity === 1) found.push(...standsIdle(plan, crew, list, name));
  }
  return found;
}

const workedIn = (plan: Parameters<typeof planFindings>[0], job: string, from: Slot, to: Slot): number =>
  (plan.calendars[plan.jobCalendars[job] ?? '']?.worked ?? []).filter((slot) => slot >= from && slot < to).length;

function comesTwice(
  plan: Parameters<typeof planFindings>[0],
  crew: string,
  tasks: PlannedTask[],
  name: (job: string) => string,
): PlanFinding[] {
  let until = -1;
  return [...tasks]
    .sort((a, b) => a.start - b.start)
    .flatMap((task): PlanFinding[] => {
      const away = until < 0 ? 0 : workedIn(plan, task.job, until, task.start);
      const left = until;
      until = Math.max(until, task.finish);
      if (away < 2 || away > SOON) return [];
      return [
        {
          kind: 'trip',
          task: task.id,
          job: task.job,
          slot: task.start,
          text:
            `${crew} leaves ${name(task.job)} on ${formatDay(lastDay(plan.origin, left))} and comes back on ` +
            `${formatDay(dayOfSlot(plan.origin, task.start))} for ${task.label}.`,
        },
      ];
    });
}

function standsIdle(
  plan: Parameters<typeof planFindings>[0],
  crew: Plan['crewCapacity'][number],
  tasks: PlannedTask[],
  name: (job: string) => string,
): PlanFinding[] {
  const away = new Set(crew.away);
  let until = -1;
  return [...tasks]
    .sort((a, b) => a.start - b.start)
    .flatMap((task): PlanFinding[] => {
      const from = until;
      until = Math.max(until, task.finish);
      const idle =
        from < 0
          ? 0
          : (plan.calendars[plan.jobCalendars[task.job] ?? '']?.worked ?? []).filter(
              (slot) => slot >= from && slot < task.start && !away.has(slot),
            ).length;
      if (idle < IDLE.from || idle > IDLE.to) return [];
      return [
        {
          kind: 'gap',
          task: task.id,
          job: task.job,
          slot: from,
          text:
            `${crew.name} has nothing from ${formatDay(dayOfSlot(plan.origin, from))} until ${task.label} at ` +
            `${name(task.job)} on ${formatDay(dayOfSlot(plan.origin, task.start))}: ${idle / 2} ` +
            `${idle === 2 ? 'day' : 'days'}.`,
        },
      ];
    });
}
