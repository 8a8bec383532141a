import type { NamedDay } from '@/core/news/news';
import type { WorkName } from '@/core/schedule/work-name';
import type { Statement } from '@/core/scope/statement';
import type { Day } from '@/core/units/day';

/** Whether a piece of work can be pinned to a half-day; the work's job and name where it can. */
export type PinVerdict = { job: string; work: WorkName } | { code: string; message: string; field: 'task' | 'day' };

/** The finish of a job without a change and with it, as the plan of today says. */
export interface ChangeEffect {
  before: Day | null;
  after: Day | null;
}

/** What a reader would be told now, what they know once they were, and the entry of the log up to which it was looked at. */
interface ToSend {
  text: string;
  unsettled: number;
  record: string | null;
  steps: Record<string, number>;
  /** The days that neighbours hear of; empty for others. */
  days: string;
  asOf: number;
}

/**
 * What handlers want to know before they begin, and what takes too long, or sees too much, to be asked inside their
 * transaction.
 */
export interface Prepared {
  /** Days that have a name for whoever writes by hand. */
  'draft.write': NamedDay[];
  'update.send': ToSend;
  /** Of jobs whose neighbours are told: what moved, as they read it, and the days of now. */
  'visit.tell': Record<string, { lines: string[]; days: string }>;
  'pin.set': PinVerdict;
  'trip.pin': PinVerdict[];
  'change.send': ChangeEffect;
  'statement.make': Statement;
}
