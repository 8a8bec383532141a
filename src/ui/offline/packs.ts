import { api } from '@/contract/routes';
import type { JobPack, PackMarks, PackNews, WalkPack } from '@/contract/views/walk';
import type { WalkKind } from '@/core/walks/observation';
import { startWalk } from '@/contract/commands/walks';
import { answersSoFar, enqueue } from './outbox';
import { setClock } from './clock';
import { mergedPack, type KeptPack } from './merge-pack';
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
 * Fetches what is new of what every job needs for a walk; nothing where there is no connection. Jobs that are walked no more
 * are let go of.
 * @returns whether they are kept now
 */
export async function keepJobs(): Promise<boolean> {
  try {
    const kept = (await store.packs.toArray()).flatMap(({ job, marks }) => (job ? [{ job, marks: marks ?? {} }] : []));
    const news = await newsSince(Object.fromEntries(kept.map(({ job, marks }) => [job.job.id, marks])));
    if (!news) return false;
    const known = new Map(kept.map((pack) => [pack.job.job.id, pack]));
    const merged = news.jobs.map((one) => mergedPack(known.get(one.id), one, news));
    if (merged.includes(undefined)) return await keepAllAnew();
    await keepPacks(merged.flatMap((pack) => pack ?? []));
    return true;
  } catch {
    // Without a connection the packs of before are as good as it gets.
    return false;
  }
}

async function newsSince(have: Record<string, PackMarks>): Promise<PackNews | undefined> {
  const response = await fetch(api.walkPacks(), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ have }),
  });
  return response.ok ? ((await response.json()) as PackNews) : undefined;
}

/** What is kept here does not fit together: it is fetched as if there were nothing. */
async function keepAllAnew(): Promise<boolean> {
  const news = await newsSince({});
  if (news) await keepPacks(news.jobs.flatMap((one) => mergedPack(undefined, one, news) ?? []));
  return news !== undefined;
}

async function keepPacks(packs: readonly KeptPack[]): Promise<void> {
  const known = new Set(packs.map(({ job }) => `job:${job.job.id}`));
  const stale = (await store.packs.toArray()).filter(({ key, job }) => job && !known.has(key)).map(({ key }) => key);
  await store.packs.bulkDelete(stale);
  await store.packs.bulkPut(packs.map(({ job, marks }) => ({ key: `job:${job.job.id}`, job, marks })));
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
