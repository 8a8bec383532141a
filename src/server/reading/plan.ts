import { groupBy } from '@/core/group-by';
import { causesIn, type Cause } from '@/core/schedule/cause';
import type { Plan, PlannedTask } from '@/core/schedule/plan';
import type { Link } from '@/core/schedule/network';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { daysBetween, type Day } from '@/core/units/day';
import type { Rows } from '../database/rows';
import { jobRow } from './job';
import { PLAN_FORM, taskInForm, waitInForm } from './plan-form';
import { OF_JOBS, ofFirm, ofJob, rowsOf } from './reading';
import type { Sees } from '../rights/sees';
import { withoutOthers } from '@/core/schedule/reasons';

/** A stored plan, whole or of one job. */
export interface StoredPlan extends Plan {
  version: number;
  madeAt: string;
  /** What it was made anew for. */
  causes: Cause[];
}

type Frame = Omit<Plan, 'tasks' | 'links' | 'origin'> & { form?: number };

/** Whether the newest plan is of another form than plans are made in now. */
export function isOfOldForm(db: Connection): boolean {
  const row = queryOne<{ form: number | null }>(
    db,
    `SELECT frame ->> '$.form' AS form FROM plan ORDER BY version DESC LIMIT 1`,
  );
  return row !== undefined && row.form !== PLAN_FORM;
}

export const currentVersion = (db: Connection): number | undefined =>
  queryOne<{ version: number | null }>(db, 'SELECT max(version) AS version FROM plan')?.version ?? undefined;

type PlanHead = Pick<Rows['plan'], 'version' | 'made_at'>;

/**
 * A stored version never changes, and every page reads the newest: the last few are kept parsed. Nobody writes to them.
 */
const KEPT_PARSED = 12;
const parsed = new WeakMap<Connection, Map<string, StoredPlan>>();

/** A stored version (the newest unless named), of one job or of all; undefined while there is none. */
export function readPlan(db: Connection, options: { version?: number; job?: string } = {}): StoredPlan | undefined {
  const head =
    options.version === undefined
      ? queryOne<PlanHead>(db, 'SELECT version, made_at FROM plan ORDER BY version DESC LIMIT 1')
      : queryOne<PlanHead>(db, 'SELECT version, made_at FROM plan WHERE version = @version', {
          version: options.version,
        });
  if (!head) return undefined;
  const key = `${head.version} ${head.made_at} ${options.job ?? ''}`;
  const known = parsed.get(db) ?? new Map<string, StoredPlan>();
  parsed.set(db, known);
  const plan = known.get(key) ?? parsePlan(db, head.version, options.job);
  known.delete(key);
  known.set(key, plan);
  for (const oldest of known.keys()) if (known.size > KEPT_PARSED) known.delete(oldest);
  return plan;
}

function parsePlan(db: Connection, version: number, job: string | undefined): StoredPlan {
  const row = queryOne<Rows['plan']>(db, 'SELECT * FROM plan WHERE version = @version', { version });
  if (!row) throw new Error(`There is no plan ${version}.`);
  const parts =
    job === undefined
      ? queryAll<{ tasks: string; links: string }>(
          db,
          'SELECT tasks, links FROM plan_part WHERE version = @version ORDER BY job',
          { version },
        )
      : queryAll<{ tasks: string; links: string }>(
          db,
          'SELECT tasks, links FROM plan_part WHERE version = @version AND job = @job',
          { version, job },
        );
  const { form, ...frame } = JSON.parse(row.frame) as Frame;
  const old = form !== PLAN_FORM;
  const tasks = parts.flatMap((part) => JSON.parse(part.tasks) as PlannedTask[]);
  return {
    ...frame,
    notBefore: old ? frame.notBefore.map(waitInForm) : frame.notBefore,
    version: row.version,
    madeAt: row.made_at,
    causes: causesIn(row.cause),
    origin: row.origin,
    tasks: old ? tasks.map(taskInForm) : tasks,
    links: parts.flatMap((part) => JSON.parse(part.links) as Link[]),
  };
}

/** The plan as it was at an instant: the newest version from before it; the oldest there is where none is kept. */
export function planAsOf(db: Connection, at: string): StoredPlan | undefined {
  const row = queryOne<{ version: number | null }>(
    db,
    `SELECT coalesce(
        (SELECT max(version) FROM plan WHERE made_at <= @at), (SELECT min(version) FROM plan)) AS version`,
    { at },
  );
  return row?.version == null ? undefined : readPlan(db, { version: row.version });
}

/** The newest plan of all jobs, or of those that whoever asks may look at; undefined while there is none. */
export const wholePlan = ofFirm(({ db, sees }) => seenOf(readPlan(db), sees));

/** What of a plan is of jobs that somebody may look at; where a crew is meanwhile is not said. */
function seenOf(plan: StoredPlan | undefined, { jobs }: Sees): StoredPlan | undefined {
  if (!plan || !jobs) return plan;
  const own = plan.tasks.filter(({ job }) => jobs.has(job));
  const ids = new Set(own.map(({ id }) => id));
  return {
    ...plan,
    tasks: own.map((task) => ({ ...task, reason: withoutOthers(task.reason, (id) => ids.has(id)) })),
    links: plan.links.filter(({ before, after }) => ids.has(before) && ids.has(after)),
  };
}

const byJob = ofFirm((firm): ReadonlyMap<string, StoredPlan> => {
  const whole = wholePlan(firm);
  if (!whole) return new Map();
  const tasks = groupBy(whole.tasks, (task) => task.job as string);
  const jobOf = new Map(whole.tasks.map((task) => [task.id as string, task.job as string]));
  const links = groupBy(whole.links, (link) => jobOf.get(link.after) ?? '');
  return new Map([...tasks].map(([job, own]) => [job, { ...whole, tasks: own, links: links.get(job) ?? [] }]));
});

/** The newest plan of one job; undefined while there is none. */
export const planOf = ofJob((job): StoredPlan | undefined => {
  if (job.firm.jobs.length === 1) return seenOf(readPlan(job.firm.db, { job: job.id }), job.firm.sees);
  const whole = wholePlan(job.firm);
  return whole && (byJob(job.firm).get(job.id) ?? { ...whole, tasks: [], links: [] });
});

/** A job's work in the newest plan, by task id. */
export const tasksOf = ofJob(
  (job): ReadonlyMap<string, PlannedTask> => new Map((planOf(job)?.tasks ?? []).map((task) => [task.id, task])),
);

/** The last day of each job of the reading by the newest plan. */
const finishRows = rowsOf<{ job: string; finish_day: Day | null }>(
  `SELECT job, finish_day FROM plan_part WHERE version = (SELECT max(version) FROM plan) AND job ${OF_JOBS}`,
);
export const finishDay = ofJob((job): Day | null => finishRows(job)[0]?.finish_day ?? null);

/** By how many days of the calendar a job ends after its promise, below 0 before it; null without a plan or a promise. */
export const daysLate = ofJob((job): number | null => {
  const [finish, promise] = [finishDay(job), jobRow(job).promise_day];
  return finish && promise ? daysBetween(promise, finish) : null;
});
