import { useEffect, useMemo, useRef, useState } from 'react';
import { api } from '@/contract/routes';
import type { WalkPack } from '@/contract/views/walk';
import { isWalkChange, laidOver, overlay, walkOf, type Pending } from '@/core/walks/overlay';
import { setClock } from '../offline/clock';
import { onOutbox, pendingHere, type QueueEvent } from '../offline/outbox';
import { fetchWalk, keepWalk, onPack, walkHere } from '../offline/packs';
import { store, type Waiting } from '../offline/store';
import { prepareOffline } from '../offline/worker';

/** Changes come in bursts; the walk looks again once for all of them. */
const GATHER_MS = 400;
/** What was answered looks the same before and after; a whole day's records come back so many at a time. */
const ANSWERED_MS = 250;

/** What is kept here of a walk: its newest pack, and the queue. */
interface Here {
  pack: WalkPack;
  queue: readonly Waiting[];
}

/** Both as they are at one moment: nothing is missing while it goes from the one to the other. */
const readHere = (given: WalkPack): Promise<Here> =>
  store.transaction('r', store.packs, store.waiting, async () => ({
    pack: (await walkHere(given.walk.id)) ?? given,
    queue: await pendingHere(),
  }));

type EntryEvent = Extract<QueueEvent, { entry: Waiting }>;

/** What one event of the queue changes here, without reading all of it again; the same twice changes nothing more. */
function followed({ pack, queue }: Here, { what, entry }: EntryEvent): Here {
  if (what === 'kept') return { pack, queue };
  const others = queue.filter((known) => known.id !== entry.id);
  if (what === 'added') return { pack, queue: [...others, entry] };
  const { command } = entry;
  const mine = isWalkChange(command) && (walkOf(command) ?? pack.walk.id) === pack.walk.id;
  return { pack: mine ? overlay(pack, command) : pack, queue: others };
}

/**
 * The walk as this device knows it: the newest pack with everything that waits laid over it. Both are in the device's
 * store; nothing of a walk is remembered anywhere else.
 */
export function useWalkHere(given: WalkPack): WalkPack {
  const walk = given.walk.id;
  const [{ pack, queue }, setHere] = useState<Here>({ pack: given, queue: [] });

  useEffect(() => {
    setClock(given.clock);
    prepareOffline();
    let gone = false;
    // What happens while the store is being read may be missing in what was read: it is laid over it once more.
    const meanwhile = new Set<EntryEvent[]>();
    // A device without a store walks on with what the page brought.
    const look = (): void => {
      const events: EntryEvent[] = [];
      meanwhile.add(events);
      void readHere(given)
        .then(
          (here) => !gone && setHere(events.reduce(followed, here)),
          () => undefined,
        )
        .finally(() => meanwhile.delete(events));
    };
    let answered: EntryEvent[] = [];
    let gathering: ReturnType<typeof setTimeout> | undefined;
    const settle = (): void => {
      const events = answered;
      answered = [];
      gathering = undefined;
      setHere((here) => events.reduce(followed, here));
    };
    const follow = (event: EntryEvent): void => {
      meanwhile.forEach((events) => events.push(event));
      if (event.what === 'answered') {
        answered.push(event);
        gathering ??= setTimeout(settle, ANSWERED_MS);
      } else setHere((here) => followed(here, event));
    };
    void keepWalk(given)
      .catch(() => undefined)
      .then(look);
    const offQueue = onOutbox((event) => ('entry' in event ? follow(event) : look()));
    const offPacks = onPack(look);
    return () => {
      gone = true;
      clearTimeout(gathering);
      offQueue();
      offPacks();
    };
  }, [given]);

  const waiting = queue.length;
  const before = useRef(waiting);
  // Others walk too. What is sent from here is looked up once all of it is there, not after each record.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => before.current === 0 && void fetchWalk(walk), GATHER_MS);
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
  useEffect(() => {
    if (before.current > 0 && waiting === 0) void fetchWalk(walk);
    before.current = waiting;
  }, [waiting, walk]);

  return useMemo(() => {
    const pending = queue.flatMap((entry) => pendingOf(entry, walk));
    return pending.length === 0 ? pack : laidOver(pack, pending);
  }, [pack, queue, walk]);
}

/** Addresses of pictures that this device has not handed over yet, by the command that names them. */
const addresses = new Map<string, string>();

/** What waits, as a change of this walk; a picture that was not handed over yet gets an address on this device, once. */
function pendingOf({ id, command, attached }: Waiting, walk: string): Pending[] {
  if (!isWalkChange(command) || (walkOf(command) ?? walk) !== walk) return [];
  if (attached?.what !== 'picture') return [{ ...command, command: id }];
  const picture = addresses.get(id) ?? URL.createObjectURL(attached.content);
  addresses.set(id, picture);
  return [{ ...command, picture, command: id }];
}
