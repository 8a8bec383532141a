import { randomUUID } from 'node:crypto';
import { clientDraft } from '@/core/news/client-draft';
import { crewDraft } from '@/core/news/crew-draft';
import type { News } from '@/core/news/news';
import type { Day } from '@/core/units/day';
import { diffOf, workDone } from '@/core/walks/diff';
import { ofKind, notWithdrawn } from '@/core/walks/observation';
import { progressOf } from '@/core/walks/progress';
import type { Plan } from '@/core/schedule/plan';
import { dayIn } from '@/core/units/zone';
import { queryAll, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { effectOf, nextWork } from '../schedule/effect';
import { readPlan } from '../schedule/read-plan';
import type { JobRow } from '../schedule/read-site';
import { observationsOf } from '../walks/queries';
import { zoneOf } from '../zone';

/** Planned half-days of every step of a job by task id: what progress weighs. */
export function weightsOf(db: Connection, job: string): Map<string, number> {
  const rows = queryAll<{ key: string; halfDays: number }>(
    db,
    `SELECT step.area || ':' || step.phase AS key, half_days AS halfDays
      FROM step
      JOIN area ON area.id = step.area
      WHERE area.job = @job`,
    { job },
  );
  return new Map(rows.map((row) => [row.key, row.halfDays]));
}

/** The facts of a walk's news, against a plan before and one after it. */
export function newsOf(
  db: Connection,
  walk: { id: string; job: string; started_at: string },
  before: Plan | undefined,
  after: Plan,
): News {
  const job = queryOne<JobRow>(db, 'SELECT * FROM job WHERE id = @id', { id: walk.job });
  if (!job) throw new Error(`Walk ${walk.id} has no job.`);
  const all_ = observationsOf(db, walk.job);
  const seen = notWithdrawn(all_);
  const weights = weightsOf(db, walk.job);
  const progress = progressOf(seen);
  const day = dayIn(zoneOf(db), walk.started_at);
  const effect = effectOf(before, after, walk.job);
  return {
    job: job.name,
    day,
    livedIn: job.lived_in === 1,
    diff: diffOf(all_, walk.id, weights),
    areas: new Map(
      queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area WHERE job = @job', { job: walk.job }).map(
        (area) => [area.id, area.name],
      ),
    ),
    selections: new Map(
      queryAll<{ id: string; area: string; category: string; choice: string }>(
        db,
        'SELECT id, area, category, choice FROM selection WHERE job = @job',
        { job: walk.job },
      ).map((item) => [item.id, item]),
    ),
    done: workDone(weights, (task) => progress.get(task)?.fraction ?? 0),
    moved: effect.moved,
    finish: { ...effect.finish, ...(job.promise_day ? { promised: job.promise_day } : {}) },
    next: nextWork(after, new Set([walk.job]), day, 10),
    decisions: queryAll<{ text: string; by: Day }>(
      db,
      `SELECT text, expected_on AS by
        FROM hold
        WHERE job = @job AND kind = 'client' AND state = 'open'
        ORDER BY expected_on`,
      { job: walk.job },
    ),
    cautions: ofKind(seen, 'caution').filter((caution) => caution.walk === walk.id),
    settled: queryAll<News['settled'][number]>(
      db,
      `SELECT area, text, state AS verdict, found, fallback
        FROM assumption
        WHERE settled_walk = @walk AND state <> 'open' AND removed = 0
        ORDER BY settled_at`,
      { walk: walk.id },
    ),
  };
}

/** Drafts the updates of a finished walk, one an audience; a walk that has them already keeps them. */
export function composeDrafts(db: Connection, walkId: string, now: string): void {
  const walk = queryOne<{ id: string; job: string; started_at: string }>(db, 'SELECT * FROM walk WHERE id = @walkId', {
    walkId,
  });
  const versions = queryOne<{ before_version: number | null; after_version: number }>(
    db,
    'SELECT * FROM walk_plan WHERE walk = @walkId',
    { walkId },
  );
  const after = versions && readPlan(db, { version: versions.after_version });
  if (!walk || !after || queryOne(db, 'SELECT 1 FROM job_update WHERE walk = @walkId', { walkId })) return;
  const before = versions.before_version === null ? undefined : readPlan(db, { version: versions.before_version });
  const news = newsOf(db, walk, before, after);
  for (const [audience, draft] of [
    ['client', clientDraft(news)],
    ['crew', crewDraft(news)],
  ] as const) {
    insert(db, 'job_update', {
      id: randomUUID(),
      job: walk.job,
      walk: walkId,
      audience,
      title: draft.title,
      body: draft.body,
      made_at: now,
      state: 'draft',
    });
  }
}
