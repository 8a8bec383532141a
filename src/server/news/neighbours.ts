import { putRight } from '@/core/news/address';
import { execute, insert, queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, requireRow } from '../door/handler';
import { unprocessable } from '../refusal';

/** A neighbour is reached at another address. */
export function moveNeighbourAddress(db: Connection, job: string, was: string, address: string): void {
  const known = queryAll<{ id: string; email: string; phone: string }>(
    db,
    'SELECT id, email, phone FROM neighbour WHERE job = @job AND (email = @was OR phone = @was)',
    { job, was },
  );
  for (const { id, ...reached } of known)
    execute(db, 'UPDATE neighbour SET email = @email, phone = @phone, version = version + 1 WHERE id = @id', {
      ...{ id, ...putRight(reached, was, address) },
    });
}

export const neighbourHandlers = handlers({
  'neighbour.set': (context, { id, job, name, email, phone, note, needed, neededFor }) => {
    requireRow(context, 'job', job, 'job');
    if ((needed === '') !== (neededFor === ''))
      throw unprocessable(
        'needed-of-what',
        needed === '' ? 'Say what of theirs is needed for it.' : 'Say for which work it is needed.',
        needed === '' ? 'needed' : 'neededFor',
      );
    const row = { name, email, phone, note, needed, needed_for: neededFor === '' ? null : neededFor };
    const known = queryOne<{ job: string }>(context.db, 'SELECT job FROM neighbour WHERE id = @id', { id });
    if (known && known.job !== job) throw unprocessable('other-job', 'They live beside another job.', 'job');
    if (known)
      execute(
        context.db,
        `UPDATE neighbour
          SET name = @name, email = @email, phone = @phone, note = @note, needed = @needed, needed_for = @needed_for,
            removed = 0, version = version + 1
          WHERE id = @id`,
        { id, ...row },
      );
    else insert(context.db, 'neighbour', { id, job, ...row });
    context.logFor(job);
  },
  'neighbour.remove': (context, { id }) => {
    const { job, removed } = requireRow(context, 'neighbour', id);
    if (removed) throw unprocessable('removed-already', 'They are not on the list any more.', 'id');
    execute(context.db, 'UPDATE neighbour SET removed = 1, version = version + 1 WHERE id = @id', { id });
    context.logFor(job);
  },
});

/** What those who lived beside a job are called once nobody has to tell them anything any more. */
const SOMEBODY = 'a neighbour';

/** Names and numbers of the neighbours of jobs that were closed before an instant are forgotten. @returns how many */
export const forgetNeighbours = (db: Connection, before: string): number =>
  execute(
    db,
    `UPDATE neighbour
      SET name = @SOMEBODY, email = '', phone = '', note = '', version = version + 1
      WHERE name <> @SOMEBODY AND job IN (
        SELECT id FROM job
        WHERE state = 'closed' AND (SELECT max(applied_at) FROM command_log WHERE command_log.job = job.id) < @before)`,
    { SOMEBODY, before },
  );
