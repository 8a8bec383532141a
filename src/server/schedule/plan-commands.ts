import { closeFeed, keepBaseline, openFeed, searchPlan, stopSearch } from '@/contract/commands/schedule';
import { lastDay } from '@/core/units/slot';
import { jobFinish } from '@/core/schedule/plan';
import { hashOf, tokenOf } from '../access/tokens';
import { insert, one, orNull, run } from '../database/query';
import { handler, need, type Handler } from '../door/handler';
import { Refusal, notFound, unfit } from '../door/refusal';
import { feedLink } from './feeds';
import { readPlan } from './read-plan';

export const planHandlers: Handler[] = [
  handler(keepBaseline, (visit, { id, job, name }) => {
    need(visit, 'job', job, 'job');
    const plan = readPlan(visit.db, { job });
    if (!plan || plan.tasks.length === 0) throw unfit('no-plan', 'There is no plan of this job yet to be kept.', 'job');
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
    insert(visit.db, 'baseline', {
      id,
      job,
      name,
      made_at: visit.now,
      origin: plan.origin,
      finish_day: orNull(finish === undefined ? undefined : lastDay(plan.origin, finish)),
      tasks: JSON.stringify(tasks),
    });
    visit.touches(job);
  }),
  handler(openFeed, (visit, { id, kind, target }) => {
    need(visit, kind, target, 'target');
    insert(visit.db, 'feed', {
      id,
      kind,
      target,
      token_hash: hashOf(tokenOf(visit.house, feedLink(id))),
      made_at: visit.now,
    });
  }),
  handler(closeFeed, (visit, { id }) => {
    if (
      run(visit.db, 'UPDATE feed SET closed_at = @now WHERE id = @id AND closed_at IS NULL', { id, now: visit.now }) ===
      0
    )
      throw notFound('feed', 'id');
  }),
  handler(searchPlan, (visit, { schedules, seed }) => {
    const state = one<{ state: string }>(visit.db, 'SELECT state FROM plan_search')?.state;
    if (state === 'asked' || state === 'running')
      throw new Refusal(409, { code: 'search-under-way', message: 'A search is under way already; stop it first.' });
    run(visit.db, 'DELETE FROM plan_search');
    insert(visit.db, 'plan_search', { id: 1, state: 'asked', schedules, seed, asked_at: visit.now });
    visit.wake();
  }),
  handler(stopSearch, (visit) => {
    run(
      visit.db,
      `UPDATE plan_search
        SET state = CASE state WHEN 'running' THEN 'stopping' ELSE 'done' END
        WHERE state IN ('asked', 'running')`,
    );
  }),
];
