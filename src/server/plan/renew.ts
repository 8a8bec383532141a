import { randomUUID } from 'node:crypto';
import type { Problem } from '@/core/problem';
import type { Cause } from '@/core/schedule/cause';
import type { Trace } from '@/core/schedule/trace';
import { makePlan, type Plan, type PlanTerms } from '@/core/schedule/plan';
import { sayLeftOut } from '@/core/words/left-out';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { writeLog } from '../door/log';
import { clearMarks, markPlan, marksOf, newestMark, type Mark } from '../door/marks';
import { LEFT_OUT } from '../reading/firm';
import { jobNames } from '../reading/job';
import { isOfOldForm, planAsOf, readPlan, type StoredPlan } from '../reading/plan';
import { readFirm, type FirmReading, type Source } from '../reading/reading';
import { sinceThen, traceOf } from './causes';
import { effectOf } from './effect';
import { planInput } from './plan-input';
import { rowsOfPlan, storePlan, type PlanRows } from './store-plan';

/** Old versions can be computed no more, but nobody asks for them: the last few stay. */
const KEPT_VERSIONS = 30;

/** How often a plan is begun anew because something was marked meanwhile; then the newest marks wait for the next. */
const ATTEMPTS = 3;

/** What one round found and made, all of it from one reading. */
interface Round {
  marks: Mark[];
  /** The newest of them. */
  last: Mark;
  causes: Cause[];
  jobs: string[];
  before: number | null;
  made: { ok: true; rows: PlanRows; walks: WalkEffect[]; problem: Problem | null } | { ok: false; problem: Problem };
}

interface WalkEffect {
  walk: string;
  /** The plan at its beginning. */
  before: number | null;
  effect: string;
}

/** Where the newest plan is of an older form, it is made anew: its jobs are marked. */
export function markOldForm(db: Connection): void {
  if (!isOfOldForm(db)) return;
  const jobs = queryAll<{ id: string }>(
    db,
    `SELECT id FROM job WHERE removed = 0 AND state <> 'closed' ORDER BY position, id`,
  );
  db.transaction(() => {
    for (const { id } of jobs) markPlan(db, { job: id, walk: null, causes: [{ kind: 'form' }] });
  }).immediate();
}

/**
 * One round of the planner: computes what is marked, sees what it did to the walks that waited for it, and writes
 * both into the log. Read in one read transaction and computed outside of any, so that nobody waits for it; written
 * once it is seen that nothing was marked meanwhile. A crash anywhere leaves the marks to be done.
 * @returns the log number, undefined where nothing was marked
 */
export function renewOnce(source: Source, terms: PlanTerms = {}): number | undefined {
  const { db } = source;
  for (let attempt = 1; ; attempt++) {
    const now = source.clock.now().toISOString();
    const round = computeRound(source, now, terms);
    if (!round) return undefined;
    const seq = db
      .transaction((): number | undefined =>
        attempt < ATTEMPTS && newestMark(db) !== round.last.id ? undefined : writeRound(db, round, now),
      )
      .immediate();
    if (seq !== undefined) return seq;
  }
}

function computeRound(source: Source, now: string, terms: PlanTerms): Round | undefined {
  const { db } = source;
  const read = db.transaction(() => {
    const marks = marksOf(db);
    const last = marks.at(-1);
    if (!last) return undefined;
    const firm = readFirm(source);
    return { firm, marks, last, input: planInput(firm), former: readPlan(db) };
  })();
  if (!read) return undefined;
  const { firm, marks, last, former } = read;
  const found = {
    marks,
    last,
    causes: distinctCauses(marks),
    jobs: [...new Set(marks.map((mark) => mark.job))],
    before: former?.version ?? null,
  };
  const plan = makePlan(read.input, terms);
  if (!plan.ok) return { ...found, made: { ok: false, problem: plan.problem } };
  const trace = former && traceOf(firm, marks, former, plan.value);
  const walks = marks.flatMap((mark) => mark.walk ?? []);
  // What is read besides is read of one moment too.
  const made = db.transaction(() => ({
    rows: rowsOfPlan(firm, plan.value, now, found.causes, trace),
    walks: walks.map((walk) => walkEffect(firm, walk, former, plan.value, now, trace)),
    problem: leftOutOf(firm, plan.value),
  }))();
  return { ...found, made: { ok: true, ...made } };
}

/** What the plan leaves out, as something that somebody has to put right. */
const leftOutOf = (firm: FirmReading, { leftOut, origin }: Plan): Problem | null =>
  leftOut ? { code: LEFT_OUT, message: sayLeftOut(leftOut, origin, (job) => jobNames(firm).get(job) ?? '') } : null;

/** What was marked, the newest last; a command for several jobs once. */
const distinctCauses = (marks: readonly Mark[]): Cause[] =>
  [...new Map(marks.flatMap((mark) => mark.causes).map((cause) => [JSON.stringify(cause), cause])).values()].slice(-3);

/**
 * What a walk did to the plan: against the plan at its beginning, whatever was made anew meanwhile. What moved in between
 * is told by what moved it first.
 */
function walkEffect(
  firm: FirmReading,
  walk: string,
  former: Plan | undefined,
  after: Plan,
  now: string,
  trace: Trace | undefined,
): WalkEffect {
  const { job, started_at: at } = queryOne<{ job: string; started_at: string }>(
    firm.db,
    'SELECT job, started_at FROM walk WHERE id = @walk',
    { walk },
  ) ?? { job: '', started_at: now };
  const before = planAsOf(firm.db, at) ?? former;
  const effect = effectOf(before, after, job, sinceThen(firm.db, job, at, trace));
  return {
    walk,
    before: before && 'version' in before ? (before as StoredPlan).version : null,
    effect: JSON.stringify(effect),
  };
}

/** Writes what a round made and takes its marks away; those that came meanwhile stay. */
function writeRound(db: Connection, { last, causes, jobs, before, made }: Round, now: string): number {
  clearMarks(db, last.id);
  execute(db, 'DELETE FROM plan_problem');
  let version: number | null = null;
  if (made.ok) {
    version = storePlan(db, made.rows);
    for (const { walk, before: begun, effect } of made.walks) {
      execute(
        db,
        `INSERT OR REPLACE INTO walk_plan (walk, before_version, after_version, effect)
          VALUES (@walk, @before, @version, @effect)`,
        { walk, before: begun ?? before, version, effect },
      );
    }
    dropOldPlans(db, version);
  }
  if (made.problem) {
    const { code, message } = made.problem;
    insert(db, 'plan_problem', { id: 1, code, message, made_at: now });
  }
  return writeLog(db, {
    id: randomUUID(),
    type: 'plan.renewed',
    at: now,
    applied_at: now,
    who: 'planner',
    job: jobs.length === 1 ? (jobs[0] ?? null) : null,
    payload: JSON.stringify({ causes, jobs }),
    result: JSON.stringify({ version, problem: made.problem }),
  });
}

/** The plans stay that walks under way began with, and of walks whose effect was not kept with them those it is seen from. */
function dropOldPlans(db: Connection, version: number): void {
  execute(
    db,
    `DELETE FROM plan
      WHERE version < @oldest AND version NOT IN (
        SELECT after_version FROM walk_plan WHERE effect IS NULL
        UNION
        SELECT before_version FROM walk_plan WHERE effect IS NULL AND before_version IS NOT NULL
        UNION
        SELECT max(plan.version) FROM walk JOIN plan ON plan.made_at <= walk.started_at
          WHERE walk.finished_at IS NULL GROUP BY walk.id)`,
    { oldest: version - KEPT_VERSIONS },
  );
}
