import type { LeftOut } from '../schedule/left-out';
import type { Day } from '../units/day';
import { counted } from './count';
import { sayWait } from './wait';
import { sayWork } from './work';

/** How many of them are named. */
const NAMED = 3;

/**
 * What a plan leaves out, as a sentence that says what to put right. @param nameOf the name of a job
 */
export function sayLeftOut(left: readonly LeftOut[], today: Day, nameOf: (job: string) => string): string {
  const own = left.filter(({ follows }) => !follows);
  const named = own.slice(0, NAMED).map(({ job, work, wait }) => {
    const why = wait ? sayWait(wait, today) : 'nobody has a day for it, or the days it may be done on have run out';
    return `${nameOf(job)}, ${sayWork(work)}: ${why}`;
  });
  const others = own.length - named.length;
  const after = left.length - own.length;
  return (
    `Left out of the plan: ${named.join('; ')}${others > 0 ? `; and ${counted(others, 'piece')} more` : ''}.` +
    (after > 0
      ? ` So ${after === 1 ? 'is' : 'are'} ${counted(after, 'piece')} of work that ${after === 1 ? 'waits' : 'wait'} for it.`
      : '') +
    ' All else is planned. Put the day right, and it comes back.'
  );
}
