import type { Comparable } from '@/core/advice/compared';
import type { Cost } from '@/core/advice/cost';
import type { Rung } from '@/core/advice/rungs';
import type { Day } from '@/core/units/day';
import type { AnswerStep } from '../commands/advice';
import type { PreviewView } from './plan';

/** What waiting, or one answer to what slipped, comes to on the whole firm. */
export interface PlacedAnswer extends Comparable {
  /** Where and how, or what it costs and is good for. */
  how: string;
  /** The job's last day, and worked days after what was promised (before it under 0); null where nothing was promised. */
  ends: string;
  endDay: Day;
  late: number | null;
  /** The slot after its last half-day, from today on. */
  endSlot: number;
  /** Work that is left in the rooms concerned. */
  rungs: Rung[];
}

/** One answer to what slipped. */
export interface AnswerView extends PlacedAnswer {
  /** What taking it does. */
  steps: { type: AnswerStep; payload: object }[];
  /** What it costs more than waiting, part by part; nothing for whoever may not see prices. */
  costs: Cost;
  /** What it does to the plan as it stands. */
  effect: PreviewView;
}

/** Something that slipped, and what it does if nobody acts. */
export interface SlipView {
  job: { id: string; name: string };
  /** What slipped, in a foreman's words, and what is known of it. */
  heading: string;
  known: string;
  promise: string | null;
  promiseSlot: number | null;
  /** Slots are counted from there. */
  today: Day;
  /** When what is missing can be used, by what was said last. */
  comes: { slot: number; label: string } | null;
  /** Of which plan the answers are. */
  plan: number;
  wait: PlacedAnswer;
  /** How many answers are going to be placed. */
  answers: number;
}

/** What is told of a slip, part after part, as it is worked out: first what waiting does, then answer after answer. */
export type AdvicePart =
  | { kind: 'slip'; slip: SlipView }
  | { kind: 'answer'; answer: AnswerView }
  /** So many more are going to be placed. */
  | { kind: 'more'; answers: number }
  /** An answer that cannot be taken, and why. */
  | { kind: 'refused'; title: string; why: string };
