import type { ObjectSchema, AnyObject } from 'yup';

export const ROLES = ['contractor', 'lead', 'office'] as const;
export type Role = (typeof ROLES)[number];
/** Who may have a sign-in: people of the firm, and of its subs. */
export const ACCOUNT_ROLES = [...ROLES, 'sub'] as const;
export type AccountRole = (typeof ACCOUNT_ROLES)[number];

/**
 * Who may give a command: people by role, the holder of a share link, or a desk that speaks for the world outside.
 * `founder` is the first visitor of an empty installation.
 */
export type Permission = Role | 'link' | 'desk' | 'founder';

/** What a command may change: the plan (of some jobs or all), the screens of one job, or only what the firm keeps. */
export type Affects = 'plan' | 'job' | 'firm';

/** The shape of one kind of change, shared by the browser that makes it and the door that checks it. */
export interface CommandKind<Schema, Type extends string = string, Touched extends Affects = Affects> {
  type: Type;
  may: readonly Permission[];
  /** The door sees to it: a handler of the plan's that forgot to have it made anew is refused by the first test. */
  affects: Touched;
  schema: Schema;
  /** Fields that are never written to the log. */
  secret?: readonly string[];
}

export const command = <const Type extends string, const Touched extends Affects, Value extends AnyObject, Default>(
  type: Type,
  may: readonly Permission[],
  affects: Touched,
  schema: ObjectSchema<Value, AnyObject, Default>,
  secret?: readonly string[],
): CommandKind<ObjectSchema<Value, AnyObject, Default>, Type, Touched> => ({
  type,
  may,
  affects,
  schema,
  ...(secret ? { secret } : {}),
});

/** A kind of any schema, by what the compiler reads off it at once; comparing whole schemas takes it seconds. */
interface Kinded<Schema> {
  schema: Schema;
}

export type PayloadOf<Kind> = Kind extends Kinded<{ readonly __outputType: infer Payload }> ? Payload : never;

/** The keys with a default may be left out by whoever gives a command. */
type Defaulted<Schema> = Schema extends { readonly __default: infer Default }
  ? { [Key in keyof Default]: undefined extends Default[Key] ? never : Key }[keyof Default]
  : never;
/** Of the items of a list only their kinds are known here, not which of their keys have a default. */
type ItemsOf<Value> = Value extends readonly (infer Item)[]
  ? readonly (Item extends object ? Partial<Loose<Item>> : Item)[]
  : Value;
type Loose<Value> = { [Key in keyof Value]: ItemsOf<Value[Key]> };
type Lenient<Value, Optional> = Omit<Loose<Value>, Extract<Optional, keyof Value>> &
  Partial<Pick<Loose<Value>, Extract<Optional, keyof Value>>>;
export type InputOf<Kind> = Kind extends Kinded<infer Schema> ? Lenient<PayloadOf<Kind>, Defaulted<Schema>> : never;

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
