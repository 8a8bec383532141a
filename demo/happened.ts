import type { CommandType, Input } from '@/contract/commands';
import type { Actor } from '@/server/door/actor';

/** A command of the demo's story, by the contractor where nobody else is named; each is checked against its own shape. */
export type Said = { [Type in CommandType]: { type: Type; payload: Input<Type>; by?: Actor } }[CommandType];

/** When it was said: days are counted from the first of the demo, before it with a minus. */
export interface Happened {
  day: number;
  hour: number;
  minute?: number;
  said: Said;
}
