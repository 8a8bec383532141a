import { execute, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, requireRow } from '../door/handler';
import { unprocessable } from '../refusal';

/** A neighbour is reached at another address. */
export const moveNeighbourAddress = (db: Connection, job: string, was: string, address: string): void =>
  void execute(db, 'UPDATE neighbour SET email = @address, version = version + 1 WHERE job = @job AND email = @was', {
    ...{ job, was, address },
  });

export const neighbourHandlers = handlers({
  'neighbour.set': (context, { id, job, name, email, phone, note }) => {
    requireRow(context, 'job', job, 'job');
    const known = queryOne<{ job: string }>(context.db, 'SELECT job FROM neighbour WHERE id = @id', { id });
    if (known && known.job !== job) throw unprocessable('other-job', 'They live beside another job.', 'job');
    if (known)
      execute(
        context.db,
        `UPDATE neighbour
          SET name = @name, email = @email, phone = @phone, note = @note, removed = 0, version = version + 1
          WHERE id = @id`,
        { id, name, email, phone, note },
      );
    else insert(context.db, 'neighbour', { id, job, name, email, phone, note });
    context.logFor(job);
  },
  'neighbour.remove': (context, { id }) => {
    const { job, removed } = requireRow(context, 'neighbour', id);
    if (removed) throw unprocessable('removed-already', 'They are not on the list any more.', 'id');
    execute(context.db, 'UPDATE neighbour SET removed = 1, version = version + 1 WHERE id = @id', { id });
    context.logFor(job);
  },
});
