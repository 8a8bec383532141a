import { execute, insert, type NewRow } from '../database/query';
import type { Rows } from '../database/rows';
import type { CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

/** Puts a message to one person into the outbox. */
export function addMessage(
  { db, now, installation }: CommandContext,
  message: Pick<NewRow<'message'>, 'id' | 'job_update' | 'share_link' | 'recipient' | 'address'>,
): void {
  insert(db, 'message', { ...message, state: 'queued', queued_at: now });
  installation.news.emit('queued');
}

/** A message that failed goes out again, to the same address unless another is given. */
export function sendAgain(
  { db, now, installation }: CommandContext,
  { id, state, address: was }: Rows['message'],
  address: string = was,
): void {
  if (state !== 'failed') throw unprocessable('not-failed', 'Only a message that failed is sent again.', 'id');
  execute(
    db,
    `UPDATE message
      SET state = 'queued', address = @address, tries = 0, queued_at = @now, next_try_at = NULL, settled_at = NULL,
        failure = NULL
      WHERE id = @id`,
    { id, address, now },
  );
  installation.news.emit('queued');
}
