import { formatDay } from '@/core/units/day';
import { execute, insert, orNull } from '../database/query';
import { handlers, requireRow } from '../door/handler';
import { unprocessable } from '../refusal';
import { today } from '../zone';

/** What stands in for something the household is without; no work waits for it. */
export const provisionHandlers = handlers({
  'provision.add': (context, { id, job, need, words, fromDay, untilDay, dayCost }) => {
    requireRow(context, 'job', job, 'job');
    const on = today(context.installation);
    if (untilDay && untilDay < on)
      throw unprocessable('provision-over', `${formatDay(untilDay, on)} is over; say a day to come.`, 'untilDay');
    context.logFor(job);
    insert(context.db, 'provision', {
      ...{ id, job, need, words },
      ...{ from_day: fromDay, until_day: orNull(untilDay), day_cost: dayCost },
    });
  },
  'provision.drop': (context, { id }) => {
    context.logFor(requireRow(context, 'provision', id, 'provision').job);
    execute(context.db, 'DELETE FROM provision WHERE id = @id', { id });
  },
});
