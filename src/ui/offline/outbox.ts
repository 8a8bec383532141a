import type { Command, ProblemDocument } from '@/contract/command';
import { isWalkChange, overlay, walkOf } from '@/core/walks/overlay';
import { onItsWay } from './on-its-way';
import { post } from './send';
import { store, type Waiting } from './store';
import { upload } from './upload';
import { whoIsHere } from './whose';

export type { Waiting } from './store';

/** What happened to the queue: one more, that one kept, one answered, or something that is best looked up. */
export type QueueEvent = { what: 'added' | 'kept' | 'answered'; entry: Waiting } | { what: 'changed' };
type Listener = (event: QueueEvent) => void;

const listeners = new Set<Listener>();
export const onOutbox = (listener: Listener): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const tell = (event: QueueEvent): void => listeners.forEach((listener) => listener(event));

export const waiting = (): Promise<Waiting[]> => store.waiting.orderBy('order').toArray();

/** What of somebody's waits here and was not refused. */
export const waitingOf = (person: string): Promise<Waiting[]> =>
  store.waiting.filter(({ whose, refused }) => !refused && (whose === undefined || whose.id === person)).toArray();

/** What is just being written to the store: already part of what waits, and shown, before the disk has answered. */
const beingKept = new Map<string, Waiting>();

/** All that waits and was not refused, in order, with what is just being kept. */
export async function pendingHere(): Promise<Waiting[]> {
  const kept = await store.waiting
    .orderBy('order')
    .filter((entry) => !entry.refused && isOurs(entry))
    .toArray();
  const known = new Set(kept.map((entry) => entry.id));
  return [...kept, ...[...beingKept.values()].filter((entry) => !known.has(entry.id))];
}

/** Whether whoever is here recorded it; what an older version kept is anybody's. */
const isOurs = ({ whose }: Pick<Waiting, 'whose'>): boolean => whose === undefined || whose.id === whoIsHere()?.id;

/** Kept on this device first, then sent in order; both survive a reload. @throws where the device cannot keep it */
export async function enqueue(command: Command, attached?: Waiting['attached']): Promise<void> {
  const whose = whoIsHere();
  const entry = { id: command.id, command, ...(attached ? { attached } : {}), ...(whose ? { whose } : {}) };
  beingKept.set(entry.id, { ...entry, order: Infinity });
  tell({ what: 'added', entry: { ...entry, order: Infinity } });
  try {
    const order = await onItsWay(() => store.waiting.add(entry));
    beingKept.delete(entry.id);
    tell({ what: 'kept', entry: { ...entry, order } });
  } catch (error) {
    // There is no room for it: it is not part of the walk.
    beingKept.delete(entry.id);
    tell({ what: 'changed' });
    throw error;
  }
  void flush();
}

const FIRST_RETRY_MS = 2_000;
const LONGEST_RETRY_MS = 60_000;
const PATIENCE_MS = 30_000;
let flushing = false;
/** How often sending was asked for: whoever asks while it is tried may know of a line that came back after the try had failed. */
let asked = 0;
let retryMs = FIRST_RETRY_MS;
let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * Sends what waits, in order; stops at the first that finds no connection and tries again later. Two tabs take turns.
 */
export async function flush(): Promise<void> {
  asked++;
  if (flushing) return;
  flushing = true;
  clearTimeout(timer);
  try {
    let answeredFor: number;
    do {
      answeredFor = asked;
      // A second tab would send the same again; the door would say “repeated”, but twice the work on a thin line.
      await ((navigator.locks as LockManager | undefined)
        ? navigator.locks.request('aftermist-outbox', sendAll)
        : sendAll());
    } while (asked > answeredFor && (await first()));
  } finally {
    flushing = false;
  }
}

async function sendAll(): Promise<void> {
  let next = await first();
  // Nothing left though something was added: another tab has sent it.
  if (!next) tell({ what: 'changed' });
  for (; next; next = await first()) {
    const how = await settle(next);
    if (how === 'settled' || (how === 'failed' && (await isAlone(next)))) {
      retryMs = FIRST_RETRY_MS;
      continue;
    }
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), retryMs);
    retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
    return;
  }
}

/** How often the server may fail over one before another is tried in its place. */
const FAILURES = 3;

/**
 * Whether it is this one alone that the server fails over: it failed often, and the one behind it is taken. Then it is set
 * aside with its reason, and the rest goes on.
 */
async function isAlone({ order, failed = 0 }: Waiting): Promise<boolean> {
  await store.waiting.update(order, { failed: failed + 1 });
  if (failed + 1 < FAILURES) return false;
  const behind = await first(order);
  if (!behind || (await settle(behind)) !== 'settled') return false;
  await refuse(order, SET_ASIDE);
  return true;
}

const SET_ASIDE: ProblemDocument = {
  type: '/problems/set-aside',
  title: 'The server failed over this several times while it took others. It is kept here: send it again later.',
  status: 500,
  code: 'set-aside',
};

/** The oldest of whoever is here that was not refused, after another; pictures of the others are not read for it. */
const first = (after = -Infinity): Promise<Waiting | undefined> =>
  store.waiting
    .where('order')
    .above(after)
    .filter((entry) => !entry.refused && isOurs(entry))
    .first();

/** @returns `later` where it waits for a line, `failed` where the server does not get through with it */
async function settle(next: Waiting): Promise<'settled' | 'later' | 'failed'> {
  let { command } = next;
  if (next.attached) {
    const uploaded = await upload(next.attached);
    if (uploaded === 'later' || uploaded === 'failed') return uploaded;
    if ('code' in uploaded) {
      await refuse(next.order, uploaded);
      return 'settled';
    }
    command = withHash(command, next.attached.what, uploaded.hash);
    const named = command;
    await store.waiting.update(next.order, (row: Waiting) => {
      delete row.attached;
      row.command = named;
    });
  }
  // A line that is there in name only would hold up all the others.
  const sent = await post(command, { patienceMs: PATIENCE_MS, person: next.whose?.id });
  if (sent.ok) {
    await answered({ ...next, command });
    return 'settled';
  }
  const { status } = sent.problem;
  if (status === 500) return 'failed';
  // Signed out or a server that restarts is no answer to this record: it waits.
  if (status === 0 || status > 500 || status === 401 || status === 429) return 'later';
  await refuse(next.order, sent.problem);
  return 'settled';
}

/** Kept with its reason, so that nothing is lost. */
async function refuse(order: number, refused: ProblemDocument): Promise<void> {
  await store.waiting.update(order, { refused });
  tell({ what: 'changed' });
}

/** How many changes were answered since this page began: what was fetched meanwhile may lack the newest of them. */
let answers = 0;
export const answersSoFar = (): number => answers;

/**
 * What the door has answered leaves the queue and becomes part of the walk that is kept here, in one step: a walk on
 * this device is its pack with the queue laid over it, at every moment, with a signal or without.
 */
async function answered(entry: Waiting): Promise<void> {
  const { order, command } = entry;
  await store.transaction('rw', store.waiting, store.packs, async () => {
    await store.waiting.delete(order);
    if (!isWalkChange(command)) return;
    const walk = walkOf(command);
    const kept = walk === undefined ? store.packs.toCollection() : store.packs.where('key').equals(`walk:${walk}`);
    await kept.modify((pack) => {
      if (pack.walk) pack.walk = overlay(pack.walk, command);
    });
  });
  answers++;
  tell({ what: 'answered', entry });
}

function withHash(command: Command, what: 'picture' | 'recording', hash: string): Command {
  const payload = command.payload as { observation?: object };
  return {
    ...command,
    payload:
      what === 'picture' && payload.observation
        ? { ...payload, observation: { ...payload.observation, picture: hash } }
        : { ...payload, [what]: hash },
  };
}

/** Takes a refused one away, once it was read. */
export async function forget(order: number): Promise<void> {
  await store.waiting.delete(order);
  tell({ what: 'changed' });
}

/** Sends a refused one again, as it was or put right; it goes as the same record. */
export async function retry(
  order: number,
  put?: (payload: Record<string, unknown>) => Record<string, unknown>,
): Promise<void> {
  await store.waiting.update(order, (row: Waiting) => {
    delete row.refused;
    delete row.failed;
    if (put) row.command = { ...row.command, payload: put(row.command.payload as Record<string, unknown>) };
  });
  tell({ what: 'changed' });
  void flush();
}
