import { lastDay } from '@/core/units/slot';
import { jobFinish } from '@/core/schedule/plan';
import { feedLink, hashOf, tokenOf } from '../tokens';
import { insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireRow } from '../door/handler';
import { Refusal, notFound, unprocessable } from '../refusal';
import { readPlan } from '../reading/plan';

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
        label: task.label,
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
    const state = queryOne<{ state: string }>(context.db, 'SELECT state FROM plan_search')?.state;
    if (state === 'asked' || state === 'running')
      throw new Refusal(409, { code: 'search-under-way', message: 'A search is under way already; stop it first.' });
    execute(context.db, 'DELETE FROM plan_search');
    insert(context.db, 'plan_search', { id: 1, state: 'asked', schedules, seed, asked_at: context.now });
    context.wakePlanner();
  },
  'plan.search-stop': (context) => {
    execute(
      context.db,
      `UPDATE plan_search
        SET state = CASE state WHEN 'running' THEN 'stopping' ELSE 'done' END
        WHERE state IN ('asked', 'running')`,
    );
  },
});
