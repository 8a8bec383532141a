import { today } from '../zone';
import { insert, queryOne, execute } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, prepared } from '../door/handler';
import type { PinVerdict } from '../door/prepared';
import { notFound, unprocessable, type Refusal } from '../refusal';

const refusalOf = ({ code, message, field }: Extract<PinVerdict, { code: string }>): Refusal =>
  code === 'unknown-id' ? notFound('piece of work', field) : unprocessable(code, message, field);

/** What was pinned of the parts of a step goes with them. */
export const dropPinsOfParts = (db: Connection, job: string, step: string): void =>
  void execute(db, 'DELETE FROM pin WHERE job = @job AND task LIKE @tasks', { job, tasks: `${step}~%` });

export const pinHandlers = handlers({
  'pin.set': (context, { task, day, half, reason }) => {
    if (day < today(context.installation))
      throw unprocessable('pin-past', 'That day is over; choose today or a later one.', 'day');
    const at = half === 1 ? 1 : 0;
    const verdict = prepared(context, 'pin.set');
    if ('code' in verdict) throw refusalOf(verdict);
    execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
    insert(context.db, 'pin', { task, job: verdict.job, day, half: at, reason, made_at: context.now });
    context.replan(verdict.job, `${verdict.label} was pinned: ${reason}`);
  },
  'pin.drop': (context, { task }) => {
    const pin = queryOne<{ job: string }>(context.db, 'SELECT job FROM pin WHERE task = @task', { task });
    if (!pin) throw notFound('pin', 'task');
    execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
    context.replan(pin.job, 'a pin was taken out');
  },
});
