import type { HalfDay, Reason } from '../schedule/reasons';
import { formatDay, type Day } from '../units/day';
import { daysOf } from './count';
import { sentence } from './letters';
import { phrase, type Phrase } from './phrase';
import { sayWait, sayWeather } from './wait';
import { sayWork } from './work';

/**
 * Why a piece of work starts when it does, as a whole sentence: `It comes after Kitchen · beam, which ends Wed 10 Mar,
 * afternoon: posts bear on it.`
 * @param today days of another year than its own are said with their year
 */
export function sayReason(reason: Reason, today: Day): Phrase {
  return phrase([sayBecause(reason, today), reason.hours && HOURS[reason.hours]].filter(Boolean).join(' '));
}

/** Everything else that would have to give as well, a sentence each; what sounds alike is said once. */
export function sayAlso(reason: Reason, today: Day): Phrase[] {
  const sentences = new Set((reason.also ?? []).map((other) => sayBecause(other, today)));
  sentences.delete(sayBecause(reason, today));
  return [...sentences].map(phrase);
}

const HOURS = {
  quiet: 'It keeps to the quiet that was asked for.',
  loud: 'Loud work keeps to the hours told to the neighbours.',
  office: 'The office comes on its own days.',
} as const;

function sayBecause(reason: Reason, today: Day): string {
  const on = (day: Day): string => formatDay(day, today);
  switch (reason.kind) {
    case 'done':
      return 'Done.';
    case 'under-way':
      return 'Under way; the rest goes on from here.';
    case 'none':
      return 'Nothing holds it; it could start earlier.';
    case 'now':
      return reason.begins ? `Work on this job begins on ${on(reason.begins)}.` : 'Ready to start.';
    case 'link': {
      const then = reason.then
        ? `, plus ${daysOf(reason.then.halfDays)} ${reason.then.unit === 'elapsed' ? 'to dry or cure' : 'to be made'}`
        : '';
      return sentence(`${HOW[reason.how](sayWork(reason.work), reason.at, on)}${then}: ${reason.why}`);
    }
    case 'not-before':
      return sentence(`${reason.wait.kind === 'pin' ? 'Fixed to this day: ' : ''}${sayWait(reason.wait, today)}`);
    case 'crew':
      return sentence(
        `${crewWords(reason.crew)} ${reason.work ? `is at ${sayWork(reason.work)}` : 'is not available'} on ${on(reason.day)}`,
      );
    case 'area':
      return sentence(
        `${reason.work ? sayWork(reason.work) : 'Other work'} has the room until ${half(reason.until, on)}`,
      );
    case 'away':
      return sentence(
        `${crewWords(reason.crew)} is away ` +
          (reason.from === reason.until ? `on ${on(reason.from)}` : `from ${on(reason.from)} to ${on(reason.until)}`),
      );
    case 'told':
      return reason.text;
    case 'weather':
      return sentence(`${TOO[reason.weather.of]}: ${sayWeather(reason.weather, today)}`);
  }
}

const crewWords = (name: string): string => name || 'The crew';

const TOO = { rain: 'Too wet', wind: 'Too windy', frost: 'Too cold' } as const;

const half = ({ day, afternoon }: HalfDay, on: (day: Day) => string): string =>
  `${on(day)}, ${afternoon ? 'afternoon' : 'morning'}`;

const HOW: Record<(Reason & { kind: 'link' })['how'], (work: string, at: HalfDay, on: (day: Day) => string) => string> =
  {
    'is-done': (work) => `${work} is done`,
    'is-reached': (work, at, on) => `It comes after ${work} on ${on(at.day)}`,
    begins: (work, at, on) => `It begins once ${work} has begun, ${half(at, on)}`,
    ends: (work, at, on) => `It comes after ${work}, which ends ${half(at, on)}`,
  };
