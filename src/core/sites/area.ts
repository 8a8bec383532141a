/** What can stand in a job: a room, an outside face, a roof, a stretch of ground, an outbuilding. */
export const AREA_KINDS = {
  room: 'room',
  wet: 'wet room',
  face: 'outside face',
  roof: 'roof',
  ground: 'ground or drain',
  outbuilding: 'outbuilding',
} as const;
export type AreaKind = keyof typeof AREA_KINDS;
export const AREA_KIND_KEYS = Object.keys(AREA_KINDS) as AreaKind[];

export const JOB_STATES = ['lead', 'scoping', 'booked', 'active', 'completing', 'closed'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** `in` to `refit`: how a line of work stands to the contract. */
export const STANCES = {
  in: 'in',
  out: 'not included',
  conditional: 'depends on what is found',
  protect: 'protect',
  'keep-live': 'keep live',
  refit: 'take down and refit',
} as const;
export type Inclusion = keyof typeof STANCES;
export const STANCE_KEYS = Object.keys(STANCES) as Inclusion[];
