import type { Day } from '@/core/units/day';
import { execute } from '../database/query';
import type { Connection } from '../database/open';
import { flag, orNull } from '../database/query';
import { handlers } from '../door/handler';

/** What moved was told today by the rule of the hour. */
export const toldByHour = (db: Connection, day: Day): void =>
  void execute(db, 'UPDATE firm SET told_on = @day', { day });

export const newsRuleHandlers = handlers({
  'firm.set-news-rules': (context, { tellHour, tellSoon, remindSubDays, remindClientDays }) =>
    void execute(
      context.db,
      `UPDATE firm
        SET tell_hour = @hour, tell_soon = @soon, remind_sub_days = @subDays, remind_client_days = @clientDays`,
      {
        ...{ hour: orNull(tellHour), soon: flag(tellSoon) },
        ...{ subDays: orNull(remindSubDays), clientDays: orNull(remindClientDays) },
      },
    ),
});
