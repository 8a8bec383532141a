'use client';
import { useCallback } from 'react';
import type { PayloadOf } from '@/contract/command';
import type { CommandType, Input, KnownKind } from '@/contract/commands';
import { closeDownSite } from '@/contract/commands/completion';
import type { WalkPack } from '@/contract/views/walk';
import type { NewObservation, RecordedObservation } from '@/core/walks/observation';
import type { Placed } from '@/core/walks/placing';
import { useToast } from '../kit/toast';
import { enqueue, onOutbox, waiting } from '../offline/outbox';
import { makeCommand, newId } from '../offline/send';
import { useWalkHere } from './use-walk-here';

export interface Walking {
  /** The walk with all that this device recorded, sent or not. */
  pack: WalkPack;
  /** Keeps it on this device, then sends it; says so, with a way back. @returns its id */
  record: (fresh: NewObservation, words: string, picture?: Blob) => string;
  withdraw: (area: string, about: string) => void;
  /** Keeps what was heard: its records, each in its place at once. @returns takes all of them back */
  put: (placed: readonly Placed[], words: string, said?: Quote) => () => void;
  /** Takes back what was put: out of its place, and the record with it. */
  unput: (area: string, about: string) => void;
  /** Writes something down that is no record, with a way back; `picture` goes with it. @returns the id of its command */
  write: (kind: KnownKind, payload: unknown, words: string, picture?: File) => string;
  /** Settles what was believed: sent like a record, in its order. */
  settle: (assumption: string, verdict: 'held' | 'wrong', found: string) => void;
  finishExtra: (extra: string) => void;
  /** Makes a choice that was left to the site; an empty one opens it again. */
  choose: (choice: string, answer: string) => void;
  addStandpoint: (area: string, name: string) => string;
  leave: (state: Omit<PayloadOf<typeof closeDownSite>, 'id' | 'job' | 'walk'>) => void;
  keepNarration: (name: string, text: string, recording?: Blob) => void;
  dropDraft: (narration: string, draft: string) => void;
  finish: () => Promise<void>;
}

type Quote = NonNullable<RecordedObservation['said']>;
type Give = <Type extends CommandType>(
  type: Type,
  payload: Input<Type>,
  attached?: Parameters<typeof enqueue>[1],
) => string;

/** Puts a command into this device's queue; says so where there is no room left for it. */
function useGive(): Give {
  const say = useToast();
  return useCallback(
    (type, payload, attached) => {
      const command = makeCommand(type, payload);
      enqueue(command, attached).catch(() =>
        say({ text: 'This device has no room left to keep it. Free some, then record it again.' }),
      );
      return command.id;
    },
    [say],
  );
}

/** Recording and taking back what was recorded. */
function useRecords(walk: string, give: Give): Pick<Walking, 'record' | 'withdraw' | 'put' | 'unput' | 'write'> {
  const say = useToast();
  const withdraw = useCallback(
    (area: string, about: string): void =>
      void give('observation.record', { observation: { id: newId(), walk, area, kind: 'withdrawal', about } }),
    [give, walk],
  );
  const record = useCallback(
    (fresh: NewObservation, words: string, picture?: Blob) => {
      const observation: RecordedObservation = { ...fresh, id: newId(), walk };
      give('observation.record', { observation }, picture && { what: 'picture', content: picture });
      if (words) say({ text: words, undo: () => withdraw(observation.area, observation.id) });
      return observation.id;
    },
    [give, say, walk, withdraw],
  );
  const unput = useCallback(
    (area: string, about: string) => {
      give('observation.unfile', { about });
      withdraw(area, about);
    },
    [give, withdraw],
  );
  const put = useCallback(
    (placed: readonly Placed[], words: string, said?: Quote) => {
      const kept = placed.map(({ fresh, placing }) => {
        const id = record({ ...fresh, ...(said ? { said } : {}) }, '');
        if (placing) give('observation.file', { about: id, target: newId(), ...placing });
        return { id, area: fresh.area, placed: placing !== undefined };
      });
      const back = (): void => {
        for (const one of kept) (one.placed ? unput : withdraw)(one.area, one.id);
      };
      if (words) say({ text: words, undo: back });
      return back;
    },
    [give, record, say, unput, withdraw],
  );
  const write = useCallback(
    (kind: KnownKind, payload: unknown, words: string, picture?: File) => {
      const { type } = kind;
      const id = give(type, payload as never, picture && { what: 'picture', content: picture });
      if (words) say({ text: words, undo: () => void give('undo', { command: id }) });
      return id;
    },
    [give, say],
  );
  return { record, withdraw, put, unput, write };
}

/** What is settled, told and left on a walk beside its records; all of it goes the way of records. */
function useActs(
  walk: string,
  job: string,
  by: string,
  give: Give,
): Omit<Walking, 'pack' | 'record' | 'withdraw' | 'put' | 'unput' | 'write' | 'finish'> {
  const say = useToast();
  const settle = useCallback(
    (id: string, verdict: 'held' | 'wrong', found: string) => {
      give('assumption.settle', { id, verdict, found, walk, extraId: newId() });
      say({
        text: verdict === 'held' ? 'It held' : 'Wrong: its work is added to the sequence',
        undo: () => give('assumption.reopen', { id }),
      });
    },
    [give, say, walk],
  );
  const choose = useCallback(
    (id: string, answer: string) => {
      give('finding.answer', { id, answer, name: by });
      if (answer) say({ text: `Decided: ${answer}`, undo: () => give('finding.answer', { id, answer: '' }) });
    },
    [by, give, say],
  );
  const finishExtra = useCallback(
    (id: string) => {
      give('extra.finish', { id });
      say({ text: 'Done', undo: () => give('extra.reopen', { id }) });
    },
    [give, say],
  );
  const addStandpoint = useCallback(
    (area: string, name: string) => {
      const id = newId();
      give('standpoint.add', { id, area, name });
      return id;
    },
    [give],
  );
  const leave = useCallback(
    (state: Parameters<Walking['leave']>[0]) => {
      give('site.close-down', { id: newId(), job, walk, ...state });
      say({ text: 'How the site is left is kept' });
    },
    [give, job, say, walk],
  );
  const keepNarration = useCallback(
    (name: string, text: string, recording?: Blob) =>
      give('narration.keep', { id: newId(), walk, name, text }, recording && { what: 'recording', content: recording }),
    [give, walk],
  );
  const dropDraft = useCallback(
    (narration: string, draft: string) => {
      give('draft.drop', { narration, draft });
      say({ text: 'Dropped', undo: () => give('draft.restore', { narration, draft }) });
    },
    [give, say],
  );
  return { settle, choose, finishExtra, addStandpoint, leave, keepNarration, dropDraft };
}

/** Records go before the end in order; the review begins when the door has answered all of them. */
async function finishWalk(walk: string): Promise<void> {
  const command = makeCommand('walk.finish', { id: walk });
  await enqueue(command);
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
}

/** A walk in the hand: what it shows, and what can be done on it. */
export function useWalk(given: WalkPack): Walking {
  const pack = useWalkHere(given);
  const { id: walk } = given.walk;
  const give = useGive();
  const finish = useCallback(() => finishWalk(walk), [walk]);
  return { pack, ...useRecords(walk, give), ...useActs(walk, given.job.id, given.walk.by, give), finish };
}
