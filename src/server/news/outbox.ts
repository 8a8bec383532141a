import { dayIn, hourIn, instantIn } from '@/core/units/zone';
import { addDays } from '@/core/units/day';
import { pathOf } from '../tokens';
import { queryAll, queryOne, execute } from '../database/query';
import { writeLog } from '../door/log';
import type { Installation } from '../installation';
import type { Delivery } from '../outside/ports';
import { zoneOf } from '../zone';

interface Queued {
  id: string;
  tries: number;
  recipient: string;
  address: string;
  share_link: string;
  title: string;
  body: string;
  job: string;
}

/** Minutes until a message that could not be handed over is tried again, each longer than the one before. */
const WAITS_MIN = [1, 5, 30, 120, 480] as const;

/** Nobody is written to before or after these hours of the firm’s day; what is sent in the evening goes out in the morning. */
const HOURS = { from: 6, until: 21 };

/** When the hours in which nobody is written to are over; undefined outside of them. */
export function quietUntil({ db, clock }: Pick<Installation, 'db' | 'clock'>): Date | undefined {
  const zone = zoneOf(db);
  const now = clock.now();
  const hour = hourIn(zone, now);
  if (hour >= HOURS.from && hour < HOURS.until) return undefined;
  const today = dayIn(zone, now);
  return instantIn(zone, hour < HOURS.from ? today : addDays(today, 1), HOURS.from);
}

/** Until when messages are held; what is only played wakes nobody. */
const heldUntil = (installation: Installation): Date | undefined => {
  const { messages } = installation.outside;
  return messages !== 'by hand' && messages.by === 'mail' ? quietUntil(installation) : undefined;
};

/**
 * Hands every message whose time has come to the gateway, and writes down what became of it: sent, delivered, to be tried
 * again later, or failed. The link's secret is put into the text here and stays nowhere. Where nothing carries messages,
 * they wait for somebody to pass them on. A gateway that answers at once is done with when this returns.
 * @returns how many were handed over
 */
export async function emptyOutbox(installation: Installation): Promise<number> {
  const { db, outside, clock } = installation;
  const { messages } = outside;
  if (messages === 'by hand') return 0;
  const morning = heldUntil(installation);
  if (morning) {
    execute(db, `UPDATE message SET next_try_at = @at WHERE state = 'queued' AND next_try_at IS NULL`, {
      at: morning.toISOString(),
    });
    return 0;
  }
  const queued = queryAll<Queued>(
    db,
    `SELECT message.id, tries, recipient, address, share_link, title, body, job
      FROM message
      JOIN job_update ON job_update.id = message.job_update
      WHERE message.state = 'queued' AND (next_try_at IS NULL OR next_try_at <= @now)
      ORDER BY queued_at
      LIMIT 50`,
    { now: clock.now().toISOString() },
  );
  for (const message of queued) {
    const { id, tries, recipient, address, title: subject } = message;
    const text = `${message.body}\n\n${installation.address}${pathOf(installation, message.share_link)}`;
    const answer = messages.deliver({ id, tries, recipient, address, subject, text });
    settle(installation, message, answer instanceof Promise ? await answer : answer);
  }
  return queued.length;
}

function settle(installation: Installation, { id, tries, job }: Queued, delivery: Delivery): void {
  const { db, clock } = installation;
  const now = clock.now().toISOString();
  const wait = 'failure' in delivery && delivery.again ? WAITS_MIN[tries] : undefined;
  const failure = 'failure' in delivery ? delivery.failure : null;
  const state = 'failure' in delivery ? (wait === undefined ? 'failed' : 'queued') : delivery.state;
  const seq = db
    .transaction(() => {
      execute(
        db,
        `UPDATE message
          SET state = @state, failure = @failure, settled_at = @settled, next_try_at = @next, tries = tries + 1
          WHERE id = @id AND state = 'queued'`,
        {
          ...{ id, state, failure },
          settled: state === 'queued' ? null : now,
          next: wait === undefined ? null : new Date(Date.parse(now) + wait * 60_000).toISOString(),
        },
      );
      return writeLog(db, {
        id: crypto.randomUUID(),
        type: 'message.settled',
        at: now,
        applied_at: now,
        who: 'gateway',
        job,
        payload: JSON.stringify({ message: id }),
        result: JSON.stringify({ state, failure }),
      });
    })
    .immediate();
  installation.news.emit('log', seq);
}

/** The longest that the outbox is left alone. */
const LOOK_AGAIN_MS = 15 * 60_000;

/**
 * Keeps the outbox empty: soon after something is queued, when a try is due, when the quiet hours are over, and once at
 * the start for what a stop left behind.
 * @param delayMs how long whatever is queued together has to come together
 */
export function startOutbox(installation: Installation, delayMs = 1_200): void {
  let timer: NodeJS.Timeout | undefined;
  let busy = false;
  const lookIn = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void look(), ms).unref();
  };
  const look = async (): Promise<void> => {
    if (busy) return lookIn(delayMs);
    busy = true;
    try {
      const handed = await emptyOutbox(installation);
      lookIn(handed > 0 ? delayMs : untilNext(installation));
    } catch (error) {
      console.error('The outbox could not be emptied; it is looked at again:', error);
      lookIn(LOOK_AGAIN_MS);
    } finally {
      busy = false;
    }
  };
  installation.news.on('queued', () => lookIn(delayMs));
  lookIn(delayMs);
}

/** Milliseconds until the next message is due. */
function untilNext(installation: Installation): number {
  const { db, clock } = installation;
  const next = queryOne<{ at: string | null }>(
    db,
    `SELECT min(coalesce(next_try_at, queued_at)) AS at FROM message WHERE state = 'queued'`,
  )?.at;
  if (!next) return LOOK_AGAIN_MS;
  const now = clock.now().getTime();
  const due = Math.max(Date.parse(next), heldUntil(installation)?.getTime() ?? 0);
  return Math.min(Math.max(due - now, 1_000), LOOK_AGAIN_MS);
}
