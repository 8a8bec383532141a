import { randomUUID } from 'node:crypto';
import { better } from '@/core/schedule/objective';
import { makePlan } from '@/core/schedule/plan';
import { writeLog } from '../door/log';
import { newestMark } from '../door/marks';
import { readPlan } from '../reading/plan';
import { readFirm, type Source } from '../reading/reading';
import { askedSearch, beginSearch, endSearch, noteSearched, searchRuns } from '../schedule/plan-search';
import { planInput } from './plan-input';
import { rowsOfPlan, storePlan } from './store-plan';

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
  const asked = askedSearch(db);
  if (!asked) return undefined;
  beginSearch(db);
  let looked = Date.now();
  let made = 0;
  const stop = (): boolean => {
    made++;
    if (Date.now() - looked < LOOKS_UP_MS) return false;
    looked = Date.now();
    noteSearched(db, made);
    return !searchRuns(db) || newestMark(db) !== undefined;
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
        storePlan(db, rowsOfPlan(firm, plan.value, now(), [{ kind: 'better-order' }]));
        words = 'A better plan was found and is kept.';
      }
      endSearch(db, made, words);
      return writeLog(db, {
        id: randomUUID(),
        type: 'plan.searched',
        at: now(),
        applied_at: now(),
        who: 'planner',
        job: null,
        payload: JSON.stringify({ schedules: asked.schedules, seed: asked.seed }),
        result: JSON.stringify({ made, words }),
      });
    })
    .immediate();
}
