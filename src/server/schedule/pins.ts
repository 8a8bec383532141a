import type { WorkName } from '@/core/schedule/work-name';
import { today } from '../zone';
import { insert, queryOne, execute } from '../database/query';
import type { Connection } from '../database/open';
import type { Day } from '@/core/units/day';
import { handlers, prepared, type CommandContext, type PlanContext } from '../door/handler';
import type { PinVerdict } from '../door/prepared';
import { tasksOf } from '../reading/plan';
import { readJob } from '../reading/reading';
import { notFound, unprocessable, type Refusal } from '../refusal';

const refusalOf = ({ code, message, field }: Extract<PinVerdict, { code: string }>): Refusal =>
  code === 'unknown-id' ? notFound('piece of work', field) : unprocessable(code, message, field);

/** What was pinned of the parts of a step goes with them. */
export const dropPinsOfParts = (db: Connection, job: string, step: string): void =>
  void execute(db, 'DELETE FROM pin WHERE job = @job AND task LIKE @tasks', { job, tasks: `${step}~%` });

/** What a piece of work is by the newest plan; nothing where it is planned no more. */
const workOf = (context: CommandContext, job: string, task: string): WorkName | null =>
  tasksOf(readJob(context.installation, job)).get(task)?.work ?? null;

/** Takes out the days that were fixed for the steps of an area. */
export const dropPinsIn = (db: Connection, job: string, area: string): void =>
  void execute(db, `DELETE FROM pin WHERE job = @job AND task LIKE @tasks`, { job, tasks: `${area}:%` });

function pin(
  context: PlanContext,
  { task, day, half }: { task: string; day: Day; half?: number | undefined },
  reason: string,
  verdict: PinVerdict,
  field: string,
): void {
  if (day < today(context.installation))
    throw unprocessable('pin-past', 'That day is over; choose today or a later one.', field);
  if ('code' in verdict) throw refusalOf(verdict);
  execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
  const at = half === 1 ? 1 : 0;
  insert(context.db, 'pin', { task, job: verdict.job, day, half: at, reason, made_at: context.now });
  context.replan(verdict.job, { kind: 'pin', task, work: verdict.work, what: 'set', why: reason });
}

export const pinHandlers = handlers({
  'pin.set': (context, { task, day, half, reason }) =>
    pin(context, { task, day, half }, reason, prepared(context, 'pin.set'), 'day'),
  'trip.pin': (context, { pins, reason }) => {
    const verdicts = prepared(context, 'trip.pin');
    pins.forEach((one, at) => {
      const verdict = verdicts[at];
      if (verdict) pin(context, one, reason, verdict, `pins[${at}].day`);
    });
  },
  'pin.drop': (context, { task }) => {
    const pin = queryOne<{ job: string; reason: string }>(
      context.db,
      'SELECT job, reason FROM pin WHERE task = @task',
      { task },
    );
    if (!pin) throw notFound('pin', 'task');
    execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
    context.replan(pin.job, {
      kind: 'pin',
      task,
      work: workOf(context, pin.job, task),
      what: 'dropped',
      why: pin.reason,
    });
  },
});
