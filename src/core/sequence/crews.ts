import type { SubId } from '../ids';
import type { Trade } from './trades';

/** Who or what does a piece of work: a sub, the firm's own people of a trade, or a machine. */
export type Crew = { of: 'sub'; sub: SubId } | { of: 'own'; trade: Trade } | { of: 'plant'; plant: string };

/** The name under which a plan keeps a crew: a sub's own id, or what it is with its name; only this file makes and reads it. */
export type CrewKey = string & { readonly keyOf?: 'crew' };

export const ownCrew = (trade: Trade): CrewKey => `own:${trade}`;
/** Plant stands among the crews. */
export const plantCrew = (plant: string): CrewKey => `plant:${plant}`;

export function crewOf(key: CrewKey): Crew {
  const [of, id = ''] = key.split(':');
  if (of === 'own') return { of, trade: id as Trade };
  return of === 'plant' ? { of, plant: id } : { of: 'sub', sub: key };
}

/** The sub that a crew is; null where it is nobody from outside. */
export function subOf(key: CrewKey | null): SubId | null {
  const crew = key === null ? undefined : crewOf(key);
  return crew?.of === 'sub' ? crew.sub : null;
}
