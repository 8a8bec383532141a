import { execute, insert, orNull } from '../database/query';
import { handlers, requireAreaOf, requireRow } from '../door/handler';
import { unprocessable } from '../refusal';
import { today } from '../zone';

/** Times of quiet of those who live there or beside it. */
export const quietHandlers = handlers({
  'quiet.add': (context, { id, job, area, covers, half, weekdays, firstDay, lastDay, words, observation, meant }) => {
    requireRow(context, 'job', job, 'job');
    if (area) requireAreaOf(context, job, area);
    if (lastDay && lastDay < today(context.installation))
      throw unprocessable('quiet-over', 'That time is over; say one that reaches to today or later.', 'lastDay');
    if (covers === 'all' && !area && half === '' && weekdays.length === 0 && !lastDay && !meant)
      throw unprocessable(
        'quiet-for-good',
        'Then nobody could ever work there: say until when, which half of the day, or on which days of the week.',
        'lastDay',
      );
    insert(context.db, 'quiet', {
      ...{ id, job, area: orNull(area), covers, half: half === '' ? null : half === '1' ? 1 : 0 },
      ...{ weekdays: JSON.stringify([...new Set(weekdays)].sort()), first_day: firstDay, last_day: orNull(lastDay) },
      ...{ words, observation: orNull(observation) },
    });
    context.replan(job, { kind: 'quiet', what: 'asked', text: words });
  },
  'quiet.drop': (context, { id }) => {
    const { job, words } = requireRow(context, 'quiet', id, 'time of quiet');
    execute(context.db, 'DELETE FROM quiet WHERE id = @id', { id });
    context.replan(job, { kind: 'quiet', what: 'over', text: words });
  },
});
