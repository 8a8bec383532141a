import { sumMoves, type Move } from '@/core/schedule/sum-moves';
import { execute, queryAll } from '../database/query';
import { dropFromLog, dropInverse, oldInverses, oldRenewals } from '../door/log';
import type { Connection } from '../database/open';

/** What is younger is left as it is. In days. */
const YOUNG = 60;
/** Calendars outside were told of what was cancelled long before. In days. */
const LONG_TOLD = 365;
/** Rows that are let go in one transaction, so that the write lock is never held for long. */
const AT_ONCE = 1_000;

const DAY_MS = 86_400_000;
const before = (now: string, days: number): string => new Date(Date.parse(now) - days * DAY_MS).toISOString();

/**
 * Thins what is only ever added to, by the rule of docs/decisions/0045: nothing that is shown, measured or said to anybody
 * changes by it.
 * @param now the instant from which ages are counted
 * @returns rows that went
 */
export function thin(db: Connection, now: string): number {
  const [young, told] = [before(now, YOUNG), before(now, LONG_TOLD)];
  const inverses = letGo(db, oldInverses(db, young), dropInverse);
  const renewals = letGo(db, oldRenewals(db, young), dropFromLog);
  const events = letGo(db, oldEvents(db, told), dropEvent);
  return inverses + renewals + events + thinMoves(db, young);
}

/** Cancelled events of closed jobs from before an instant. */
const oldEvents = (db: Connection, before: string): string[] =>
  queryAll<{ task: string }>(
    db,
    `SELECT task
      FROM calendar_event
      JOIN job ON job.id = calendar_event.job
      WHERE cancelled = 1 AND changed_at < @before AND job.state = 'closed'`,
    { before },
  ).map(({ task }) => task);

const dropEvent = (db: Connection, task: string): void =>
  void execute(db, 'DELETE FROM calendar_event WHERE task = @task', { task });

/**
 * Lets rows go that were looked up before the write lock is taken, in one short transaction after the other.
 * @returns how many
 */
function letGo<Key>(db: Connection, keys: readonly Key[], drop: (db: Connection, key: Key) => void): number {
  for (let from = 0; from < keys.length; from += AT_ONCE)
    db.transaction(() => {
      for (const key of keys.slice(from, from + AT_ONCE)) drop(db, key);
    })();
  return keys.length;
}

/** Moves of old plans, job by job: one for each cause between two baselines. */
function thinMoves(db: Connection, young: string): number {
  const jobs = queryAll<{ job: string }>(db, 'SELECT DISTINCT job FROM plan_move WHERE made_at < @young', { young });
  return jobs.reduce((gone, { job }) => gone + thinMovesOf(db, job, young), 0);
}

function thinMovesOf(db: Connection, job: string, young: string): number {
  const moves = queryAll<Move>(
    db,
    `SELECT id, made_at AS madeAt, task, halves, cause
      FROM plan_move
      WHERE job = @job AND made_at < @young
      ORDER BY id`,
    { job, young },
  );
  const baselines = queryAll<{ made_at: string }>(db, 'SELECT made_at FROM baseline WHERE job = @job', { job });
  const { kept, dropped } = sumMoves(
    moves,
    baselines.map((baseline) => baseline.made_at),
  );
  if (dropped.length > 0)
    db.transaction(() => {
      for (const move of kept) execute(db, 'UPDATE plan_move SET halves = @halves WHERE id = @id', { ...move });
      for (const id of dropped) execute(db, 'DELETE FROM plan_move WHERE id = @id', { id });
    })();
  return dropped.length;
}
