import { api } from '@/contract/routes';
import type { JobPack, WalkPack } from '@/contract/views/walk';
import type { WalkKind } from '@/core/walks/observation';
import { startWalk } from '@/contract/commands/walks';
import { answersSoFar, enqueue } from './outbox';
import { setClock } from './clock';
import { makeCommand, newId } from './send';
import { store } from './store';

const listeners = new Set<() => void>();
/** Hears that a newer pack was fetched. */
export const onPack = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The newest that the server told of a walk. */
export const keepWalk = (walk: WalkPack): Promise<unknown> => store.packs.put({ key: `walk:${walk.walk.id}`, walk });

export async function walkHere(id: string): Promise<WalkPack | undefined> {
  const kept = await store.packs.get(`walk:${id}`);
  return kept?.walk;
}

/** Jobs and unfinished walks that this device can open by itself. */
export async function packsHere(): Promise<{ jobs: JobPack[]; walks: WalkPack[] }> {
  const kept = await store.packs.toArray();
  return {
    jobs: kept.flatMap((entry) => entry.job ?? []),
    walks: kept.flatMap((entry) => (entry.walk && !entry.walk.walk.finished ? [entry.walk] : [])),
  };
}

/**
 * Fetches what every job needs for a walk; nothing where there is no connection. Walks that ended elsewhere are let go
 * of.
 * @returns whether they are kept now
 */
export async function keepJobs(): Promise<boolean> {
  try {
    const response = await fetch(api.walkPacks());
    if (!response.ok) return false;
    const jobs = (await response.json()) as JobPack[];
    const known = new Set(jobs.map((job) => `job:${job.job.id}`));
    const stale = (await store.packs.toArray())
      .filter((kept) => kept.job && !known.has(kept.key))
      .map((kept) => kept.key);
    await store.packs.bulkDelete(stale);
    await store.packs.bulkPut(jobs.map((job) => ({ key: `job:${job.job.id}`, job })));
    return true;
  } catch {
    // Without a connection the packs of before are as good as it gets.
    return false;
  }
}

/** Keeps the walk as the server knows it now; where nobody answers, what is kept here stays. */
export async function fetchWalk(id: string): Promise<void> {
  try {
    // What was answered while the pack was on its way may not be in it yet: then it is asked for again.
    for (;;) {
      const before = answersSoFar();
      const response = await fetch(api.walkPack(id));
      if (!response.ok) return;
      const walk = (await response.json()) as WalkPack;
      if (answersSoFar() !== before) continue;
      await keepWalk(walk);
      return listeners.forEach((listener) => listener());
    }
  } catch {
    // Nobody answers: what is kept here stays.
  }
}

/**
 * Begins a walk on this device alone: its beginning waits with its records.
 * @returns its id, or nothing where the job is not kept here
 */
export async function beginHere(job: string, kind: WalkKind): Promise<string | undefined> {
  const kept = await store.packs.get(`job:${job}`);
  if (!kept?.job) return undefined;
  const id = newId();
  setClock(kept.job.clock);
  const command = makeCommand(startWalk.type, { id, job, kind });
  await keepWalk({ ...kept.job, narrations: [], walk: { id, kind, startedAt: command.at, finished: false, by: '' } });
  await enqueue(command);
  return id;
}
