import { groupBy } from '../group-by';
import type { Day } from '../units/day';
import { dayOfSlot, lastDay, type Slot } from '../units/slot';
import type { Plan, PlannedTask } from './plan';
import type { Reason } from './reasons';
import type { Wait } from './wait';
import type { WorkName } from './work-name';

/** Something in a plan that a person should look at, with the work it is about. */
export type PlanFinding = { task: string; job: string; slot: Slot } &
  /** It stays open for too long, or when rain comes; why that is wrong, and what would cure it. */
  (
    | {
        kind: 'conflict';
        of: 'open-too-long';
        work: WorkName;
        halfDays: number;
        most: number;
        why: string;
        cure: string;
      }
    | { kind: 'conflict'; of: 'open-in-rain'; work: WorkName; day: Day; why: string; cure: string }
    /** It cannot be on the day it was fixed to. */
    | { kind: 'conflict'; of: 'pin'; work: WorkName; day: Day; wait: Wait; reason: Reason }
    | { kind: 'conflict'; of: 'promise'; ends: Day; promised: Day }
    /** A crew leaves a job and comes back to it soon. */
    | { kind: 'trip'; of: 'trip'; crew: string; left: Day; back: Day; work: WorkName }
    /** A crew has nothing to do between two pieces of work. */
    | { kind: 'gap'; of: 'gap'; crew: string; from: Day; until: Day; halfDays: number; work: WorkName }
  );

/** A crew that goes and comes back to the same job within so many worked half-days could perhaps come once. */
const SOON = 10;
/**
 * A crew that stands idle between two pieces of work for so many half-days, at least a day, and no more than two weeks.
 */
const IDLE = { from: 2, to: 20 } as const;

/**
 * What stands out in a plan: things left open, pins and promises that are not kept; crews that come twice where once
 * might do; crews that stand idle between two jobs. From the document alone.
 */
export function planFindings(
  plan: Pick<
    Plan,
    'origin' | 'tasks' | 'exposures' | 'notBefore' | 'promises' | 'calendars' | 'jobCalendars' | 'crewCapacity'
  >,
): PlanFinding[] {
  const tasks = new Map(plan.tasks.map((task) => [task.id, task]));
  return [...conflicts(plan, tasks), ...crewLooks(plan)].sort(
    (a, b) => RANK[a.kind] - RANK[b.kind] || a.slot - b.slot || (a.task < b.task ? -1 : a.task > b.task ? 1 : 0),
  );
}

const RANK = { conflict: 0, trip: 1, gap: 2 } as const;

function conflicts(plan: Parameters<typeof planFindings>[0], tasks: ReadonlyMap<string, PlannedTask>): PlanFinding[] {
  const found: PlanFinding[] = [];
  for (const exposure of plan.exposures) {
    const from = tasks.get(exposure.from);
    if (exposure.kept || !from) continue;
    const about = { kind: 'conflict' as const, task: from.id, job: from.job, slot: from.start, work: from.work };
    const { reason: why, cure, rain } = exposure;
    found.push(
      rain === undefined
        ? { ...about, of: 'open-too-long', halfDays: exposure.actual, most: exposure.most, why, cure }
        : { ...about, of: 'open-in-rain', day: dayOfSlot(plan.origin, rain), why, cure },
    );
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
      of: 'pin',
      work: task.work,
      day: dayOfSlot(plan.origin, wait.slot),
      wait: wait.wait,
      reason: task.reason,
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
        of: 'promise',
        ends: lastDay(plan.origin, last.finish),
        promised: lastDay(plan.origin, promise),
      });
  }
  return found;
}

function crewLooks(plan: Parameters<typeof planFindings>[0]): PlanFinding[] {
  const found: PlanFinding[] = [];
  const names = new Map(plan.crewCapacity.map((crew) => [crew.sub, crew]));
  const open = plan.tasks.filter((task) => task.crew !== null && task.state !== 'done' && task.duration > 0);
  for (const [id, list] of groupBy(open, (task) => task.crew ?? '')) {
    const crew = names.get(id);
    if (!crew) continue;
    for (const ofJob of groupBy(list, (task) => task.job).values()) found.push(...comesTwice(plan, crew.name, ofJob));
    if (crew.capacity === 1) found.push(...standsIdle(plan, crew, list));
  }
  return found;
}

const workedIn = (plan: Parameters<typeof planFindings>[0], job: string, from: Slot, to: Slot): number =>
  (plan.calendars[plan.jobCalendars[job] ?? '']?.worked ?? []).filter((slot) => slot >= from && slot < to).length;

function comesTwice(plan: Parameters<typeof planFindings>[0], crew: string, tasks: PlannedTask[]): PlanFinding[] {
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
          of: 'trip',
          crew,
          left: lastDay(plan.origin, left),
          back: dayOfSlot(plan.origin, task.start),
          work: task.work,
        },
      ];
    });
}

function standsIdle(
  plan: Parameters<typeof planFindings>[0],
  crew: Plan['crewCapacity'][number],
  tasks: PlannedTask[],
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
          of: 'gap',
          crew: crew.name,
          from: dayOfSlot(plan.origin, from),
          until: dayOfSlot(plan.origin, task.start),
          halfDays: idle,
          work: task.work,
        },
      ];
    });
}
