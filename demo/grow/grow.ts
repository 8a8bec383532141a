import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { rebuildStanding } from '@/server/walks/rebuild';
import { queryAll, queryOne } from '@/server/database/query';
import { belongingsOf } from './belongings';
import { copyJob, templateOf } from './copy-job';
import { addPast, RECORDS_A_WALK } from './past';

export interface Growth {
  jobs: number;
  open: number;
  /** Records of walks over all jobs; 0 leaves out all that is past: closed jobs, and the past of the open ones. */
  observations: number;
}

/** A firm of so many years: what a job's past holds grows with them. */
export const yearsOf = (years: number): Growth => ({ jobs: 30 * years, open: 8, observations: 100_000 * years });

/** Of all records this part is of the jobs that are open: each of them was walked daily for years. */
const OPEN_SHARE = 0.2;
const CLOSED_EVERY_DAYS = 12;

const newestKept = (db: Installation['db']): number =>
  // eslint-disable-next-line no-restricted-syntax -- the order of keeping is of all records, withdrawn ones too
  queryOne<{ newest: number }>(db, 'SELECT max(rowid) AS newest FROM observation')?.newest ?? 0;

/**
 * Makes a firm of many years out of the demo: its jobs copied row by row, closed ones and open ones, each with a past of
 * walks, orders, plans, news and moves. The same terms make the same firm.
 */
export function grow(installation: Installation, { jobs, open, observations }: Growth): void {
  const { db } = installation;
  const sources = queryAll<{ id: string; name: string; state: string }>(
    db,
    'SELECT id, name, state FROM job ORDER BY position',
  );
  const templates = sources.map(({ id }) => templateOf(db, belongingsOf(db), id));
  const past = observations > 0;
  db.transaction(() => {
    // Rows of a job point at one another both ways: whether all are there is seen at the end.
    db.pragma('defer_foreign_keys = ON');
    const opened = sources.map(({ id }) => id);
    for (let number = 1; opened.length < open; number++) {
      const from = number % sources.length;
      const [template, source] = [templates[from], sources[from]];
      if (!template || !source) throw new Error('There is no job to be copied.');
      const name = `${source.name} ${Math.floor(number / sources.length) + 2}`;
      opened.push(copyJob(db, template, { number, name, state: source.state, position: 100 + number, earlier: 0 }));
    }
    const closed: string[] = [];
    for (let number = 0; past && closed.length < jobs - open; number++) {
      const template = templates[number % templates.length];
      if (!template) throw new Error('There is no job to be copied.');
      closed.push(
        copyJob(db, template, {
          number: 1000 + number,
          name: `Closed house ${number + 1}`,
          state: 'closed',
          position: 1000 + number,
          earlier: 30 + number * CLOSED_EVERY_DAYS,
        }),
      );
    }
    const walks = (list: readonly string[], share: number): number =>
      Math.ceil((observations * share) / Math.max(1, list.length) / RECORDS_A_WALK);
    const own = newestKept(db);
    for (const id of opened) addPast(db, id, walks(opened, OPEN_SHARE));
    for (const id of closed) addPast(db, id, walks(closed, 1 - OPEN_SHARE));
    // The past was kept before what the demo itself records: the order of keeping says what is news.
    db.prepare('UPDATE observation SET rowid = rowid + @past WHERE rowid <= @own').run({ past: newestKept(db), own });
    for (const id of opened)
      db.prepare(`INSERT INTO plan_mark (job, walk, cause) VALUES (?, NULL, 'the firm grew')`).run(id);
  })();
  rebuildStanding(db);
  renewOnce(installation);
  db.exec('ANALYZE');
}
