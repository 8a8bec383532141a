'use client';
import { api } from '@/contract/routes';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { closeDownSite } from '@/contract/commands/completion';
import {
  finishExtra as finishExtraCommand,
  reopenAssumption,
  reopenExtra,
  settleAssumption,
} from '@/contract/commands/scope';
import {
  addStandpoint,
  dropDraft,
  finishWalk,
  keepNarration,
  recordObservation,
  restoreDraft,
  type RecordedObservation,
} from '@/contract/commands/walks';
import type { CommandType, Input } from '@/contract/commands';
import type { PayloadOf } from '@/contract/command';
import type { NarrationView, WalkArea, WalkPack } from '@/contract/views/walk';
import type { Quote } from '@/core/walks/observation';
import { useToast } from '../kit/toast';
import { enqueue, onOutbox, waiting } from '../offline/outbox';
import { fetchWalk, keepWalk } from '../offline/packs';
import { setClock } from '../offline/clock';
import { makeCommand, newId } from '../offline/send';
import { prepareOffline } from '../offline/worker';
import { withRecords } from './walk-state';

/** One kind of record without what every record has. */
type Fresh = RecordedObservation extends infer Seen
  ? Seen extends RecordedObservation
    ? Omit<Seen, 'id' | 'walk' | 'said'> & { said?: Quote | undefined }
    : never
  : never;

export interface Walking {
  pack: WalkPack;
  areas: WalkArea[];
  narrations: NarrationView[];
  /** Keeps it on this device, then sends it; says so, with a way back. @returns its id */
  record: (fresh: Fresh, words: string, picture?: Blob) => string;
  withdraw: (area: string, about: string) => void;
  /** Settles what was believed: sent like a record, in its order. */
  settle: (assumption: string, verdict: 'held' | 'wrong', found: string) => void;
  finishExtra: (extra: string) => void;
  addStandpoint: (area: string, name: string) => string;
  leave: (state: Omit<PayloadOf<typeof closeDownSite>, 'id' | 'job' | 'walk'>) => void;
  keepNarration: (name: string, text: string, recording?: Blob) => void;
  dropDraft: (narration: string, draft: string) => void;
  finish: () => Promise<void>;
}

/** Changes come in bursts; the walk looks again once for all of them. */
const GATHER_MS = 400;

export function useWalk(given: WalkPack): Walking {
  const walk = given.walk.id;
  const say = useToast();
  const [pack, setPack] = useState(given);
  const [records, setRecords] = useState<RecordedObservation[]>([]);
  const [previews, setPreviews] = useState<ReadonlyMap<string, string>>(new Map());
  const [spots, setSpots] = useState<{ area: string; id: string; name: string }[]>([]);
  const [told, setTold] = useState<NarrationView[]>([]);
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const newest = useRef(records);
  useEffect(() => {
    newest.current = records;
  }, [records]);

  useEffect(() => {
    setClock(given.clock);
    void keepWalk(given).catch(() => undefined);
    prepareOffline();
  }, [given]);

  // What an earlier visit of this page could not send yet is still part of the walk, pictures and all.
  useEffect(() => {
    void waiting().then(
      (list) => {
        const mine = list.filter((entry) => !entry.refused);
        const kept = mine.flatMap((entry) =>
          entry.command.type === recordObservation.type
            ? [(entry.command.payload as { observation: RecordedObservation }).observation]
            : [],
        );
        setRecords((now) => [
          ...kept.filter((seen) => seen.walk === walk && !now.some((known) => known.id === seen.id)),
          ...now,
        ]);
        setPreviews(
          (now) =>
            new Map([
              ...mine.flatMap((entry) =>
                entry.attached?.what === 'picture'
                  ? [
                      [
                        (entry.command.payload as { observation: RecordedObservation }).observation.id,
                        URL.createObjectURL(entry.attached.content),
                      ] as const,
                    ]
                  : [],
              ),
              ...now,
            ]),
        );
        setTold((now) => [
          ...mine
            .flatMap((entry) =>
              entry.command.type === keepNarration.type
                ? [narrationOf(entry.command.payload as PayloadOf<typeof keepNarration>)]
                : [],
            )
            .filter((narration) => !now.some((known) => known.id === narration.id)),
          ...now,
        ]);
      },
      () => undefined,
    );
  }, [walk]);

  // Others walk too: what they sent is fetched, and what waits here is laid over it.
  const look = useCallback(async () => {
    const before = newest.current.length;
    const unsent = new Set(
      (await waiting()).flatMap((entry) =>
        entry.refused
          ? []
          : [entry.command.id, (entry.command.payload as { observation?: { id: string } }).observation?.id ?? ''],
      ),
    );
    const fresh = await fetchWalk(walk);
    if (!fresh) return;
    setPack(fresh);
    setRecords((now) => now.filter((seen, index) => index >= before || unsent.has(seen.id)));
  }, [walk]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => void look(), GATHER_MS);
    };
    const stream = new EventSource(api.changes());
    stream.onmessage = soon;
    window.addEventListener('online', soon);
    return () => {
      clearTimeout(timer);
      stream.close();
      window.removeEventListener('online', soon);
    };
  }, [look]);

  const give = useCallback(
    <Type extends CommandType>(type: Type, payload: Input<Type>, attached?: Parameters<typeof enqueue>[1]) => {
      enqueue(makeCommand(type, payload), attached).catch(() =>
        say({ text: 'This device has no room left to keep it. Free some, then record it again.' }),
      );
    },
    [say],
  );
  const keep = useCallback(
    (seen: RecordedObservation, picture?: Blob) => {
      setRecords((now) => [...now, seen]);
      if (picture) setPreviews((now) => new Map(now).set(seen.id, URL.createObjectURL(picture)));
      give(recordObservation.type, { observation: seen }, picture ? { what: 'picture', content: picture } : undefined);
    },
    [give],
  );
  const withdraw = useCallback(
    (area: string, about: string) => keep({ id: newId(), walk, area, kind: 'withdrawal', about }),
    [keep, walk],
  );
  const record = useCallback(
    (fresh: Fresh, words: string, picture?: Blob) => {
      const seen = { ...fresh, id: newId(), walk };
      keep(seen, picture);
      if (words) say({ text: words, undo: () => withdraw(seen.area, seen.id) });
      return seen.id;
    },
    [keep, say, walk, withdraw],
  );
  const [settled, setSettled] = useState<ReadonlyMap<string, 'open' | 'held' | 'wrong'>>(new Map());
  const [doneExtras, setDoneExtras] = useState<ReadonlySet<string>>(new Set());
  const settle = useCallback(
    (id: string, verdict: 'held' | 'wrong', found: string) => {
      setSettled((now) => new Map(now).set(id, verdict));
      give(settleAssumption.type, { id, verdict, found, walk, extraId: newId() });
      say({
        text: verdict === 'held' ? 'It held' : 'Wrong: its work is added to the sequence',
        undo: () => {
          setSettled((now) => new Map(now).set(id, 'open'));
          give(reopenAssumption.type, { id });
        },
      });
    },
    [give, say, walk],
  );
  const finishExtra = useCallback(
    (id: string) => {
      setDoneExtras((now) => new Set([...now, id]));
      give(finishExtraCommand.type, { id });
      say({
        text: 'Done',
        undo: () => {
          setDoneExtras((now) => new Set([...now].filter((entry) => entry !== id)));
          give(reopenExtra.type, { id });
        },
      });
    },
    [give, say],
  );
  const makeStandpoint = useCallback(
    (area: string, name: string) => {
      const id = newId();
      setSpots((now) => [...now, { area, id, name }]);
      give(addStandpoint.type, { id, area, name });
      return id;
    },
    [give],
  );
  const { id: job } = pack.job;
  const leave = useCallback(
    (state: Parameters<Walking['leave']>[0]) => {
      give(closeDownSite.type, { id: newId(), job, walk, ...state });
      say({ text: 'How the site is left is kept' });
    },
    [give, job, say, walk],
  );
  const tellNarration = useCallback(
    (name: string, text: string, recording?: Blob) => {
      const payload = { id: newId(), walk, name, text };
      setTold((now) => [...now, narrationOf(payload)]);
      give(keepNarration.type, payload, recording ? { what: 'recording', content: recording } : undefined);
    },
    [give, walk],
  );
  const drop = useCallback(
    (narration: string, draft: string) => {
      setDropped((now) => new Set([...now, `${narration} ${draft}`]));
      give(dropDraft.type, { narration, draft });
      say({
        text: 'Dropped',
        undo: () => {
          setDropped((now) => new Set([...now].filter((entry) => entry !== `${narration} ${draft}`)));
          give(restoreDraft.type, { narration, draft });
        },
      });
    },
    [give, say],
  );
  const finish = useCallback(async () => {
    const command = makeCommand(finishWalk.type, { id: walk });
    await enqueue(command);
    // Records go before it in order; the review begins when the door has answered all of them.
    await new Promise<void>((resolve) => {
      const looking = (): void =>
        void waiting().then((list) => {
          if (list.some((entry) => entry.id === command.id && !entry.refused)) return;
          off();
          resolve();
        });
      const off = onOutbox(looking);
      looking();
    });
  }, [walk]);

  const areas = useMemo(
    () =>
      withRecords(pack.areas, records, previews).map((area) => {
        const more = spots.filter(
          (spot) => spot.area === area.id && !area.standpoints.some((known) => known.id === spot.id),
        );
        if (
          more.length === 0 &&
          !area.assumptions.some((assumption) => settled.has(assumption.id)) &&
          !area.extras.some((extra) => doneExtras.has(extra.id))
        )
          return area;
        return {
          ...area,
          standpoints: [...area.standpoints, ...more.map(({ id, name }) => ({ id, name, last: null }))],
          assumptions: area.assumptions.map((assumption) => ({
            ...assumption,
            state: settled.get(assumption.id) ?? assumption.state,
          })),
          extras: area.extras.map((extra) => ({ ...extra, done: doneExtras.has(extra.id) })),
        };
      }),
    [pack.areas, records, previews, settled, doneExtras, spots],
  );
  const narrations = useMemo(
    () =>
      [
        ...pack.narrations,
        ...told.filter((narration) => !pack.narrations.some((known) => known.id === narration.id)),
      ].map((narration) => ({
        ...narration,
        dropped: [
          ...narration.dropped,
          ...[...dropped].flatMap((key) =>
            key.startsWith(`${narration.id} `) ? [key.slice(narration.id.length + 1)] : [],
          ),
        ],
        accepted: [
          ...narration.accepted,
          ...records.flatMap((seen) =>
            seen.said?.narration === narration.id &&
            !records.some((other) => other.kind === 'withdrawal' && other.about === seen.id)
              ? [seen.said.draft]
              : [],
          ),
        ],
      })),
    [pack.narrations, told, dropped, records],
  );
  return {
    pack,
    areas,
    narrations,
    record,
    withdraw,
    settle,
    finishExtra,
    addStandpoint: makeStandpoint,
    leave,
    keepNarration: tellNarration,
    dropDraft: drop,
    finish,
  };
}

const narrationOf = ({ id, name, text }: { id: string; name: string; text: string }): NarrationView => ({
  id,
  name,
  text,
  recording: null,
  dropped: [],
  accepted: [],
});
