import { api } from '@/contract/routes';
import { v7 as uuid } from 'uuid';
import type { Command, CommandAnswer, PayloadOf, ProblemDocument } from '@/contract/command';
import type { CommandType, Input, KnownKind } from '@/contract/commands';
import { now } from './clock';
import { onItsWay } from './on-its-way';

export type Sent<Result = unknown> =
  { ok: true; result: Result; command: string } | { ok: false; problem: ProblemDocument };

export const newId = (): string => uuid();

export const makeCommand = <Type extends CommandType>(type: Type, payload: Input<Type>): Command =>
  commandOf(type, payload);

/** For forms, whose schema has checked the payload already. */
export const commandOf = (type: CommandType, payload: unknown): Command => ({ id: newId(), type, at: now(), payload });

const NO_CONNECTION: ProblemDocument = {
  type: '/problems/no-connection',
  title: 'No connection: this was not kept yet. What you typed is still here; try again.',
  status: 0,
  code: 'no-connection',
};
const FAILED: ProblemDocument = {
  type: '/problems/failed',
  title: 'Something went wrong on the server. What you typed is still here; try again.',
  status: 500,
  code: 'failed',
};

/** Hands one command to the door. Never throws: no connection is a problem like any other, told by its code. */
export const post = (command: Command, terms: Terms = {}): Promise<Sent> => onItsWay(() => deliver(command, terms));

interface Terms {
  link?: string | undefined;
  /** How long an answer is waited for: for whoever sends the same again. */
  patienceMs?: number;
}

async function deliver(command: Command, { link, patienceMs }: Terms): Promise<Sent> {
  try {
    const response = await fetch(api.commands(), {
      ...(patienceMs === undefined ? {} : { signal: AbortSignal.timeout(patienceMs) }),
      method: 'POST',
      body: JSON.stringify({ ...command, sent: now() }),
      headers: { 'content-type': 'application/json', ...(link ? { 'x-aftermist-link': link } : {}) },
    });
    // Busy says so itself; whatever else goes wrong on the server says nothing that a person could use.
    if (response.status >= 500 && response.status !== 503) return { ok: false, problem: FAILED };
    const body = (await response.json()) as CommandAnswer | ProblemDocument;
    if (response.ok && 'seq' in body) return { ok: true, result: body.result, command: command.id };
    return { ok: false, problem: body as unknown as ProblemDocument };
  } catch {
    return { ok: false, problem: NO_CONNECTION };
  }
}

/** Sends a change at once, from a desk; a walk goes through the outbox instead. */
export const send = <Kind extends KnownKind>(kind: Kind, payload: PayloadOf<Kind>, link?: string): Promise<Sent> =>
  post(commandOf(kind.type, payload), { link });
