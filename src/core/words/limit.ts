import type { Reason } from '../schedule/reasons';
import type { Day } from '../units/day';
import { daysOf } from './count';
import { capital } from './letters';
import { phrase, type Phrase } from './phrase';
import { sayReason } from './reason';

/** How a time limit is kept: half-days it takes against the most that is right, with what goes wrong and what helps. */
export interface Limit {
  actual: number;
  most: number;
  kept: boolean;
  rain: boolean;
  why: string;
  cure: string;
}

export const sayLimit = ({ actual, most, kept, rain, why, cure }: Limit): Phrase =>
  phrase(
    kept
      ? `${capital(daysOf(actual))} of work, ${daysOf(most)} at most.`
      : `${capital(daysOf(actual))} of work, and ${daysOf(most)} is the most that is right` +
          `${rain ? '; rain comes meanwhile' : ''}: ${why}. What helps: ${cure}.`,
  );

/** Why a booked visit does not fit the plan: its day is over, its step is done, or the plan does not reach its day. */
export type UnkeptVisit = { kind: 'over' } | { kind: 'done' } | { kind: 'not-reached'; reason: Reason };

export function sayUnkeptVisit(visit: UnkeptVisit, today: Day): Phrase {
  switch (visit.kind) {
    case 'over':
      return phrase('The day is over: say how it went.');
    case 'done':
      return phrase('The step is marked done, and this visit is still booked. Which is right?');
    case 'not-reached':
      return phrase(`The plan does not reach this day. ${sayReason(visit.reason, today)}`);
  }
}
