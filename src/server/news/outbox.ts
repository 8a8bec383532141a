import { dayIn, hourIn, instantIn } from '@/core/units/zone';
import { addDays } from '@/core/units/day';
import { pathOf } from '../tokens';
import { queryAll, queryOne, execute } from '../database/query';
import { writeLog } from '../door/log';
import type { Installation } from '../installation';
import { textWords } from '@/core/news/address';
import type { Delivery, MessageGateway } from '../outside/ports';
import { noteIfPossible } from '../storage-fault';
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

/** Letters by one way, short texts by another; each is told by its address. */
interface Way {
  /** Whether it carries letters. */
  letters: 0 | 1;
  gateway: MessageGateway;
}
const waysOf = ({ outside: { messages, texts } }: Installation): Way[] => [
  ...(messages === 'by hand' ? [] : [{ letters: 1 as const, gateway: messages }]),
  ...(texts === 'by hand' ? [] : [{ letters: 0 as const, gateway: texts }]),
];
const OF_WAY = `(instr(address, '@') > 0) = @letters`;

/** Until when messages are held; what is only played wakes nobody. */
const heldUntil = (installation: Installation, { gateway }: Way): Date | undefined =>
  gateway.by === 'mail' ? quietUntil(installation) : undefined;

/**
 * Hands every message whose time has come to whatever carries it, and writes down what became of it: sent, delivered, to
 * be tried again later, or failed. The link's secret is put into the text here and stays nowhere. Where nothing carries
 * them, they wait for somebody to pass them on. A gateway that answers at once is done with when this returns.
 * @returns how many were handed over
 */
export async function emptyOutbox(installation: Installation): Promise<number> {
  let handed = 0;
  for (const way of waysOf(installation)) handed += await handOver(installation, way);
  return handed;
}

async function handOver(installation: Installation, way: Way): Promise<number> {
  const { db, clock } = installation;
  const { letters, gateway } = way;
  const morning = heldUntil(installation, way);
  if (morning) {
    execute(db, `UPDATE message SET next_try_at = @at WHERE state = 'queued' AND next_try_at IS NULL AND ${OF_WAY}`, {
      at: morning.toISOString(),
      letters,
    });
    return 0;
  }
  const queued = queryAll<Queued>(
    db,
    `SELECT message.id, tries, recipient, address, share_link, title, body, job
      FROM message
      JOIN job_update ON job_update.id = message.job_update
      WHERE message.state = 'queued' AND (next_try_at IS NULL OR next_try_at <= @now) AND ${OF_WAY}
      ORDER BY queued_at
      LIMIT 50`,
    { now: clock.now().toISOString(), letters },
  );
  for (const message of queued) {
    const { id, tries, recipient, address, title: subject } = message;
    if (!claim(installation, id)) continue;
    const page = `${installation.address}${pathOf(installation, message.share_link)}`;
    const text = letters ? `${message.body}\n\n${page}` : textWords(subject, page);
    const answer = gateway.deliver({ id, tries, recipient, address, subject, text });
    settle(installation, message, answer instanceof Promise ? await answer : answer);
  }
  return queued.length;
}

/** Takes a message to be handed over, on the disk before it is. @returns whether nobody else has it */
const claim = ({ db, clock }: Installation, id: string): boolean =>
  execute(db, `UPDATE message SET claimed_at = @now WHERE id = @id AND state = 'queued' AND claimed_at IS NULL`, {
    id,
    now: clock.now().toISOString(),
  }) > 0;

const UNSURE = 'The server stopped while it was handed over: it may have arrived. Ask, before you send it again.';

/** What was taken when a server stopped may have gone out: that is said, and it is not sent twice. @returns how many */
export const settleUnsure = ({ db, clock }: Installation): number =>
  execute(
    db,
    `UPDATE message
      SET state = 'failed', failure = @UNSURE, settled_at = @now, claimed_at = NULL
      WHERE state = 'queued' AND claimed_at IS NOT NULL`,
    { UNSURE, now: clock.now().toISOString() },
  );

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
          SET state = @state, failure = @failure, settled_at = @settled, next_try_at = @next, tries = tries + 1,
            claimed_at = NULL
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
  // A start on a full disk is a start all the same: what was claimed stays so, and goes out to nobody.
  noteIfPossible(() => settleUnsure(installation));
  installation.news.on('queued', () => lookIn(delayMs));
  lookIn(delayMs);
}

/** Milliseconds until the next message is due. */
function untilNext(installation: Installation): number {
  const { db, clock } = installation;
  const now = clock.now().getTime();
  const waits = waysOf(installation).flatMap((way) => {
    const next = queryOne<{ at: string | null }>(
      db,
      `SELECT min(coalesce(next_try_at, queued_at)) AS at FROM message WHERE state = 'queued' AND ${OF_WAY}`,
      { letters: way.letters },
    )?.at;
    return next ? [Math.max(Date.parse(next), heldUntil(installation, way)?.getTime() ?? 0) - now] : [];
  });
  return Math.min(Math.max(Math.min(...waits), 1_000), LOOK_AGAIN_MS);
}
