import { addDays, formatDay, type Day } from '@/core/units/day';
import { today } from '../zone';
import { requireRow, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

/** Nothing comes to a site before the job begins. */
export function requireDayInJob(context: CommandContext, job: string, day: Day | undefined, field: string): void {
  if (day === undefined) return;
  const { start_day, name } = requireRow(context, 'job', job, 'job');
  if (day < start_day)
    throw unprocessable(
      'before-the-job',
      `${name} begins on ${formatDay(start_day, day)}; nothing comes to it before. Give that day or a later one.`,
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
