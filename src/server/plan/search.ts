import { randomUUID } from 'node:crypto';
import { better } from '@/core/schedule/objective';
import { makePlan } from '@/core/schedule/plan';
import { insert, queryOne, execute } from '../database/query';
import { readPlan } from '../reading/plan';
import { readFirm, type Source } from '../reading/reading';
import { planInput } from './plan-input';
import { rowsOfPlan, storePlan } from './store-plan';
import type { Rows } from '../database/rows';

type SearchRow = Rows['plan_search'];

/** How often the search looks up: whether it was stopped, whether something new has to be planned first. */
const LOOKS_UP_MS = 150;

/**
 * A longer search for a better plan, if one was asked for. Whatever is marked meanwhile ends it: the best so far is
 * kept, and the marks are planned from there.
 * @returns the log number, undefined where nothing was asked
 */
export function searchOnce(source: Source): number | undefined {
  const { db } = source;
  const now = (): string => source.clock.now().toISOString();
  const asked = queryOne<SearchRow>(db, `SELECT * FROM plan_search WHERE state IN ('asked', 'running')`);
  if (!asked) return undefined;
  execute(db, `UPDATE plan_search SET state = 'running', made = 0, words = ''`);
  let looked = Date.now();
  let made = 0;
  const stop = (): boolean => {
    made++;
    if (Date.now() - looked < LOOKS_UP_MS) return false;
    looked = Date.now();
    execute(db, 'UPDATE plan_search SET made = @made', { made });
    return (
      queryOne(db, `SELECT 1 FROM plan_search WHERE state <> 'running' UNION ALL SELECT 1 FROM plan_mark`) !== undefined
    );
  };
  const firm = readFirm(source);
  const input = db.transaction(() => planInput(firm))();
  const plan = makePlan(input, { schedules: asked.schedules, seed: asked.seed, stop });
  return db
    .transaction((): number => {
      const current = readPlan(db);
      let words = plan.ok ? 'No better plan was found.' : plan.problem.message;
      // A plan of an older form has no score of its own; what was found then counts as better.
      if (plan.ok && (!current?.score || better(plan.value.score, current.score))) {
        storePlan(db, rowsOfPlan(firm, plan.value, now(), 'a better order was found'));
        words = 'A better plan was found and is kept.';
      }
      execute(db, `UPDATE plan_search SET state = 'done', made = @made, words = @words`, { made, words });
      insert(db, 'command_log', {
        id: randomUUID(),
        type: 'plan.searched',
        at: now(),
        applied_at: now(),
        who: 'planner',
        job: null,
        payload: JSON.stringify({ schedules: asked.schedules, seed: asked.seed }),
        result: JSON.stringify({ made, words }),
      });
      return queryOne<{ seq: number }>(db, 'SELECT last_insert_rowid() AS seq')?.seq ?? 0;
    })
    .immediate();
}
