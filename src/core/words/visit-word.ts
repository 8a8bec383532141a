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

/** A plain message to a client whose job ends on another day than they go by. */
export function sayEndWord(job: string, before: Day | null, end: Day, today: Day): { title: string; body: string } {
  const on = formatDay(end, today);
  const now = `By the plan of today the work at ${job} ends ${on}`;
  const than = before === null ? '' : `, ${end > before ? 'later' : 'earlier'} than ${formatDay(before, today)}`;
  return { title: `${job}: the work ends ${on}`, body: `${now}${than && `${than}, which we told you before`}.` };
}
