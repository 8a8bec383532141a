import { lastDay } from '@/core/units/slot';
import { jobFinish } from '@/core/schedule/plan';
import { sayWork } from '@/core/words/work';
import { feedLink, hashOf, tokenOf } from '../tokens';
import { execute, insert, orNull, queryAll } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, requireRow } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { readPlan } from '../reading/plan';
import { askSearch, stopSearch } from './plan-search';

export const planHandlers = handlers({
  'baseline.keep': (context, { id, job, name }) => {
    requireRow(context, 'job', job, 'job');
    const plan = readPlan(context.db, { job });
    if (!plan || plan.tasks.length === 0)
      throw unprocessable('no-plan', 'There is no plan of this job yet to be kept.', 'job');
    const finish = jobFinish(plan, job);
    const tasks = plan.tasks
      .filter((task) => task.state !== 'done' && task.duration > 0)
      .map((task) => ({
        id: task.id,
        label: sayWork(task.work),
        trade: task.trade,
        phase: task.phase,
        start: task.start,
        finish: task.finish,
        duration: task.duration,
      }));
    insert(context.db, 'baseline', {
      id,
      job,
      name,
      made_at: context.now,
      origin: plan.origin,
      finish_day: orNull(finish === undefined ? undefined : lastDay(plan.origin, finish)),
      tasks: JSON.stringify(tasks),
    });
    context.logFor(job);
  },
  'feed.open': (context, { id, kind, target }) => {
    requireRow(context, kind, target, 'target');
    insert(context.db, 'feed', {
      id,
      kind,
      target,
      token_hash: hashOf(tokenOf(context.installation, feedLink(id))),
      made_at: context.now,
    });
  },
  'feed.close': (context, { id }) => {
    if (
      execute(context.db, 'UPDATE feed SET closed_at = @now WHERE id = @id AND closed_at IS NULL', {
        id,
        now: context.now,
      }) === 0
    )
      throw notFound('feed', 'id');
  },
  'plan.search': (context, { schedules, seed }) => {
    askSearch(context.db, { schedules, seed, asked_at: context.now });
    context.wakePlanner();
  },
  'plan.search-stop': (context) => stopSearch(context.db),
});

/** Every calendar made anew from another secret. @returns how many */
export function newFeedTokens(db: Connection, secret: string): number {
  const feeds = queryAll<{ id: string }>(db, 'SELECT id FROM feed');
  for (const { id } of feeds)
    execute(db, 'UPDATE feed SET token_hash = @hash WHERE id = @id', {
      id,
      hash: hashOf(tokenOf({ secret }, feedLink(id))),
    });
  return feeds.length;
}
