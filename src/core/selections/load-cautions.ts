import type { Day } from '../units/day';
import { ONE_PERSON_KG, peopleFor } from './storage';

/** What is on a delivery, as far as its day goes. */
export interface Loaded {
  thing: string;
  /** A piece of it that no way in lets through as it is. */
  stuck?: string | undefined;
  ordered: boolean;
  expected: Day | null;
  needBy: Day | null;
}

/** Where it is to stand. */
export interface StandsIn {
  /** Work in that room until the things are used, the first first. */
  inTheWay: readonly { label: string; firstDay: Day; lastDay: Day }[];
  freeFrom: Day | null;
  /** m² that are left free; nothing where the room is not measured. */
  left: number | null;
}

/** A delivery as it is planned. */
export interface PlannedLoad {
  day: Day;
  /** m² of floor. */
  floorArea: number | null;
  /** kg of the heaviest piece, and who is there to carry it. */
  heaviest: number | null;
  people: number | null;
  carry: string;
  hasPlace: boolean;
  protection: string;
}

/** What is wrong, or not said, about a delivery. */
export type LoadCaution =
  | { kind: 'not-heard'; day: Day }
  | { kind: 'not-ordered'; thing: string }
  | { kind: 'promised-later'; thing: string; day: Day }
  | { kind: 'needed-earlier'; thing: string; day: Day }
  | { kind: 'in-the-way'; work: string; from: Day; until: Day; more: number; freeFrom: Day | null }
  /** m² */
  | { kind: 'no-floor'; takes: number; free: number }
  /** kg */
  | { kind: 'carry-unsaid'; heaviest: number; people: number }
  | { kind: 'too-few'; heaviest: number; people: number; there: number }
  | { kind: 'not-got-in'; piece: string }
  | { kind: 'protection-unsaid' };

/** Everything about a delivery that somebody should look at, in the order in which it comes to matter. */
export const loadCautions = (
  load: PlannedLoad,
  items: readonly Loaded[],
  room: StandsIn | null,
  today: Day,
): LoadCaution[] => [
  ...(load.day < today ? [{ kind: 'not-heard' as const, day: load.day }] : []),
  ...items.flatMap((item) => ofItem(item, load.day)),
  ...(room ? ofRoom(load, room) : []),
  ...ofLifting(load),
  ...(load.hasPlace && load.protection.trim() === '' ? [{ kind: 'protection-unsaid' as const }] : []),
];

/** Whether a thing can be on a delivery of that day, and whether that is soon enough for it. */
function ofItem({ thing, stuck, ordered, expected, needBy }: Loaded, comes: Day): LoadCaution[] {
  const cautions: LoadCaution[] = [];
  if (stuck) cautions.push({ kind: 'not-got-in', piece: stuck });
  if (!ordered) cautions.push({ kind: 'not-ordered', thing });
  else if (expected && expected > comes) cautions.push({ kind: 'promised-later', thing, day: expected });
  if (needBy && comes > needBy) cautions.push({ kind: 'needed-earlier', thing, day: needBy });
  return cautions;
}

/** Whether the place is worked in until the things are used, and whether they leave room to walk. */
function ofRoom({ floorArea }: PlannedLoad, { inTheWay: [first, ...more], freeFrom, left }: StandsIn): LoadCaution[] {
  const cautions: LoadCaution[] = [];
  if (first)
    cautions.push({
      kind: 'in-the-way',
      work: first.label,
      from: first.firstDay,
      until: first.lastDay,
      more: more.length,
      freeFrom,
    });
  if (left !== null && floorArea !== null && floorArea > left)
    cautions.push({ kind: 'no-floor', takes: floorArea, free: Math.max(0, left) });
  return cautions;
}

/** What one person should not lift alone needs people, a machine or a word on how it is carried. */
function ofLifting({ heaviest, people, carry }: PlannedLoad): LoadCaution[] {
  if (heaviest === null || heaviest <= ONE_PERSON_KG || carry.trim() !== '') return [];
  const wanted = peopleFor(heaviest);
  if (people === null) return [{ kind: 'carry-unsaid', heaviest, people: wanted }];
  return people >= wanted ? [] : [{ kind: 'too-few', heaviest, people: wanted, there: people }];
}
