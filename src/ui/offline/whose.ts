'use client';
import { SEEN, SEEN_AT } from './seen';
import { store } from './store';

/** Whose device this is at the moment: the one who is signed in on it, as the server said last. */
export interface Whose {
  id: string;
  name: string;
}

const KEY = 'aftermist-person';
/** When this device was prepared last for being without a signal. */
export const PREPARED = 'aftermist-prepared';
const PICTURES = 'aftermist-pictures-1';

/** Who records here now; undefined where nobody is signed in, or the browser keeps nothing. */
export function whoIsHere(): Whose | undefined {
  try {
    const kept = localStorage.getItem(KEY);
    return kept === null ? undefined : (JSON.parse(kept) as Whose);
  } catch {
    return undefined;
  }
}

/** Somebody is signed in; what was kept for whoever was here before is not theirs to see. */
export async function hereIs({ id, name }: Whose): Promise<void> {
  const before = whoIsHere();
  if (before?.id === id && before.name === name) return;
  try {
    localStorage.setItem(KEY, JSON.stringify({ id, name }));
  } catch {
    // Nothing is kept here: what is recorded goes under whoever is signed in.
  }
  if (before && before.id !== id) await forgetKept();
}

/** Nobody is signed in any more: jobs and pictures go from this device. What was recorded and not sent stays, as theirs. */
export async function nobodyIsHere(): Promise<void> {
  try {
    localStorage.removeItem(KEY);
  } catch {
    // It was not kept.
  }
  await forgetKept();
}

async function forgetKept(): Promise<void> {
  try {
    localStorage.removeItem(PREPARED);
    localStorage.removeItem(SEEN_AT);
    const kept = 'caches' in window ? [caches.delete(PICTURES), caches.delete(SEEN)] : [];
    await Promise.all([store.packs.clear(), ...kept]);
  } catch {
    // A browser that keeps nothing has nothing to forget.
  }
}
