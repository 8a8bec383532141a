import { groupBy } from '@/core/group-by';
import { jobFinish, makePlan, type Plan, type PlanTerms } from '@/core/schedule/plan';
import { planDiff } from '@/core/schedule/plan-diff';
import type { Problem } from '@/core/problem';
import type { Day } from '@/core/units/day';
import { countBefore } from '@/core/schedule/calendar';
import { workedDaysFrom } from '@/core/schedule/slippage';
import { lastDay, slotOf } from '@/core/units/slot';
import { queryAll, insert, execute } from '../database/query';
import type { Connection } from '../database/open';
import { planInput } from './plan-input';
import { holidaysOf } from './read-site';
import { currentVersion, readPlan, type StoredPlan } from './read-plan';
import { noteCalendarEvents } from './calendar-events';

/** Old versions can be computed no more, but nobody asks for them: those of walks and the last few stay. */
const KEPT_VERSIONS = 30;

interface Mark {
  id: number;
  job: string;
  walk: string | null;
  cause: string;
}

export interface Renewal {
  version?: number;
  problem?: Problem;
  /** Walks whose effect on the plan is known now. */
  walks: string[];
  jobs: string[];
  cause: string;
}

/**
 * Computes the plan again if any job is marked, and stores it as a new version. Marks are taken away in the same
 * transaction, so that a crash in between leaves them to be done.
 * @returns undefined where nothing was marked
 */
export function renewPlan(db: Connection, today: Day, now: string, terms: PlanTerms = {}): Renewal | undefined {
  return db
    .transaction((): Renewal | undefined => {
      const marks = queryAll<Mark>(db, 'SELECT * FROM plan_mark ORDER BY id');
      const last = marks.at(-1);
      if (!last) return undefined;
      execute(db, 'DELETE FROM plan_mark WHERE id <= @last', { last: last.id });
      const renewal: Renewal = {
        walks: marks.flatMap((mark) => mark.walk ?? []),
        jobs: [...new Set(marks.map((mark) => mark.job))],
        cause: last.cause,
      };
      const plan = makePlan(planInput(db, today), terms);
      execute(db, 'DELETE FROM plan_problem');
      if (!plan.ok) {
        insert(db, 'plan_problem', { id: 1, code: plan.problem.code, message: plan.problem.message, made_at: now });
        return { ...renewal, problem: plan.problem };
      }
      const before = currentVersion(db) ?? null;
      const causes = new Map(
        [...groupBy(marks, (mark) => mark.job)].map(([job, list]) => [
          job,
          [...new Set(list.map((mark) => mark.cause))].slice(-3).join('; '),
        ]),
      );
      const version = storePlan(db, plan.value, now, last.cause, causes);
      for (const walk of renewal.walks) {
        execute(
          db,
          'INSERT OR REPLACE INTO walk_plan (walk, before_version, after_version) VALUES (@walk, @before, @version)',
          { walk, before, version },
        );
      }
      execute(
        db,
        `DELETE
          FROM plan
          WHERE version < @oldest
            AND version NOT IN (SELECT after_version FROM walk_plan UNION SELECT before_version FROM walk_plan WHERE
            before_version IS NOT NULL)`,
        { oldest: version - KEPT_VERSIONS },
      );
      return { ...renewal, version };
    })
    .immediate();
}

/** @param causes by job, why its part was computed again; other jobs moved because of these */
export function storePlan(
  db: Connection,
  plan: Plan,
  now: string,
  cause: string,
  causes: ReadonlyMap<string, string> = new Map(),
): number {
  const former = readPlan(db);
  const version = (currentVersion(db) ?? 0) + 1;
  const { tasks, links, origin, ...frame } = plan;
  insert(db, 'plan', { version, made_at: now, origin, cause, frame: JSON.stringify(frame) });
  const jobOf = new Map(tasks.map((task) => [task.id, task.job]));
  const linksByJob = groupBy(links, (link) => jobOf.get(link.after) ?? '');
  for (const [job, ofJob] of groupBy(tasks, (task) => task.job)) {
    const finish = jobFinish(plan, job);
    insert(db, 'plan_part', {
      version,
      job,
      tasks: JSON.stringify(ofJob),
      links: JSON.stringify(linksByJob.get(job) ?? []),
      finish_day: finish === undefined ? null : lastDay(origin, finish),
    });
  }
  noteCalendarEvents(db, plan, now);
  if (former) keepMoves(db, former, plan, { version, now, cause, causes });
  return version;
}

/** What moved and why, in worked half-days of the job: the log that slip is explained from. */
function keepMoves(
  db: Connection,
  former: StoredPlan,
  plan: Plan,
  { version, now, cause, causes }: { version: number; now: string; cause: string; causes: ReadonlyMap<string, string> },
): void {
  // Counted from the former plan's first day, as far as either reaches: both may end beyond the other's calendars.
  const shift = slotOf(former.origin, plan.origin);
  const far = Math.max(...former.tasks.map((task) => task.finish), ...plan.tasks.map((task) => task.finish + shift), 2);
  const calendar = workedDaysFrom(former.origin, Math.ceil(far / 2) + 2, holidaysOf(db));
  const count = (slot: number): number => countBefore(calendar, slot + shift);
  for (const job of new Set(plan.tasks.map((task) => task.job))) {
    const diff = planDiff(former, plan, job);
    const because = causes.get(job) ?? cause;
    const { from, to } = diff.finish;
    for (const { task, from: was, to: is } of diff.moved) {
      const halves = task.state === 'waiting' ? count(is) - count(was) : 0;
      if (halves !== 0) insert(db, 'plan_move', { version, made_at: now, job, task: task.id, halves, cause: because });
    }
    if (from !== undefined && to !== undefined && count(to) !== count(from))
      insert(db, 'plan_move', {
        version,
        made_at: now,
        job,
        task: null,
        halves: count(to) - count(from),
        cause: because,
      });
  }
}
