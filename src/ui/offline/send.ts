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
  /** Under whom it goes out: where somebody else is signed in by now it is not taken. */
  person?: string | undefined;
  /** How long an answer is waited for: for whoever sends the same again. */
  patienceMs?: number;
}

async function deliver(command: Command, { link, person, patienceMs }: Terms): Promise<Sent> {
  try {
    const response = await fetch(api.commands(), {
      ...(patienceMs === undefined ? {} : { signal: AbortSignal.timeout(patienceMs) }),
      method: 'POST',
      body: JSON.stringify({ ...command, sent: now() }),
      headers: {
        'content-type': 'application/json',
        ...(link ? { 'x-aftermist-link': link } : {}),
        ...(person ? { 'x-aftermist-person': person } : {}),
      },
    });
    // Busy and full say so themselves; whatever else goes wrong on the server says nothing that a person could use.
    if (response.status >= 500 && ![503, 507].includes(response.status)) return { ok: false, problem: FAILED };
    const body = await jsonOf(response);
    // A page in between that is none of ours: a log-in of a network says it is well, a proxy says that it is too large.
    if (body === undefined) return { ok: false, problem: response.ok ? NO_CONNECTION : inBetween(response.status) };
    if (response.ok && 'seq' in body) return { ok: true, result: body.result, command: command.id };
    return { ok: false, problem: body as unknown as ProblemDocument };
  } catch {
    return { ok: false, problem: NO_CONNECTION };
  }
}

/** What came back as JSON; undefined where it is none. */
export const jsonOf = (response: Response): Promise<CommandAnswer | ProblemDocument | undefined> =>
  response.json().then(
    (body) => body as CommandAnswer | ProblemDocument,
    () => undefined,
  );

/** What a proxy said that stands between here and the server, by its number alone. */
export const inBetween = (status: number): ProblemDocument =>
  status === 413
    ? {
        type: '/problems/too-large-on-the-way',
        title:
          'This is larger than what the way to the server lets through. Whoever runs it raises that limit; until then it ' +
          'is kept here.',
        status,
        code: 'too-large-on-the-way',
      }
    : FAILED;

/** Sends a change at once, from a desk; a walk goes through the outbox instead. */
export const send = <Kind extends KnownKind>(kind: Kind, payload: PayloadOf<Kind>, link?: string): Promise<Sent> =>
  post(commandOf(kind.type, payload), { link });
