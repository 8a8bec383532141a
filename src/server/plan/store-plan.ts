import { groupBy } from '@/core/group-by';
import { jobFinish, type Plan } from '@/core/schedule/plan';
import { planDiff } from '@/core/schedule/plan-diff';
import { countBefore } from '@/core/schedule/calendar';
import { workedDaysFrom } from '@/core/schedule/slippage';
import { lastDay, slotOf } from '@/core/units/slot';
import { insert, queryOne, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import { holidaysOf } from '../reading/firm';
import { readPlan, type StoredPlan } from '../reading/plan';
import { PLAN_FORM } from '../reading/plan-form';
import type { FirmReading } from '../reading/reading';
import { eventChanges, writeEventChanges, type EventChanges } from './calendar-events';

/** A plan as it is stored: made ready outside of the transaction that stores it. */
export interface PlanRows {
  row: Omit<NewRow<'plan'>, 'version'>;
  parts: Omit<NewRow<'plan_part'>, 'version'>[];
  moves: Omit<NewRow<'plan_move'>, 'version'>[];
  /** What calendars outside are told. */
  events: EventChanges;
}

/**
 * Everything that is stored of a plan.
 * @param causes by job, why its part was computed again; other jobs moved because of these
 */
export function rowsOfPlan(
  firm: FirmReading,
  plan: Plan,
  now: string,
  cause: string,
  causes: ReadonlyMap<string, string> = new Map(),
): PlanRows {
  const { tasks, links, origin, ...frame } = plan;
  const jobOf = new Map(tasks.map((task) => [task.id, task.job]));
  const linksByJob = groupBy(links, (link) => jobOf.get(link.after) ?? '');
  const former = readPlan(firm.db);
  return {
    row: { made_at: now, origin, cause, frame: JSON.stringify({ form: PLAN_FORM, ...frame }) },
    parts: [...groupBy(tasks, (task) => task.job)].map(([job, ofJob]) => {
      const finish = jobFinish(plan, job);
      return {
        job,
        tasks: JSON.stringify(ofJob),
        links: JSON.stringify(linksByJob.get(job) ?? []),
        finish_day: finish === undefined ? null : lastDay(origin, finish),
      };
    }),
    moves: former ? movesOf(firm, former, plan, { now, cause, causes }) : [],
    events: eventChanges(firm.db, plan),
  };
}

/** Stores a plan as the newest version, with what it moved and what calendars outside are to know. */
export function storePlan(db: Connection, { row, parts, moves, events }: PlanRows): number {
  const version = (queryOne<{ last: number | null }>(db, 'SELECT max(version) AS last FROM plan')?.last ?? 0) + 1;
  insert(db, 'plan', { ...row, version });
  for (const part of parts) insert(db, 'plan_part', { ...part, version });
  writeEventChanges(db, events, row.made_at);
  for (const move of moves) insert(db, 'plan_move', { ...move, version });
  return version;
}

/** What moved and why, in worked half-days of the job: the log that slip is explained from. */
function movesOf(
  firm: FirmReading,
  former: StoredPlan,
  plan: Plan,
  { now, cause, causes }: { now: string; cause: string; causes: ReadonlyMap<string, string> },
): PlanRows['moves'] {
  // Counted from the former plan's first day, as far as either reaches: both may end beyond the other's calendars.
  const shift = slotOf(former.origin, plan.origin);
  const far = Math.max(...former.tasks.map((task) => task.finish), ...plan.tasks.map((task) => task.finish + shift), 2);
  const calendar = workedDaysFrom(former.origin, Math.ceil(far / 2) + 2, holidaysOf(firm));
  const count = (slot: number): number => countBefore(calendar, slot + shift);
  const moves: PlanRows['moves'] = [];
  for (const job of new Set(plan.tasks.map((task) => task.job))) {
    const diff = planDiff(former, plan, job);
    const because = causes.get(job) ?? cause;
    const { from, to } = diff.finish;
    for (const { task, from: was, to: is } of diff.moved) {
      const halves = task.state === 'waiting' ? count(is) - count(was) : 0;
      if (halves !== 0) moves.push({ made_at: now, job, task: task.id, halves, cause: because });
    }
    if (from !== undefined && to !== undefined && count(to) !== count(from))
      moves.push({ made_at: now, job, task: null, halves: count(to) - count(from), cause: because });
  }
  return moves;
}
