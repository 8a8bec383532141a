import type { InferType, ObjectSchema, AnyObject } from 'yup';

export const ROLES = ['contractor', 'lead', 'office'] as const;
export type Role = (typeof ROLES)[number];

/**
 * Who may give a command: people by role, the holder of a share link, or a desk that speaks for the world outside.
 * `founder` is the first visitor of an empty house.
 */
export type May = Role | 'link' | 'desk' | 'founder';

/** The shape of one kind of change, shared by the browser that makes it and the door that checks it. */
export interface CommandKind<Schema extends ObjectSchema<AnyObject>> {
  type: string;
  may: readonly May[];
  schema: Schema;
  /** Fields that are never written to the log. */
  secret?: readonly string[];
}

export const command = <Schema extends ObjectSchema<AnyObject>>(
  type: string,
  may: readonly May[],
  schema: Schema,
  secret?: readonly string[],
): CommandKind<Schema> => ({
  type,
  may,
  schema,
  ...(secret ? { secret } : {}),
});

export type PayloadOf<Kind> = Kind extends CommandKind<infer Schema> ? InferType<Schema> : never;

export const EVERYBODY = ROLES;
export const OFFICE = ['contractor', 'office'] as const;
export const OWNER = ['contractor'] as const;

/** One change on its way to the door. */
export interface Command {
  id: string;
  type: string;
  /** When it was made, by the clock of whoever made it. */
  at: string;
  /** What the device took the time for when it sent this: what its clock is off by is taken off `at`. */
  sent?: string;
  payload: unknown;
}

/** Problem as sent over HTTP, RFC 9457. */
export interface ProblemDocument {
  type: string;
  title: string;
  status: number;
  code: string;
  field?: string;
  hint?: string;
  /** Every field that is wrong, where there are several. */
  problems?: { field?: string; message: string }[];
  /** Both values, where somebody else changed it meanwhile. */
  current?: unknown;
}

export type CommandAnswer =
  | { id: string; status: 'applied' | 'repeated'; seq: number; result: unknown }
  | { id: string; status: 'refused'; problem: ProblemDocument };
