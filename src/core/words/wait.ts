import type { Calm, Wait } from '../schedule/wait';
import type { TooMuch } from '../schedule/weather';
import type { ArrivalWhy } from '../selections/arrival';
import { formatDay, type Day } from '../units/day';
import { phaseFacts } from '../sequence/phases';
import { agree, counted, daysOf, listed } from './count';
import { phrase, type Phrase } from './phrase';

/**
 * What work waits for, as a clause that can stand alone: `the delivery of wall tiles is expected Fri 12 Mar`.
 * @param today days of another year than its own are said with their year
 */
export const sayWait = (wait: Wait, today: Day): Phrase => phrase(waitWords(wait, today));

function waitWords(wait: Wait, today: Day): string {
  const on = (day: Day): string => formatDay(day, today);
  switch (wait.kind) {
    case 'delivery':
      return sayArrival(wait.thing, wait.why, today);
    case 'request':
      return (
        `${REQUESTED[wait.of]} ${wait.label} is not here yet: ` +
        `${wait.asked ? `asked ${on(wait.asked)}` : 'not asked for'}, expected ${on(wait.expected)}`
      );
    case 'hold': {
      const asked = wait.asked ? `, asked ${on(wait.asked)}` : '';
      return `${wait.text} (${wait.overdue ? 'was expected' : 'expected'} ${on(wait.expected)}${asked})`;
    }
    case 'visit':
      return `${wait.office} comes on ${on(wait.day)}, booked ${on(wait.booked)}`;
    case 'notice':
      return (
        `${wait.office} wants ${counted(wait.workdays, 'working day')} of notice, and ` +
        (wait.unsaid ? `nobody has said how the visit on ${on(wait.unsaid)} went` : 'it is not booked yet')
      );
    case 'others':
      return wait.day
        ? `${wait.who} does it and ${wait.overdue ? 'had promised' : 'has promised'} ${on(wait.day)}`
        : `${wait.who} does it and has named no day yet`;
    case 'gate':
      return `${wait.what} was set for ${on(wait.day)}`;
    case 'booked':
      return `${wait.what} is booked for ${on(wait.day)}`;
    case 'not-asked':
      return `${wait.what} takes ${counted(wait.days, 'day')} and nobody has asked for it yet`;
    case 'option':
      return `${wait.name} takes ${counted(wait.days, 'day')} to come`;
    case 'pin':
      return wait.why;
    case 'told':
      return wait.text;
    case 'asked':
      return 'it is asked whether it can be here';
    case 'not-closed':
      return (
        `${wait.what} would stand open: ${wait.thing} ${agree(wait.thing, 'comes', 'come')} ${formatDay(wait.due, today)}` +
        (wait.promised ? '' : ', and nobody has promised that day')
      );
    case 'not-chosen':
      return `${wait.what} would stand open: nothing is chosen for ${listed(wait.phases.map((phase) => phaseFacts(phase).label))}`;
    case 'declined':
      return `${wait.who} cannot come on ${on(wait.day)}`;
    case 'calm':
      return CALM[wait.why];
    case 'one-visit':
      return `it is looked at with ${counted(wait.rooms - 1, 'other room')} on one visit; that costs the job a day at most`;
    case 'open-too-long':
      return `it would stand open for ${daysOf(wait.halfDays)}, and ${daysOf(wait.most)} is the most that is right: ${wait.why}`;
    case 'open-in-rain':
      return `${sayWeather(wait.weather, today)} would fall into it`;
  }
}

const CALM: Record<Calm, string> = {
  confirmed: 'it was confirmed for this day',
  frozen: 'the next days stay as they were said',
  stands: 'it stays on the day people go by; it could begin sooner',
  'no-sooner': 'it could begin sooner, but nothing new is put into the next two weeks unasked',
};

const REQUESTED = { drawing: 'the drawing by', answer: 'the answer of', approval: 'the approval by' } as const;

/** Why a thing can be used when it can: `the order of sinks is not out; the delivery takes up to 28 days, …`. */
export function sayArrival(thing: string, why: ArrivalWhy, today: Day): Phrase {
  const rest = why.rest ? `, then ${counted(why.rest, 'day')} in the room before use` : '';
  return phrase(`${arrivalWords(thing.toLowerCase(), why, (day) => formatDay(day, today))}${rest}`);
}

function arrivalWords(thing: string, why: ArrivalWhy, on: (day: Day) => string): string {
  switch (why.kind) {
    case 'came':
      return `${thing} came ${on(why.day)}`;
    case 'overdue':
      return `the delivery of ${thing} was expected ${on(why.due)} and is not here${laterWords(why)}`;
    case 'expected':
      return `the delivery of ${thing} is expected ${on(why.due)}${laterWords(why)}`;
    case 'unconfirmed':
      return (
        `nobody has confirmed the delivery of ${thing}; it takes up to ${counted(why.days, 'day')} from the order, so ` +
        `count on ${on(why.due)}`
      );
    case 'not-ordered': {
      const order = why.waitsFor
        ? `waits for ${why.waitsFor.label}, expected ${on(why.waitsFor.expected)}`
        : 'is not placed yet';
      return (
        `the order for ${thing} ${order}; delivery takes up to ${counted(why.days, 'day')}, so ` +
        `${on(why.there)} at the earliest`
      );
    }
  }
}

const laterWords = ({ later }: ArrivalWhy & { kind: 'overdue' | 'expected' }): string =>
  later ? `, ${counted(later.days, 'day')} later than promised${later.why ? `: ${later.why}` : ''}` : '';

/**
 * What a client's last day hangs on, as a thing with its day: `the kitchen cabinets, expected Wed 24 Mar`; null where it is
 * nothing from outside, or nothing that is still to come.
 */
export function sayHangsOn(wait: Wait, today: Day): string | null {
  const on = (day: Day): string => formatDay(day, today);
  switch (wait.kind) {
    case 'delivery':
      return goodsToCome(wait.thing.toLowerCase(), wait.why, on);
    case 'request':
      return `${REQUESTED[wait.of]} ${wait.label}, expected ${on(wait.expected)}`;
    case 'visit':
      return `the visit of ${wait.office} on ${on(wait.day)}`;
    case 'notice':
      return `a visit of ${wait.office}, not booked yet`;
    case 'others':
      return `the work of ${wait.who}${wait.day ? `, promised for ${on(wait.day)}` : ', who have named no day'}`;
    default:
      return null;
  }
}

function goodsToCome(thing: string, why: ArrivalWhy, on: (day: Day) => string): string | null {
  switch (why.kind) {
    case 'came':
      return null;
    case 'overdue':
      return `${thing}, expected ${on(why.due)} and not here`;
    case 'expected':
      return `${thing}, expected ${on(why.due)}`;
    case 'unconfirmed':
      return `${thing}, of which nobody has confirmed a day`;
    case 'not-ordered':
      return `${thing}, not ordered yet`;
  }
}

/** `9 mm of rain expected Fri 12 Mar`. */
export function sayWeather({ of, amount, day }: TooMuch, today: Day): Phrase {
  const what = { rain: `${amount} mm of rain`, wind: `wind of ${amount} m/s`, frost: signed(amount) }[of];
  return phrase(`${what} expected ${formatDay(day, today)}`);
}

const signed = (degrees: number): string => `${degrees < 0 ? '−' : ''}${Math.abs(degrees)} °C`;
