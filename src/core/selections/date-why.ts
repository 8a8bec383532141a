import type { Reason } from '../schedule/reasons';
import type { Cause } from '../schedule/cause';
import type { WorkName } from '../schedule/work-name';
import type { Day } from '../units/day';
import type { Phrase } from '../words/phrase';

/** Why a selection is needed, ordered and decided by its days, from the work back. */
export type DateWhy =
  /** No work of the plan waits for it; or the work is not planned yet. */
  | { kind: 'nothing-waits' }
  | { kind: 'not-planned' }
  /** Days to unpack and look, and to lie in the room, before the work starts. */
  | { kind: 'needed'; by: Day; area: string; step: string; start: Day | null; checkDays: number; lieDays: number }
  | { kind: 'order'; by: Day; leadLow: number; leadHigh: number; inHand: number }
  | { kind: 'decide'; by: Day; thinkDays: number }
  /** The order waits for a word of somebody's. */
  | { kind: 'granted'; by: Day; waits: string; expected: Day }
  | { kind: 'in-time'; because: Phrase }
  /** It comes so many days after it is needed; `reason` where something else holds the work as well. */
  | { kind: 'too-late'; days: number; because: Phrase; work: WorkName; start: Day; reason: Reason | null }
  | { kind: 'became-late'; causes: readonly Cause[] }
  | { kind: 'need-moved'; before: Day; causes: readonly Cause[] };
