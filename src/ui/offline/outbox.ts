import type { Command } from '@/contract/command';
import { isWalkChange, overlay, walkOf } from '@/core/walks/overlay';
import { onItsWay } from './on-its-way';
import { post } from './send';
import { store, type Waiting } from './store';
import { upload } from './upload';

export type { Waiting } from './store';

const listeners = new Set<() => void>();
export const onOutbox = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const tell = (): void => listeners.forEach((listener) => listener());

export const waiting = (): Promise<Waiting[]> => store.waiting.orderBy('order').toArray();

/** Kept on this device first, then sent in order; both survive a reload. @throws where the device cannot keep it */
export async function enqueue(command: Command, attached?: Waiting['attached']): Promise<void> {
  await onItsWay(async () => {
    await store.waiting.add({ id: command.id, command, ...(attached ? { attached } : {}) });
    tell();
  });
  void flush();
}

const FIRST_RETRY_MS = 2_000;
const LONGEST_RETRY_MS = 60_000;
let flushing = false;
let retryMs = FIRST_RETRY_MS;
let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * Sends what waits, in order; stops at the first that finds no connection and tries again later. Two tabs take turns.
 */
export async function flush(): Promise<void> {
  if (flushing) return;
  flushing = true;
  clearTimeout(timer);
  try {
    // A second tab would send the same again; the door would say “repeated”, but twice the work on a thin line.
    await ((navigator.locks as LockManager | undefined)
      ? navigator.locks.request('aftermist-outbox', sendAll)
      : sendAll());
  } finally {
    flushing = false;
  }
}

async function sendAll(): Promise<void> {
  for (let next = await first(); next; next = await first()) {
    if (!(await settle(next))) {
      timer = setTimeout(() => void flush(), retryMs);
      retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
      return;
    }
    retryMs = FIRST_RETRY_MS;
    tell();
  }
}

/** The oldest that was not refused; pictures of the others are not read for it. */
const first = (): Promise<Waiting | undefined> =>
  store.waiting
    .orderBy('order')
    .filter((entry) => !entry.refused)
    .first();

/** @returns false where it should be tried again later */
async function settle(next: Waiting): Promise<boolean> {
  let { command } = next;
  if (next.attached) {
    const uploaded = await upload(next.attached);
    if (uploaded === 'later') return false;
    if ('code' in uploaded) {
      await store.waiting.update(next.order, { refused: uploaded });
      return true;
    }
    command = withHash(command, next.attached.what, uploaded.hash);
    const named = command;
    await store.waiting.update(next.order, (row: Waiting) => {
      delete row.attached;
      row.command = named;
    });
  }
  const sent = await post(command);
  if (sent.ok) await answered(next.order, command);
  // Signed out or a server that restarts is no answer to this record: it waits.
  else if (sent.problem.status === 0 || sent.problem.status >= 500 || sent.problem.status === 401) return false;
  else await store.waiting.update(next.order, { refused: sent.problem });
  return true;
}

/** How many changes were answered since this page began: what was fetched meanwhile may lack the newest of them. */
let answers = 0;
export const answersSoFar = (): number => answers;

/**
 * What the door has answered leaves the queue and becomes part of the walk that is kept here, in one step: a walk on
 * this device is its pack with the queue laid over it, at every moment, with a signal or without.
 */
async function answered(order: number, command: Command): Promise<void> {
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
  tell();
}

/** Sends a refused one again, as it was or put right; it goes as the same record. */
export async function retry(
  order: number,
  put?: (payload: Record<string, unknown>) => Record<string, unknown>,
): Promise<void> {
  await store.waiting.update(order, (row: Waiting) => {
    delete row.refused;
    if (put) row.command = { ...row.command, payload: put(row.command.payload as Record<string, unknown>) };
  });
  tell();
  void flush();
}
