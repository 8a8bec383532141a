import { groupBy } from '@/core/group-by';
import { jobFinish, makePlan, type Plan, type PlannedTask } from '@/core/schedule/plan';
import type { Link } from '@/core/schedule/network';
import type { Problem } from '@/core/problem';
import type { Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { all, insert, one, run } from '../database/query';
import type { Connection } from '../database/open';
import { planInput } from './plan-input';

/** A stored plan, whole or of one job. */
export interface StoredPlan extends Plan {
  version: number;
  madeAt: string;
  cause: string;
}

type Frame = Omit<Plan, 'tasks' | 'links' | 'origin'>;

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
export function renewPlan(db: Connection, today: Day, now: string): Renewal | undefined {
  return db.transaction((): Renewal | undefined => {
    const marks = all<Mark>(db, 'SELECT * FROM plan_mark ORDER BY id');
    const last = marks.at(-1);
    if (!last) return undefined;
    run(db, 'DELETE FROM plan_mark WHERE id <= @last', { last: last.id });
    const renewal: Renewal = { walks: marks.flatMap((mark) => mark.walk ?? []), jobs: [...new Set(marks.map((mark) => mark.job))], cause: last.cause };
    const plan = makePlan(planInput(db, today));
    run(db, 'DELETE FROM plan_problem');
    if (!plan.ok) {
      insert(db, 'plan_problem', { id: 1, code: plan.problem.code, message: plan.problem.message, made_at: now });
      return { ...renewal, problem: plan.problem };
    }
    const before = currentVersion(db) ?? null;
    const version = storePlan(db, plan.value, now, last.cause);
    for (const walk of renewal.walks) {
      run(db, 'INSERT OR REPLACE INTO walk_plan (walk, before_version, after_version) VALUES (@walk, @before, @version)', { walk, before, version });
    }
    run(db, `DELETE FROM plan WHERE version < @oldest AND version NOT IN (SELECT after_version FROM walk_plan UNION SELECT before_version FROM walk_plan WHERE before_version IS NOT NULL)`, { oldest: version - KEPT_VERSIONS });
    return { ...renewal, version };
  }).immediate();
}

function storePlan(db: Connection, plan: Plan, now: string, cause: string): number {
  const version = (currentVersion(db) ?? 0) + 1;
  const { tasks, links, origin, ...frame } = plan;
  insert(db, 'plan', { version, made_at: now, origin, cause, frame: JSON.stringify(frame) });
  const jobOf = new Map(tasks.map((task) => [task.id, task.job]));
  const linksByJob = groupBy(links, (link) => jobOf.get(link.after) ?? '');
  for (const [job, ofJob] of groupBy(tasks, (task) => task.job)) {
    const finish = jobFinish(plan, job);
    insert(db, 'plan_part', { version, job, tasks: JSON.stringify(ofJob), links: JSON.stringify(linksByJob.get(job) ?? []), finish_day: finish === undefined ? null : lastDay(origin, finish) });
  }
  return version;
}

export const currentVersion = (db: Connection): number | undefined => one<{ version: number | null }>(db, 'SELECT max(version) AS version FROM plan')?.version ?? undefined;

interface PlanRow {
  version: number;
  made_at: string;
  origin: Day;
  cause: string;
  frame: string;
}

/** A stored version never changes, and every page reads the newest: the last few are kept parsed. Nobody writes to them. */
const KEPT_PARSED = 12;
const parsed = new WeakMap<Connection, Map<string, StoredPlan>>();

/** A stored version (the newest unless named), of one job or of all; undefined while there is none. */
export function readPlan(db: Connection, options: { version?: number; job?: string } = {}): StoredPlan | undefined {
  const version = options.version ?? currentVersion(db);
  const row = version === undefined ? undefined : one<PlanRow>(db, 'SELECT * FROM plan WHERE version = @version', { version });
  if (!row) return undefined;
  const key = `${row.version} ${row.made_at} ${options.job ?? ''}`;
  const known = parsed.get(db) ?? new Map<string, StoredPlan>();
  parsed.set(db, known);
  const plan = known.get(key) ?? parsePlan(db, row, options.job);
  known.delete(key);
  known.set(key, plan);
  for (const oldest of known.keys()) if (known.size > KEPT_PARSED) known.delete(oldest);
  return plan;
}

function parsePlan(db: Connection, row: PlanRow, job: string | undefined): StoredPlan {
  const parts = job === undefined
    ? all<{ tasks: string; links: string }>(db, 'SELECT tasks, links FROM plan_part WHERE version = @version ORDER BY job', { version: row.version })
    : all<{ tasks: string; links: string }>(db, 'SELECT tasks, links FROM plan_part WHERE version = @version AND job = @job', { version: row.version, job });
  return {
    ...(JSON.parse(row.frame) as Frame),
    version: row.version, madeAt: row.made_at, cause: row.cause, origin: row.origin,
    tasks: parts.flatMap((part) => JSON.parse(part.tasks) as PlannedTask[]),
    links: parts.flatMap((part) => JSON.parse(part.links) as Link[]),
  };
}
