import { COMMANDS, type CommandType, type Payload } from '@/contract/commands';
import type { Installation } from '../installation';
import { readFirm } from '../reading/reading';
import { pinVerdict, type PinVerdict } from '../schedule/pins';
import { changeNow, effectOfChange, type ChangeEffect } from '../scope/changes';
import { permissionOf, type Actor } from './actor';

/** What handlers want to know before they begin, and what takes too long to be asked inside their transaction. */
export interface Prepared {
  'pin.set': PinVerdict;
  'change.send': ChangeEffect;
}

const PREPARE: { [Type in keyof Prepared]: (installation: Installation, payload: Payload<Type>) => Prepared[Type] } = {
  'pin.set': (installation, { task, day, half }) => pinVerdict(readFirm(installation), task, day, half === 1 ? 1 : 0),
  'change.send': (installation, { id }) => effectOfChange(readFirm(installation), changeNow(installation.db, id)),
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
  if (!isPrepared(type) || !COMMANDS[type].may.includes(permissionOf(who))) return undefined;
  const { schema } = COMMANDS[type as CommandType];
  if (!schema.isValidSync(payload)) return undefined;
  const look = PREPARE[type] as (installation: Installation, payload: unknown) => Prepared[Type];
  return installation.db.transaction(() => look(installation, schema.cast(payload)))();
}
