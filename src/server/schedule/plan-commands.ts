import { lastDay } from '@/core/units/slot';
import { jobFinish } from '@/core/schedule/plan';
import { sayWork } from '@/core/words/work';
import { feedLink, hashOf, tokenOf } from '../tokens';
import { insert, orNull, execute } from '../database/query';
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
