import { randomUUID } from 'node:crypto';
import { clientDraft } from '@/core/news/client-draft';
import { crewDraft } from '@/core/news/crew-draft';
import type { News } from '@/core/news/news';
import { diffOf } from '@/core/walks/diff';
import { ofKind } from '@/core/walks/observation';
import type { Plan } from '@/core/schedule/plan';
import { dayIn } from '@/core/units/zone';
import { queryOne, type NewRow } from '../database/query';
import { nextWork, type Effect } from './effect';
import { coveredIn } from '../reading/covered';
import { areaNames, jobRow } from '../reading/job';
import type { JobReading } from '../reading/reading';
import { recordsAround } from '../reading/records';
import { settledOn } from '../reading/scope';
import { selectionNames } from '../reading/selections';
import { holdRows } from '../reading/sequence';
import { weightsOf, workDoneOf } from '../reading/weights';
import type { WalkRow } from '../reading/walk';

/**
 * The facts of a walk's news.
 * @param effect what it did to the plan
 * @param after the plan after it, which says who comes next; none where only the walk is looked back at
 */
export function newsOf(
  job: JobReading,
  walk: { id: string; started_at: string },
  effect: Effect,
  after: Plan | undefined,
): News {
  const row = jobRow(job);
  const seen = recordsAround(job.firm.db, walk.id);
  const weights = weightsOf(job);
  const day = dayIn(job.firm.zone, walk.started_at);
  return {
    job: row.name,
    day,
    livedIn: row.lived_in === 1,
    diff: diffOf(seen, walk.id, weights),
    areas: areaNames(job),
    selections: selectionNames(job),
    done: workDoneOf(job).share,
    moved: effect.moved,
    finish: { ...effect.finish, ...(row.promise_day ? { promised: row.promise_day } : {}) },
    causes: effect.causes ?? [],
    next: after ? nextWork(after, new Set([job.id]), day, 10) : [],
    decisions: holdRows(job).flatMap((hold) =>
      hold.kind === 'client' ? [{ text: hold.text, by: hold.expected_on }] : [],
    ),
    cautions: [...coveredIn(job), ...ofKind(seen, 'caution').filter((caution) => caution.walk === walk.id)],
    settled: settledOn(job, walk.id),
  };
}

/** The updates of a finished walk, one an audience; none where there is no such walk. */
export function draftsOf(
  job: JobReading,
  walk: string,
  effect: Effect,
  after: Plan,
  now: string,
): NewRow<'job_update'>[] {
  const row = queryOne<WalkRow>(job.firm.db, 'SELECT * FROM walk WHERE id = @walk', { walk });
  if (!row) return [];
  const news = newsOf(job, row, effect, after);
  return (
    [
      ['client', clientDraft(news)],
      ['crew', crewDraft(news)],
    ] as const
  ).map(([audience, { title, body }]) => ({
    id: randomUUID(),
    job: job.id,
    walk,
    audience,
    title,
    body,
    made_at: now,
    state: 'draft',
  }));
}
