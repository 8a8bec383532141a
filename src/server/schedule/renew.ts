import { randomUUID } from 'node:crypto';
import { insert } from '../database/query';
import type { Connection } from '../database/open';
import type { Day } from '@/core/units/day';
import { composeDrafts } from '../news/compose-drafts';
import { renewPlan } from './store-plan';

/**
 * One round of the planner: computes what is marked, drafts the updates of the walks that waited for it, and writes
 * both into the log, all in one transaction. @returns the log number, undefined where nothing was marked
 */
export function renewOnce(db: Connection, today: Day, now: string): number | undefined {
  return db
    .transaction((): number | undefined => {
      const renewal = renewPlan(db, today, now);
      if (!renewal) return undefined;
      for (const walk of renewal.walks) composeDrafts(db, walk, now);
      insert(db, 'command_log', {
        id: randomUUID(),
        type: 'plan.renewed',
        at: now,
        applied_at: now,
        who: 'planner',
        job: renewal.jobs.length === 1 ? (renewal.jobs[0] ?? null) : null,
        payload: JSON.stringify({ cause: renewal.cause, jobs: renewal.jobs }),
        result: JSON.stringify({ version: renewal.version ?? null, problem: renewal.problem ?? null }),
      });
      return (db.prepare('SELECT last_insert_rowid() AS seq').get() as { seq: number }).seq;
    })
    .immediate();
}
