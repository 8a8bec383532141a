import { pathOf } from '../tokens';
import { queryAll, execute } from '../database/query';
import { writeLog } from '../door/log';
import type { Installation } from '../installation';

interface Queued {
  id: string;
  tries: number;
  address: string;
  share_link: string;
  title: string;
  body: string;
  job: string;
}

/**
 * Hands every queued message to the gateway, once each, and writes down what became of it. The link's secret is put
 * into the text here and stays nowhere. @returns how many were settled
 */
export function emptyOutbox(installation: Installation): number {
  const { db, outside } = installation;
  const queued = queryAll<Queued>(
    db,
    `SELECT message.id, tries, address, share_link, title, body, job
      FROM message
      JOIN job_update ON job_update.id = message.job_update
      WHERE message.state = 'queued'
      ORDER BY queued_at
      LIMIT 50`,
  );
  for (const message of queued) {
    const { failure } = outside.messages.deliver({
      id: message.id,
      tries: message.tries,
      address: message.address,
      subject: message.title,
      text: `${message.body}\n\n${pathOf(installation, message.share_link)}`,
    });
    const now = installation.clock.now().toISOString();
    const seq = db
      .transaction(() => {
        execute(
          db,
          `UPDATE message
            SET state = @state, failure = @failure, settled_at = @now, tries = tries + 1
            WHERE id = @id`,
          { id: message.id, state: failure ? 'failed' : 'delivered', failure: failure ?? null, now },
        );
        return writeLog(db, {
          id: crypto.randomUUID(),
          type: 'message.settled',
          at: now,
          applied_at: now,
          who: 'gateway',
          job: message.job,
          payload: JSON.stringify({ message: message.id }),
          result: JSON.stringify({ failure: failure ?? null }),
        });
      })
      .immediate();
    installation.news.emit('log', seq);
  }
  return queued.length;
}

/** Keeps the outbox empty: soon after something is queued, and once at the start for what a stop left behind. */
export function startOutbox(installation: Installation, delayMs = 1_200): void {
  let timer: NodeJS.Timeout | undefined;
  const soon = (): void => {
    timer ??= setTimeout(() => {
      timer = undefined;
      if (emptyOutbox(installation) > 0) soon();
    }, delayMs).unref();
  };
  installation.news.on('queued', soon);
  soon();
}
