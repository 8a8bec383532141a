import { formatDay } from '@/core/units/day';
import { isWorkday } from '@/core/units/workday';
import { execute, insert, queryOne } from '../database/query';
import { handlers, requireRow } from '../door/handler';
import { holidaysOf } from '../reading/firm';
import { readHouse } from '../reading/reading';
import { unprocessable } from '../refusal';
import { today } from '../zone';

/** Days off on which a job is worked all the same. */
export const workedDayHandlers = handlers({
  'worked-day.add': (context, { id, job, day, words }) => {
    requireRow(context, 'job', job, 'job');
    const on = today(context.installation);
    if (day < on) throw unprocessable('day-over', `${formatDay(day, on)} is over; say a day to come.`, 'day');
    if (isWorkday(day, holidaysOf(readHouse(context.installation))))
      throw unprocessable(
        'no-day-off',
        `${formatDay(day, on)} is worked anyway; say a Saturday, a Sunday or a holiday.`,
        'day',
      );
    if (queryOne(context.db, 'SELECT 1 FROM worked_day WHERE job = @job AND day = @day', { job, day }))
      throw unprocessable('worked-already', `${formatDay(day, on)} is worked here already.`, 'day');
    insert(context.db, 'worked_day', { id, job, day, words });
    context.replan(job, { kind: 'worked-day', what: 'worked', day });
  },
  'worked-day.drop': (context, { id }) => {
    const { job, day } = requireRow(context, 'worked_day', id, 'day that is worked');
    execute(context.db, 'DELETE FROM worked_day WHERE id = @id', { id });
    context.replan(job, { kind: 'worked-day', what: 'off', day });
  },
});
