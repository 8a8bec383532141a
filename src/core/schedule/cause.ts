import type { JobTask } from '../sequence/rules';
import type { Phase } from '../sequence/phases';
import type { Party } from '../selections/requests';
import type { SelectionState } from '../selections/states';
import type { Day } from '../units/day';
import type { SelectionVerdict } from '../walks/observation';
import type { TooMuch } from './weather';
import type { WorkName } from './work-name';

/** A step with the name of the area it is in. */
interface StepAt {
  area: string;
  place: string;
  phase: Phase;
}
/** A selection by what people call it. */
interface Goods {
  selection: string;
  thing: string;
}

/** What was found, said or decided that a plan was made anew for; before anybody says it. */
export type Cause = {
  /** The command it came with, by its id in the log; none where time alone passed. */
  record?: string;
} & (
  | (StepAt & { kind: 'step'; what: 'changed' | 'timed' | 'joined' | 'ours' })
  | (StepAt & { kind: 'parts'; parts: number })
  | (StepAt & { kind: 'others'; who: string })
  | { kind: 'rate'; phase: Phase }
  | { kind: 'drawn'; area: string; place: string }
  | { kind: 'method'; title: string; chosen: string | null }
  | { kind: 'rule'; what: 'written' | 'changed' | 'dropped'; rule: number; before: Phase; after: Phase }
  | { kind: 'switch'; rule: number; what: 'on' | 'off' | 'as-elsewhere'; why: string }
  | { kind: 'order'; what: 'agreed' | 'dropped'; before: StepAt; after: StepAt; why: string }
  | { kind: 'gate'; gate: string; label: string; what: 'set' | 'dropped' }
  | {
      kind: 'logistic';
      logistic: string;
      label: string;
      what: 'needed' | 'open' | 'booked' | 'here' | 'dropped';
      day: Day | null;
    }
  | (StepAt & { kind: 'hold'; label: string; what: 'held' | 'moved' | 'released'; expected: Day })
  | (StepAt & { kind: 'inspection'; what: 'booked' | 'cancelled' | 'passed'; day: Day })
  | (StepAt & { kind: 'failed'; fixes: string[] })
  | { kind: 'office'; name: string }
  | { kind: 'pin'; task: string; work: WorkName | null; what: 'set' | 'dropped'; why: string }
  | { kind: 'sub'; sub: string; name: string; what: 'joined' | 'changed' | 'calendar-read' | 'calendar-out' }
  | { kind: 'away'; sub: string; name: string; what: 'away' | 'back'; from: Day; until: Day }
  /** Who was to come said no to that day; visits went to another sub, `more` besides the first. */
  | { kind: 'declined'; crew: string; name: string; task: string; work: WorkName; day: Day }
  | { kind: 'given'; sub: string; name: string; task: string; work: WorkName; more: number }
  /** Visits may come sooner than they stand, `more` besides the first. */
  | { kind: 'freed'; task: string; work: WorkName; more: number }
  | { kind: 'quiet'; what: 'asked' | 'over'; text: string }
  /** A day off is worked at a job, or is off again. */
  | { kind: 'worked-day'; what: 'worked' | 'off'; day: Day }
  | { kind: 'plant'; plant: string; name: string; what: 'set' | 'mended' }
  | { kind: 'broken'; plant: string; name: string; why: string }
  | { kind: 'outlook' }
  | { kind: 'weather'; weather: TooMuch }
  | { kind: 'holiday'; day: Day; name: string }
  | { kind: 'zone'; zone: string }
  | { kind: 'weights' }
  | { kind: 'job-changed'; name: string }
  | { kind: 'areas-set-out'; places: string[] }
  | { kind: 'area'; area: string; place: string; what: 'changed' | 'split' | 'removed' }
  | { kind: 'copied'; area: string; place: string; from: string }
  | { kind: 'merged'; area: string; place: string; from: string }
  | { kind: 'job-removed'; name: string }
  | { kind: 'job-back'; name: string }
  /** Something is opened although what closes it has no day. */
  | (StepAt & { kind: 'opened-anyway'; why: string })
  /** A service was proved dead, or marked and kept. */
  | { kind: 'service'; service: string; subject: string; what: 'found' | 'dead' | 'kept' | 'gone'; by: string }
  /** Work of the whole job was done, or is open again. */
  | { kind: 'job-task'; task: JobTask; done: boolean }
  | { kind: 'beside'; areas: string[]; places: string[] }
  | (Goods & { kind: 'slip'; days: number; why: string })
  | (Goods & {
      kind: 'goods';
      what:
        | 'added'
        | 'changed'
        | 'confirmed'
        | 'in-parts'
        | 'not-to-be-had'
        | 'fitted-later'
        | 'waited-for'
        | 'check-taken-back'
        | 'taken-away'
        | SelectionState;
    })
  | (Goods & { kind: 'checked'; place: string; verdict: SelectionVerdict; text: string })
  | { kind: 'goods-listed'; lines: number }
  | { kind: 'delivery-came'; selections: string[]; things: string[]; day: Day }
  | { kind: 'supplier'; supplier: string; name: string; what: 'open-after-all' | 'list-read' }
  | { kind: 'supplier-closed'; supplier: string; name: string; from: Day; until: Day }
  | {
      kind: 'request';
      request: string;
      subject: string;
      party: Party;
      what: 'added' | 'changed' | 'sent' | 'expected' | 'answered' | 'refused' | 'reopened' | 'taken-away';
    }
  | { kind: 'option'; area: string; subject: string; chosen: string | null }
  | { kind: 'assumption'; area: string; text: string; what: 'held' | 'wrong' | 'open'; found: string }
  | { kind: 'extra'; extra: string; area: string; text: string; what: 'done' | 'open' }
  | { kind: 'change'; area: string; number: number; title: string }
  | { kind: 'signature-taken-away'; area: string }
  | { kind: 'signed'; area: string; place: string; name: string }
  /** `item`: what a walk before found left to do, where it was seen to be done. */
  | { kind: 'check-settled'; area: string; place: string; item: string | null }
  | { kind: 'client-item'; area: string; text: string }
  | { kind: 'walk'; walk: string; day: Day }
  /** What a walk saw of a step, and by how many worked half-days it ends later (more than 0) or earlier than planned. */
  | (StepAt & { kind: 'progress'; fraction: number; halves: number })
  | { kind: 'leftover'; area: string; place: string; text: string }
  | { kind: 'late-record'; area: string; place: string }
  /** The day on which it was to begin, or to be ended, went by and no walk has seen it. */
  | { kind: 'not-seen'; task: string; work: WorkName; day: Day; what: 'begin' | 'end' }
  | { kind: 'taken-back' }
  /** So many more changes came in before the plan was made, and they cannot be told apart. */
  | { kind: 'together'; changes: number; more: boolean }
  | { kind: 'better-order' }
  | { kind: 'form' }
  /** As it was kept before causes were values. */
  | { kind: 'told'; text: string }
);

/** What two causes have in common, whichever record they came with: what they are summed by. */
export const causeKey = (causes: readonly Cause[]): string =>
  JSON.stringify(causes.map(({ record: _, ...cause }) => cause));

/**
 * Causes as they are kept: a list, one value, or the sentence of an older form, which is told as it was.
 */
export function causesIn(kept: string): Cause[] {
  if (kept === '') return [];
  if (!/^[[{]/.test(kept)) return [{ kind: 'told', text: kept }];
  try {
    const known = JSON.parse(kept) as Cause | Cause[];
    return Array.isArray(known) ? known : [known];
  } catch {
    return [{ kind: 'told', text: kept }];
  }
}
