import type { Plan, PlannedTask } from '@/core/schedule/plan';
import type { Link } from '@/core/schedule/network';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** A stored plan, whole or of one job. */
export interface StoredPlan extends Plan {
  version: number;
  madeAt: string;
  cause: string;
}

type Frame = Omit<Plan, 'tasks' | 'links' | 'origin'>;

export const currentVersion = (db: Connection): number | undefined =>
  queryOne<{ version: number | null }>(db, 'SELECT max(version) AS version FROM plan')?.version ?? undefined;

type PlanRow = Rows['plan'];

/**
 * A stored version never changes, and every page reads the newest: the last few are kept parsed. Nobody writes to them.
 */
const KEPT_PARSED = 12;
const parsed = new WeakMap<Connection, Map<string, StoredPlan>>();

/** A stored version (the newest unless named), of one job or of all; undefined while there is none. */
export function readPlan(db: Connection, options: { version?: number; job?: string } = {}): StoredPlan | undefined {
  const version = options.version ?? currentVersion(db);
  const row =
    version === undefined
      ? undefined
      : queryOne<PlanRow>(db, 'SELECT * FROM plan WHERE version = @version', { version });
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
  const parts =
    job === undefined
      ? queryAll<{ tasks: string; links: string }>(
          db,
          'SELECT tasks, links FROM plan_part WHERE version = @version ORDER BY job',
          { version: row.version },
        )
      : queryAll<{ tasks: string; links: string }>(
          db,
          'SELECT tasks, links FROM plan_part WHERE version = @version AND job = @job',
          { version: row.version, job },
        );
  return {
    ...(JSON.parse(row.frame) as Frame),
    version: row.version,
    madeAt: row.made_at,
    cause: row.cause,
    origin: row.origin,
    tasks: parts.flatMap((part) => JSON.parse(part.tasks) as PlannedTask[]),
    links: parts.flatMap((part) => JSON.parse(part.links) as Link[]),
  };
}
