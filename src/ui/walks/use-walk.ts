'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { finishExtra as finishExtraCommand, reopenAssumption, reopenExtra, settleAssumption } from '@/contract/commands/scope';
import { finishWalk, recordObservation, type RecordedObservation } from '@/contract/commands/walks';
import type { WalkArea, WalkPack } from '@/contract/views/walk';
import { useSay } from '../kit/said';
import { enqueue, onOutbox, waiting } from '../offline/outbox';
import { liveOn, makeCommand, newId } from '../offline/send';
import { withRecords } from './walk-state';

/** One kind of record without what every record has. */
type Fresh = RecordedObservation extends infer Seen ? (Seen extends RecordedObservation ? Omit<Seen, 'id' | 'walk'> : never) : never;

export interface Walking {
  areas: WalkArea[];
  /** Keeps it on this device at once and sends it after; says so, with a way back. */
  record: (fresh: Fresh, words: string, picture?: Blob) => void;
  withdraw: (area: string, about: string) => void;
  /** Settles what was believed: sent like a record, in its order. */
  settle: (assumption: string, verdict: 'held' | 'wrong', found: string) => void;
  finishExtra: (extra: string) => void;
  finish: () => Promise<void>;
}

export function useWalk(pack: WalkPack): Walking {
  const walk = pack.walk.id;
  const say = useSay();
  useEffect(() => liveOn(pack.shiftDays), [pack.shiftDays]);
  const [records, setRecords] = useState<RecordedObservation[]>([]);
  const [previews, setPreviews] = useState<ReadonlyMap<string, string>>(new Map());
  // What an earlier visit of this page could not send yet is still part of the walk.
  useEffect(() => {
    void waiting().then((list) => {
      const kept = list.flatMap((one) => (one.command.type === recordObservation.type && !one.refused ? [(one.command.payload as { observation: RecordedObservation }).observation] : []));
      setRecords((now) => [...kept.filter((seen) => seen.walk === walk && !now.some((known) => known.id === seen.id)), ...now]);
    }, () => undefined);
  }, [walk]);

  const keep = useCallback((seen: RecordedObservation, picture?: Blob) => {
    setRecords((now) => [...now, seen]);
    if (picture) setPreviews((now) => new Map(now).set(seen.id, URL.createObjectURL(picture)));
    void enqueue(makeCommand(recordObservation.type, { observation: seen }), picture);
  }, []);
  const withdraw = useCallback((area: string, about: string) => keep({ id: newId(), walk, area, kind: 'withdrawal', about }), [keep, walk]);
  const record = useCallback((fresh: Fresh, words: string, picture?: Blob) => {
    const seen = { ...fresh, id: newId(), walk };
    keep(seen, picture);
    say({ text: words, undo: () => withdraw(seen.area, seen.id) });
  }, [keep, say, walk, withdraw]);
  const [settled, setSettled] = useState<ReadonlyMap<string, 'open' | 'held' | 'wrong'>>(new Map());
  const [doneExtras, setDoneExtras] = useState<ReadonlySet<string>>(new Set());
  const settle = useCallback((id: string, verdict: 'held' | 'wrong', found: string) => {
    setSettled((now) => new Map(now).set(id, verdict));
    void enqueue(makeCommand(settleAssumption.type, { id, verdict, found, walk, extraId: newId() }));
    say({ text: verdict === 'held' ? 'It held' : 'Wrong: its work is added to the sequence', undo: () => { setSettled((now) => new Map(now).set(id, 'open')); void enqueue(makeCommand(reopenAssumption.type, { id })); } });
  }, [say, walk]);
  const finishExtra = useCallback((id: string) => {
    setDoneExtras((now) => new Set([...now, id]));
    void enqueue(makeCommand(finishExtraCommand.type, { id }));
    say({ text: 'Done', undo: () => { setDoneExtras((now) => new Set([...now].filter((one) => one !== id))); void enqueue(makeCommand(reopenExtra.type, { id })); } });
  }, [say]);
  const finish = useCallback(async () => {
    const command = makeCommand(finishWalk.type, { id: walk });
    await enqueue(command);
    // Records go before it in order; the review begins when the door has answered all of them.
    await new Promise<void>((resolve) => {
      const look = (): void => void waiting().then((list) => {
        if (list.some((one) => one.id === command.id && !one.refused)) return;
        off();
        resolve();
      });
      const off = onOutbox(look);
      look();
    });
  }, [walk]);

  const areas = useMemo(() => withRecords(pack.areas, records, previews).map((area) => ({
    ...area, assumptions: area.assumptions.map((one) => ({ ...one, state: settled.get(one.id) ?? one.state })), extras: area.extras.map((one) => ({ ...one, done: doneExtras.has(one.id) })),
  })), [pack.areas, records, previews, settled, doneExtras]);
  return { areas, record, withdraw, settle, finishExtra, finish };
}
