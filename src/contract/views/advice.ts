import type { AnswerStep } from '../commands/advice';
import type { PreviewView } from './plan';
import type { Day } from '@/core/units/day';

/** One answer to what slipped, placed on the whole firm. */
export interface AnswerView {
  key: string;
  title: string;
  /** Where and how, or what it costs and is good for. */
  how: string;
  /** What taking it does. */
  steps: { type: AnswerStep; payload: object }[];
  /** The job's last day, and worked days after what was promised (before it under 0); null where nothing was promised. */
  ends: string;
  endDay: Day;
  late: number | null;
  /** Worked days that the job ends sooner than by waiting. */
  won: number;
  /** Trips more than by waiting; who has to be told of a visit that moves; promises that cannot be kept. */
  trips: number;
  people: number;
  conflicts: number;
  /** What it does to the plan as it stands. */
  effect: PreviewView;
}

/** Something that slipped, what it does if nobody acts, and every answer there is to it. */
export interface AdviceView {
  job: { id: string; name: string };
  /** What slipped, in a foreman's words, and what is known of it. */
  heading: string;
  known: string;
  promise: string | null;
  wait: Omit<AnswerView, 'steps' | 'effect'>;
  answers: AnswerView[];
  /** Answers that are no better than another, or that cannot be taken, each with why. */
  folded: { title: string; why: string }[];
}
