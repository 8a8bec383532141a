import type { ArrivalWhy } from '../selections/arrival';
import type { Phase } from '../sequence/phases';
import type { Day } from '../units/day';
import type { TooMuch } from './weather';

/** Why work stays on its day: it was confirmed, it is in the next days, it stands there, or it would come into the next two weeks. */
export type Calm = 'confirmed' | 'frozen' | 'stands' | 'no-sooner';

/** What work waits for besides other work: what is known of it, before anybody says it. */
export type Wait =
  | { kind: 'delivery'; thing: string; why: ArrivalWhy }
  /** Somebody's drawing, answer or approval. */
  | { kind: 'request'; of: 'drawing' | 'answer' | 'approval'; label: string; expected: Day; asked: Day | null }
  /** Whatever somebody put it on hold for. */
  | { kind: 'hold'; text: string; expected: Day; overdue: boolean; asked: Day | null }
  /** An office's visit that is booked, and one that is not: the office wants to hear of it so many working days ahead. */
  | { kind: 'visit'; office: string; day: Day; booked: Day }
  | { kind: 'notice'; office: string; workdays: number; unsaid: Day | null }
  /** Work of somebody else's. */
  | { kind: 'others'; who: string; day: Day | null; overdue: boolean }
  /** A gate that was given a day; a thing that is booked for one, or that nobody has asked for yet. */
  | { kind: 'gate'; what: string; day: Day }
  | { kind: 'booked'; what: string; day: Day }
  | { kind: 'not-asked'; what: string; days: number }
  /** A choice that is only thought of, with what it takes to come. */
  | { kind: 'option'; name: string; days: number }
  | { kind: 'pin'; why: string }
  /** It is only asked whether it could be then. */
  | { kind: 'asked' }
  /** The placing itself puts it off: it would lie open too long, or in the rain. */
  | { kind: 'open-too-long'; halfDays: number; most: number; why: string }
  | { kind: 'open-in-rain'; weather: TooMuch }
  /** What closes it again is not there yet; nobody opens before he can close. */
  | { kind: 'not-closed'; what: string; thing: string; due: Day; promised: boolean }
  | { kind: 'not-chosen'; what: string; phases: Phase[] }
  /** Whoever looks at it comes once for so many rooms. */
  | { kind: 'one-visit'; rooms: number }
  /** Who was to come said no to that day. */
  | { kind: 'declined'; who: string; day: Day }
  /** Nothing else holds it: it stays on the day that people go by. */
  | { kind: 'calm'; why: Calm }
  /** As an older plan said it. */
  | { kind: 'told'; text: string };
