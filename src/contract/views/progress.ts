import type { Day } from '@/core/units/day';
import type { JobHead } from './job';

/** How a job stands against what was agreed, by work and not by looks. */
export interface ProgressView {
  job: JobHead;
  today: Day;
  /** Answers to slips that were taken, the newest first: what each was said to bring, and how the job ends now. */
  answers: { id: string; title: string; words: string; kept: boolean }[];
  baselines: { id: string; name: string; when: string; finish: string }[];
  chosen: string | null;
  finish: {
    now: Day | null;
    then: Day | null;
    promise: Day | null;
    halves: number;
    causes: { cause: string; days: string }[];
  };
  weeksLeft: number | null;
  /** Shares of all work, 0…1; `hidden` is the part of what is done that nobody will see. */
  done: number;
  planned: number | null;
  hidden: number;
  words: string;
  /** How many pieces of work slipped; those that slipped most are told, or all of them where that is asked for. */
  slips: number;
  slipped: {
    task: string;
    label: string;
    halves: number;
    days: string;
    state: 'waiting' | 'under-way' | 'done' | 'gone';
    causes: { cause: string; days: string }[];
  }[];
  /** Share of all work by week, in per cent; null where it is not known. */
  overTime: { weeks: Day[]; planned: (number | null)[]; done: (number | null)[]; ahead: (number | null)[] };
  /** Half-days of work a week for each trade of this job over all jobs, against what its crews can do. */
  load: { weeks: Day[]; trades: { name: string; work: number[]; most: number[] }[] };
}
