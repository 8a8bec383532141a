import type { Reason } from '../schedule/reasons';
import type { WorkName } from '../schedule/work-name';
import { formatDay, type Day } from '../units/day';
import { counted } from './count';
import { sayReason } from './reason';
import { sayWork } from './work';

interface HalfDayOf {
  day: Day;
  half: number;
}

/** What a sub is told of one visit: from when to when it moved, or when it is for the first time. */
export interface SubWord {
  job: string;
  work: WorkName;
  from: HalfDayOf | null;
  to: HalfDayOf;
  reason: Reason;
}

/** `Wed 10 Mar, morning`. */
export const sayHalfDay = ({ day, half }: HalfDayOf, today: Day): string =>
  `${formatDay(day, today)}, ${half === 1 ? 'afternoon' : 'morning'}`;

/** A plain message to a sub: every visit with its job, what moved and why; and that an answer is wanted. */
export function saySubWord(words: readonly SubWord[], name: string, today: Day): { title: string; body: string } {
  const moved = words.filter(({ from }) => from !== null).length;
  const lines = words.map(({ job, work, from, to, reason }) => {
    const what = `${job}: ${sayWork(work)}`;
    return from
      ? `- ${what} moves from ${sayHalfDay(from, today)} to ${sayHalfDay(to, today)}. ${sayReason(reason, today)}`
      : `- ${what}, ${sayHalfDay(to, today)}.`;
  });
  return {
    title: moved > 0 ? `${counted(moved, 'visit')} ${moved === 1 ? 'moves' : 'move'}` : 'Can you come?',
    body: [`${name},`, '', ...lines, '', 'Please say on your page, or call us, whether that suits you.'].join('\n'),
  };
}

/** A plain word to a sub who was asked for these days and has not answered. */
export function sayReminder(
  visits: readonly { job: string; work: WorkName; at: HalfDayOf }[],
  name: string,
  today: Day,
): { title: string; body: string } {
  const lines = visits.map(({ job, work, at }) => `- ${job}: ${sayWork(work)}, ${sayHalfDay(at, today)}`);
  return {
    title:
      visits.length === 1 ? 'Can you come? We have no answer yet' : `Can you come? ${visits.length} days wait for you`,
    body: [
      ...[`${name},`, '', 'we asked you for these days and have no answer yet:', ''],
      ...[...lines, '', 'Please say yes, no or another day on your page, or call us.'],
    ].join('\n'),
  };
}

/** A plain message to a client whose job ends on another day than they go by. */
export function sayEndWord(job: string, before: Day | null, end: Day, today: Day): { title: string; body: string } {
  const on = formatDay(end, today);
  const now = `By the plan of today the work at ${job} ends ${on}`;
  const than = before === null ? '' : `, ${end > before ? 'later' : 'earlier'} than ${formatDay(before, today)}`;
  return { title: `${job}: the work ends ${on}`, body: `${now}${than && `${than}, which we told you before`}.` };
}

/** What an office reads of a visit that the plan cannot keep, or that it keeps after all. */
export function sayOfficeWord(visit: { job: string; what: string; when: string; off: boolean; call: string }): {
  title: string;
  body: string;
} {
  const { job, what, when, off, call } = visit;
  const booked = `Your visit for ${what} at ${job} is booked for ${when}.`;
  return off
    ? {
        title: `${job}: ${what} cannot be seen ${when}`,
        body:
          `${booked} By the plan of today it is not ready by then: please do not come for it that day, and give us ` +
          `another${call ? `: ${call}` : ''}.`,
      }
    : {
        title: `${job}: ${what} holds, ${when}`,
        body: `${booked} We wrote that it could not be kept: it can, please come.`,
      };
}

/** What neighbours read where days they were told of have moved. @param lines what moved, as sentences */
export const sayNeighbourWord = (
  place: string,
  lines: readonly string[],
  call: string,
): { title: string; body: string } => ({
  title: `Building work at ${place}: other days`,
  body: [
    'Some days are other than we wrote:',
    '',
    ...lines.map((line) => `- ${line}`),
    '',
    `All days are on your page${call ? `; or call ${call}` : ''}.`,
  ].join('\n'),
});
