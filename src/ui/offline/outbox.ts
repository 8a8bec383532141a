import Dexie, { type EntityTable } from 'dexie';
import type { Command, ProblemDocument } from '@/contract/command';
import { post } from './send';
import { upload } from './upload';

/** One change that waits on this device until the door has answered it. */
export interface Waiting {
  order: number;
  id: string;
  command: Command;
  /** A picture that goes ahead of the observation that names it. */
  picture?: Blob;
  /** The door said no: kept and shown, so that nothing is lost. */
  refused?: ProblemDocument;
}

const store = new Dexie('aftermist') as Dexie & { waiting: EntityTable<Waiting, 'order'> };
store.version(1).stores({ waiting: '++order, &id' });

const listeners = new Set<() => void>();
export const onOutbox = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const tell = (): void => listeners.forEach((listener) => listener());

export const waiting = (): Promise<Waiting[]> => store.waiting.orderBy('order').toArray();

/** Kept on this device first, then sent in order; both survive a reload. */
export async function enqueue(command: Command, picture?: Blob): Promise<void> {
  await store.waiting.add({ id: command.id, command, ...(picture ? { picture } : {}) });
  tell();
  void flush();
}

const FIRST_RETRY_MS = 2_000;
const LONGEST_RETRY_MS = 60_000;
let flushing = false;
let retryMs = FIRST_RETRY_MS;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Sends what waits, in order; stops at the first that finds no connection and tries again later. */
export async function flush(): Promise<void> {
  if (flushing) return;
  flushing = true;
  clearTimeout(timer);
  try {
    for (let next = await first(); next; next = await first()) {
      if (!(await settle(next))) {
        timer = setTimeout(() => void flush(), retryMs);
        retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
        return;
      }
      retryMs = FIRST_RETRY_MS;
      tell();
    }
  } finally {
    flushing = false;
  }
}

const first = async (): Promise<Waiting | undefined> => (await waiting()).find((one) => !one.refused);

/** @returns false where it should be tried again later */
async function settle(next: Waiting): Promise<boolean> {
  if (next.picture) {
    const uploaded = await upload(next.picture);
    if (uploaded === 'later') return false;
    if ('code' in uploaded) {
      await store.waiting.update(next.order, { refused: uploaded });
      return true;
    }
    const command = withPicture(next.command, uploaded.hash);
    await store.waiting.update(next.order, (row: Waiting) => {
      delete row.picture;
      row.command = command;
    });
    next = { ...next, command };
  }
  const sent = await post(next.command);
  if (sent.ok) await store.waiting.delete(next.order);
  // Signed out or a server that restarts is no answer to this record: it waits.
  else if (sent.problem.status === 0 || sent.problem.status >= 500 || sent.problem.status === 401) return false;
  else await store.waiting.update(next.order, { refused: sent.problem });
  return true;
}

const withPicture = (command: Command, hash: string): Command => {
  const payload = command.payload as { observation: object };
  return { ...command, payload: { ...payload, observation: { ...payload.observation, picture: hash } } };
};

/** Takes a refused one away, once it was read. */
export async function forget(order: number): Promise<void> {
  await store.waiting.delete(order);
  tell();
}
