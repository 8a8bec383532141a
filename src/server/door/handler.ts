import type { Cause } from '@/core/schedule/cause';
import { kindOf, type CommandType, type Input, type KindOf, type Payload } from '@/contract/commands';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { queryAll, queryOne, type Table, type Versioned } from '../database/query';
import type { Rows } from '../database/rows';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { notFound, conflict, unprocessable } from '../refusal';
import { isKept, type Kept } from '../database/kept';
import type { Actor } from './actor';
import type { Prepared } from './prepared';
import { shaped } from './shaped';

/** What a handler may use: the open transaction, who asks, and when. */
export interface CommandContext {
  installation: Installation;
  db: Connection;
  who: Actor;
  /** The id of the command. */
  command: string;
  /** When it was made, by whoever made it; corrected where their clock runs ahead. */
  at: string;
  /** When it arrived. */
  now: string;
  /** What the device took the time for, where its clock was wrong. */
  clock?: string;
  /** What was worked out for it beforehand, where its kind asks for it. */
  prepared?: Partial<Prepared>;
  /** Names the job whose screens this touches, for the log. */
  logFor: (job: string) => void;
  /** Has the planner look once this is committed, though no job is to be planned anew. */
  wakePlanner: () => void;
}

/** What a handler of a command that affects the plan may use besides; it says one or the other, or the door objects. */
export interface PlanContext extends CommandContext {
  /** Has the plan of a job computed again once this is committed. */
  replan: (job: string, cause: Cause, walk?: string) => void;
  /** The same for several; none is said too. */
  replanAll: (jobs: readonly string[], cause: Cause) => void;
  /** Says that this time nothing changed that a plan is made from. */
  planStays: (job?: string) => void;
}

type ContextOf<Type extends CommandType> = KindOf<Type>['affects'] extends 'plan' ? PlanContext : CommandContext;

/** Synchronous: it runs inside one transaction. @returns what the caller is told, plain JSON */
export type Handle<Type extends CommandType> = (context: ContextOf<Type>, payload: Payload<Type>) => unknown;

/** The handlers of a subject, by the names of their commands; the payload of each is what its schema lets through. */
export const handlers = <Types extends CommandType>(list: { [Type in Types]: Handle<Type> }): typeof list => list;

/** What was worked out for a command before its transaction. */
export function prepared<Type extends keyof Prepared>(context: CommandContext, type: Type): Prepared[Type] {
  const known = context.prepared?.[type];
  if (known === undefined) throw new Error(`${type} was dispatched without what is worked out for it.`);
  return known;
}

/** Every job whose plan may still change: what crews, days and plant are there is shared by all. */
export const openJobs = ({ db }: CommandContext): string[] =>
  queryAll<{ id: string }>(db, `SELECT id FROM job WHERE removed = 0 AND state <> 'closed'`).map(({ id }) => id);

/**
 * Carries out another command within this one: checked by its own schema, by the rules of its own subject, in the same
 * transaction.
 */
export function carryOut<Type extends CommandType>(
  context: PlanContext,
  type: Type,
  handle: Handle<Type>,
  input: Input<Type>,
): void {
  handle(context, shaped<Payload<Type>>(kindOf(type).schema, input));
}

/** Whoever of the firm did it; nobody where a client or the house did. */
export const personOf = (context: CommandContext): string | null =>
  context.who.kind === 'person' ? context.who.id : null;

/** The same transaction in a desk's name: what it says is its own word, whoever had it asked. */
export const asDesk = <Context extends CommandContext>(
  context: Context,
  desk: Extract<Actor, { kind: 'desk' }>['id'],
): Context => ({ ...context, who: { kind: 'desk', id: desk } });

/** What people call the rows of a table, where that is not the table's own name. */
const WORDS: Partial<Record<Table, string>> = {
  scope_item: 'line of scope',
  job_update: 'update',
  share_link: 'link',
  own_link: 'order',
  fixture: 'thing',
  level_mark: 'level',
  extra_work: 'added work',
  option_set: 'choice',
  change_order: 'change',
  spare: 'kept thing',
  logistic: 'thing to be there',
  close_in_sign: 'signature',
  handed_over: 'thing left with the client',
  client_item: 'line of the client’s list',
  sign_off: 'acceptance',
  pdf: 'PDF',
  attachment: 'drawing or permit',
  purchase_order: 'order',
  purchase_line: 'line of an order',
  purchase_bill: 'bill',
  purchase_movement: 'line of what came',
};

/** Tables whose rows are asked for by an id of their own. */
type WithId = { [Name in Table]: Rows[Name] extends { id: string } ? Name : never }[Table];

/** What people call a row of a table. */
export const wordFor = (table: string): string => WORDS[table as Table] ?? table.replaceAll('_', ' ');

/** The row of that id, or a refusal that says what is missing. */
export function requireRow<Name extends WithId | Kept>(
  context: CommandContext,
  table: Name,
  id: string,
  field = 'id',
): Rows[Name] {
  const key = isKept(table) ? 'hash' : 'id';
  const row = queryOne<Rows[Name]>(context.db, `SELECT * FROM ${table} WHERE ${key} = @id`, { id });
  if (!row) throw notFound(wordFor(table), field);
  return row;
}

/** The row, if it is still the version the change was based on. */
export function requireVersion<Name extends WithId & Versioned>(
  context: CommandContext,
  table: Name,
  id: string,
  version: number,
): Rows[Name] {
  const row: Rows[Name] = requireRow(context, table, id);
  if ((row as { version: number }).version !== version) throw conflict(wordFor(table), row);
  return row;
}

/** Refuses an area that is not one of the job's. */
export function requireAreaOf(
  context: CommandContext,
  job: string,
  area: string,
  field = 'area',
): { id: string; name: string } {
  const row = queryOne<{ id: string; name: string }>(
    context.db,
    'SELECT id, name FROM area WHERE id = @area AND job = @job',
    {
      area,
      job,
    },
  );
  if (!row) throw notFound('area in this job', field);
  return row;
}

/** Refuses a step that is not part of the work in an area. */
export function requireStep(context: CommandContext, area: string, phase: Phase, field = 'phase'): void {
  if (!queryOne(context.db, 'SELECT 1 FROM step WHERE area = @area AND phase = @phase', { area, phase }))
    throw unprocessable(
      'phase-elsewhere',
      `This area has no ${phaseFacts(phase).label}; choose a step of its work.`,
      field,
    );
}
