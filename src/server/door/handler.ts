import type { AnyObject, InferType, ObjectSchema } from 'yup';
import type { CommandKind } from '@/contract/command';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { one } from '../database/query';
import type { Connection } from '../database/open';
import type { House } from '../house';
import { notFound, stale, unfit } from './refusal';
import type { Who } from './who';

/** What a handler may use: the open transaction, who asks, and when. */
export interface Visit {
  house: House;
  db: Connection;
  who: Who;
  /** When it was made, by whoever made it; corrected where their clock runs ahead. */
  at: string;
  /** When it arrived. */
  now: string;
  /** What the device took the time for, where its clock was wrong. */
  clock?: string;
  /** Names the job whose screens this touches, for the log. */
  touches: (job: string) => void;
  /** Has the plan of a job computed again once this is committed. */
  mark: (job: string, cause: string, walk?: string) => void;
  /** Has the planner look once this is committed, though no job is marked. */
  wake: () => void;
}

export interface Handler {
  kind: CommandKind<ObjectSchema<AnyObject>>;
  /** Synchronous: it runs inside one transaction. @returns what the caller is told, plain JSON */
  handle: (visit: Visit, payload: never) => unknown;
}

export const handler = <Schema extends ObjectSchema<AnyObject>>(
  kind: CommandKind<Schema>,
  handle: (visit: Visit, payload: InferType<Schema>) => unknown,
): Handler => ({ kind, handle });

type Table =
  | 'job'
  | 'area'
  | 'sub'
  | 'level'
  | 'hold'
  | 'scope_item'
  | 'selection'
  | 'walk'
  | 'job_update'
  | 'share_link'
  | 'message'
  | 'own_link'
  | 'observation'
  | 'person'
  | 'picture'
  | 'finding'
  | 'opening'
  | 'placed'
  | 'level_mark'
  | 'calculation'
  | 'assumption'
  | 'extra_work'
  | 'option_set'
  | 'decision'
  | 'statement'
  | 'change_order'
  | 'supplier'
  | 'request'
  | 'delivery'
  | 'spare'
  | 'logistic'
  | 'office'
  | 'inspection'
  | 'plant'
  | 'standpoint'
  | 'narration'
  | 'recording'
  | 'close_in_sign'
  | 'left_with_client'
  | 'client_item'
  | 'sign_off';
const WORDS: Partial<Record<Table, string>> = {
  scope_item: 'line of scope',
  job_update: 'update',
  share_link: 'link',
  own_link: 'order',
  placed: 'thing',
  level_mark: 'level',
  extra_work: 'added work',
  option_set: 'choice',
  change_order: 'change',
  spare: 'kept thing',
  logistic: 'thing to be there',
  close_in_sign: 'signature',
  left_with_client: 'thing left with the client',
  client_item: 'line of the client’s list',
  sign_off: 'acceptance',
};

/** The row of that id, or a refusal that says what is missing. */
export function need<Row>(visit: Visit, table: Table, id: string, field = 'id'): Row {
  const key = table === 'picture' || table === 'recording' ? 'hash' : 'id';
  const row = one<Row>(visit.db, `SELECT * FROM ${table} WHERE ${key} = @id`, { id });
  if (!row) throw notFound(WORDS[table] ?? table, field);
  return row;
}

/** The row, if it is still the version the change was based on. */
export function needVersion<Row extends { version: number }>(
  visit: Visit,
  table: Table,
  id: string,
  version: number,
): Row {
  const row = need<Row>(visit, table, id);
  if (row.version !== version) throw stale(WORDS[table] ?? table, row);
  return row;
}

/** Refuses an area that is not one of the job's. */
export function needAreaOf(visit: Visit, job: string, area: string, field = 'area'): { id: string; name: string } {
  const row = one<{ id: string; name: string }>(visit.db, 'SELECT id, name FROM area WHERE id = @area AND job = @job', {
    area,
    job,
  });
  if (!row) throw notFound('area in this job', field);
  return row;
}

/** Refuses a step that is not part of the work in an area. */
export function needStep(visit: Visit, area: string, phase: Phase, field = 'phase'): void {
  if (!one(visit.db, 'SELECT 1 FROM step WHERE area = @area AND phase = @phase', { area, phase }))
    throw unfit('phase-elsewhere', `This area has no ${phaseFacts(phase).label}; choose a step of its work.`, field);
}
