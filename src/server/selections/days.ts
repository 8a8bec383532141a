import { addDays, formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { requireRow, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

/** Days before the first day of work on which something may come: material is there on day one. */
const AHEAD = 365;

/** Nothing comes to a site long before the job begins: such a day is a slip of the finger. */
export function requireDayInJob(context: CommandContext, job: string, day: Day | undefined, field: string): void {
  if (day === undefined) return;
  const { start_day, name } = requireRow(context, 'job', job, 'job');
  if (day < addDays(start_day, -AHEAD))
    throw unprocessable(
      'before-the-job',
      `${name} begins on ${formatDay(start_day, day)}; nothing comes to it more than a year before. Check the day.`,
      field,
    );
}

/** What is written down as done was done today or before. */
export function requirePastDay(context: CommandContext, day: Day, field: string): void {
  const now = today(context.installation);
  if (day > now)
    throw unprocessable(
      'in-the-future',
      `${formatDay(day, now)} is still to come; it is written down on the day it happens.`,
      field,
    );
  if (day < addDays(now, -1500)) throw unprocessable('long-ago', 'A day four years ago cannot be meant.', field);
}
