import { groupBy } from '@/core/group-by';
import { jobFinish, type Plan } from '@/core/schedule/plan';
import { planDiff } from '@/core/schedule/plan-diff';
import type { Cause } from '@/core/schedule/cause';
import type { Trace } from '@/core/schedule/trace';
import { lastDay } from '@/core/units/slot';
import { insert, queryOne, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import { readPlan, type StoredPlan } from '../reading/plan';
import { PLAN_FORM } from '../reading/plan-form';
import type { FirmReading } from '../reading/reading';
import { workedAcross } from './causes';
import { standChanges, writeStandChanges, type StandChanges } from '../visits/stand';
import { eventChanges, writeEventChanges, type EventChanges } from './calendar-events';

/** A plan as it is stored: made ready outside of the transaction that stores it. */
export interface PlanRows {
  row: Omit<NewRow<'plan'>, 'version'>;
  parts: Omit<NewRow<'plan_part'>, 'version'>[];
  moves: Omit<NewRow<'plan_move'>, 'version'>[];
  /** What calendars outside are told. */
  events: EventChanges;
  /** Where visits stand from then on. */
  visits: StandChanges;
}

/**
 * Everything that is stored of a plan.
 * @param causes what it was made anew for
 * @param trace why each thing moved; everything because of the same where it is not given
 * @param anew somebody took it: visits stand where it has them
 */
export function rowsOfPlan(
  firm: FirmReading,
  plan: Plan,
  now: string,
  causes: readonly Cause[],
  trace: Trace = { ofTask: () => [...causes], ofFinish: () => [...causes] },
  anew = false,
): PlanRows {
  const { tasks, links, origin, ...frame } = plan;
  const jobOf = new Map(tasks.map((task) => [task.id, task.job]));
  const linksByJob = groupBy(links, (link) => jobOf.get(link.after) ?? '');
  const former = readPlan(firm.db);
  return {
    row: { made_at: now, origin, cause: JSON.stringify(causes), frame: JSON.stringify({ form: PLAN_FORM, ...frame }) },
    parts: [...groupBy(tasks, (task) => task.job)].map(([job, ofJob]) => {
      const finish = jobFinish(plan, job);
      return {
        job,
        tasks: JSON.stringify(ofJob),
        links: JSON.stringify(linksByJob.get(job) ?? []),
        finish_day: finish === undefined ? null : lastDay(origin, finish),
      };
    }),
    moves: former ? movesOf(firm, former, plan, now, trace) : [],
    events: eventChanges(firm.db, plan),
    visits: standChanges(firm, plan, anew),
  };
}

/** Stores a plan as the newest version, with what it moved and what calendars outside are to know. */
export function storePlan(db: Connection, { row, parts, moves, events, visits }: PlanRows): number {
  const version = (queryOne<{ last: number | null }>(db, 'SELECT max(version) AS last FROM plan')?.last ?? 0) + 1;
  insert(db, 'plan', { ...row, version });
  for (const part of parts) insert(db, 'plan_part', { ...part, version });
  writeEventChanges(db, events, row.made_at);
  writeStandChanges(db, visits);
  for (const move of moves) insert(db, 'plan_move', { ...move, version });
  return version;
}

/** What moved and why, in worked half-days of the job: the log that slip is explained from. */
function movesOf(firm: FirmReading, former: StoredPlan, plan: Plan, now: string, trace: Trace): PlanRows['moves'] {
  const { now: count } = workedAcross(firm, former, plan);
  const moves: PlanRows['moves'] = [];
  for (const job of new Set(plan.tasks.map((task) => task.job))) {
    const diff = planDiff(former, plan, job);
    const { from, to } = diff.finish;
    for (const { task, from: was, to: is } of diff.moved) {
      const halves = task.state === 'waiting' ? count(is) - count(was) : 0;
      if (halves !== 0)
        moves.push({ made_at: now, job, task: task.id, halves, cause: JSON.stringify(trace.ofTask(task.id)) });
    }
    if (from !== undefined && to !== undefined && count(to) !== count(from))
      moves.push({
        made_at: now,
        job,
        task: null,
        halves: count(to) - count(from),
        cause: JSON.stringify(trace.ofFinish(job)),
      });
  }
  return moves;
}
