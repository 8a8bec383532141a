import type { Schema } from 'yup';
import { kindOf, type Payload } from '@/contract/commands';
import type { Installation } from '../installation';
import { readFirm, readJob } from '../reading/reading';
import { effectOfChange } from '../plan/change-effect';
import { pinVerdict } from '../plan/pin-verdict';
import { newestChange } from '../reading/log';
import { newestRecord } from '../reading/records';
import { changeNow } from '../reading/scope';
import { composeDraft, namedDays, stepsBegun } from '../views/draft';
import { daysMoved, daysNearby } from '../views/nearby';
import { composeStatement } from '../views/compose-statement';
import type { Prepared } from '../door/prepared';
import { permissionOf, type Actor } from '../door/actor';

/** What would be sent, and all that its reader knows then. */
function toSend(installation: Installation, { job: id, audience }: Payload<'update.send'>): Prepared['update.send'] {
  const asOf = newestChange(installation.db);
  const job = readJob(installation, id);
  const { text, unsettled } = composeDraft(job, audience);
  const days = audience === 'neighbour' ? JSON.stringify(daysNearby(job)) : '';
  return { text, unsettled, record: newestRecord(installation.db), steps: stepsBegun(job), days, asOf };
}

const PREPARE: { [Type in keyof Prepared]: (installation: Installation, payload: Payload<Type>) => Prepared[Type] } = {
  'pin.set': (installation, { task, day, half }) => pinVerdict(readFirm(installation), task, day, half === 1 ? 1 : 0),
  'trip.pin': (installation, { pins }) => {
    const firm = readFirm(installation);
    return pins.map(({ task, day, half }) => pinVerdict(firm, task, day, half === 1 ? 1 : 0));
  },
  'change.send': (installation, { id }) => effectOfChange(installation, changeNow(installation.db, id)),
  'draft.write': (installation, { job }) => namedDays(readJob(installation, job)),
  'update.send': toSend,
  'visit.tell': (installation, { near }) =>
    Object.fromEntries(
      near.map(({ job: id }) => {
        const job = readJob(installation, id);
        return [id, { lines: daysMoved(job), days: JSON.stringify(daysNearby(job)) }];
      }),
    ),
  'statement.make': (installation, { job }) => composeStatement(readJob(installation, job)),
};

/** Whether a command is prepared before it is dispatched. */
export const isPrepared = (type: unknown): type is keyof Prepared =>
  typeof type === 'string' && Object.hasOwn(PREPARE, type);

/**
 * What a command's handler wants to know, worked out before its transaction; undefined where it is not as it should be:
 * then the door says why.
 */
export function prepare<Type extends keyof Prepared>(
  installation: Installation,
  who: Actor,
  input: unknown,
): Prepared[Type] | undefined {
  const { type, payload } = (input ?? {}) as { type?: unknown; payload?: unknown };
  if (!isPrepared(type) || !kindOf(type).may.includes(permissionOf(who))) return undefined;
  const { schema } = kindOf(type);
  if (!fits(schema, payload)) return undefined;
  const look = PREPARE[type] as (installation: Installation, payload: unknown) => Prepared[Type];
  // What a change would do is written and taken back: that wants the lock from the start, not from within a reading.
  if (type === 'change.send') return look(installation, schema.cast(payload));
  return installation.db.transaction(() => look(installation, schema.cast(payload)))();
}

/** Whether a payload is as it should be; what cannot even be read as a text is not. */
function fits(schema: Schema, payload: unknown): boolean {
  try {
    return schema.isValidSync(payload);
  } catch {
    return false;
  }
}

/** The same as a handler finds it in its context; undefined where a command of its kind is not prepared. */
export function preparedFor(installation: Installation, who: Actor, input: unknown): Partial<Prepared> | undefined {
  const { type } = (input ?? {}) as { type?: unknown };
  return isPrepared(type) ? { [type]: prepare(installation, who, input) } : undefined;
}
