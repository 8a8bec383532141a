import { randomUUID } from 'node:crypto';
import { better } from '@/core/schedule/objective';
import { makePlan } from '@/core/schedule/plan';
import { writeLog } from '../door/log';
import { newestMark } from '../door/marks';
import { sayBetterPlan } from '@/core/words/better-plan';
import { currentVersion, readPlan } from '../reading/plan';
import { readFirm, type Source } from '../reading/reading';
import { askedSearch, beginSearch, endSearch, noteSearched, searchRuns } from '../schedule/plan-search';
import { planInput } from './plan-input';
import { gainOf } from './gain';

/** How often the search looks up: whether it was stopped, whether something new has to be planned first. */
const LOOKS_UP_MS = 150;

/**
 * A longer search for a better plan, if one was asked for. What it finds is proposed and kept only once somebody takes it.
 * Whatever is marked meanwhile ends it, and what it found is of a plan that is no more.
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
  const version = currentVersion(db);
  const input = db.transaction(() => planInput(firm))();
  const plan = makePlan(input, { schedules: asked.schedules, seed: asked.seed, stop });
  return db
    .transaction((): number => {
      const current = readPlan(db);
      const isBetter =
        plan.ok && current !== undefined && version === current.version && better(plan.value.score, current.score);
      const words = !plan.ok
        ? plan.problem.message
        : isBetter
          ? sayBetterPlan(gainOf(firm, current, plan.value))
          : current?.version === version
            ? 'No better plan was found.'
            : 'The plan has changed meanwhile; look again from there.';
      endSearch(db, made, words, isBetter ? { version: current.version, plan: plan.value } : undefined);
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
