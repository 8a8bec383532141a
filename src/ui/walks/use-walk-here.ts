import { useEffect, useMemo, useRef, useState } from 'react';
import { liveQuery } from 'dexie';
import { api } from '@/contract/routes';
import type { WalkPack } from '@/contract/views/walk';
import { isWalkChange, laidOver, walkOf, type Pending } from '@/core/walks/overlay';
import { setClock } from '../offline/clock';
import { fetchWalk, keepWalk, walkHere } from '../offline/packs';
import { store, type Waiting } from '../offline/store';
import { prepareOffline } from '../offline/worker';

/** Changes come in bursts; the walk looks again once for all of them. */
const GATHER_MS = 400;

/**
 * The walk as this device knows it: the newest pack with everything that waits laid over it. Both are read from the
 * device's store, in one look; nothing of a walk is remembered anywhere else.
 */
export function useWalkHere(given: WalkPack): WalkPack {
  const walk = given.walk.id;
  const [{ pack, queue }, setHere] = useState<{ pack: WalkPack; queue: Waiting[] }>({ pack: given, queue: [] });
  const addresses = useRef(new Map<string, string>());

  useEffect(() => {
    setClock(given.clock);
    prepareOffline();
    const here = liveQuery(() =>
      store.transaction('r', store.packs, store.waiting, async () => ({
        pack: (await walkHere(walk)) ?? given,
        queue: await store.waiting
          .orderBy('order')
          .filter((entry) => !entry.refused)
          .toArray(),
      })),
    );
    let seen: { unsubscribe: () => void } | undefined;
    let gone = false;
    void keepWalk(given)
      .catch(() => undefined)
      .then(() => {
        // A device without a store walks on with what the page brought.
        if (!gone) seen = here.subscribe({ next: setHere, error: () => undefined });
      });
    return () => {
      gone = true;
      seen?.unsubscribe();
    };
  }, [given, walk]);

  // Others walk too, and what was sent from here comes back with all that follows from it.
  const waiting = queue.length;
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => void fetchWalk(walk), GATHER_MS);
    };
    const stream = new EventSource(api.changes());
    stream.onmessage = soon;
    window.addEventListener('online', soon);
    return () => {
      clearTimeout(timer);
      stream.close();
      window.removeEventListener('online', soon);
    };
  }, [walk]);
  // Once the queue is empty nothing is on its way that the server does not know.
  const before = useRef(waiting);
  useEffect(() => {
    if (before.current > 0 && waiting === 0) void fetchWalk(walk);
    before.current = waiting;
  }, [waiting, walk]);

  return useMemo(() => {
    const pending = queue.flatMap((entry) => pendingOf(entry, walk, addresses.current));
    return pending.length === 0 ? pack : laidOver(pack, pending);
  }, [pack, queue, walk]);
}

/** What waits, as a change of this walk; a picture that was not handed over yet gets an address on this device, once. */
function pendingOf({ id, command, attached }: Waiting, walk: string, addresses: Map<string, string>): Pending[] {
  if (!isWalkChange(command) || (walkOf(command) ?? walk) !== walk) return [];
  if (attached?.what !== 'picture') return [command];
  const picture = addresses.get(id) ?? URL.createObjectURL(attached.content);
  addresses.set(id, picture);
  return [{ ...command, picture }];
}
