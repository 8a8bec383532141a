import { subOf } from '@/core/sequence/crews';
import type { Plan, PlannedTask } from '@/core/schedule/plan';
import { isAfternoon, dayOfSlot } from '@/core/units/slot';
import { sayWork } from '@/core/words/work';
import { queryAll, execute } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** What calendars outside know of one piece of work. */
export type EventRow = Rows['calendar_event'];

const eventOf = (
  plan: Pick<Plan, 'origin'>,
  task: PlannedTask,
): Omit<EventRow, 'sequence' | 'cancelled' | 'changed_at'> => ({
  task: task.id,
  job: task.job,
  sub: subOf(task.crew),
  label: sayWork(task.work),
  first_day: dayOfSlot(plan.origin, task.start),
  first_half: isAfternoon(task.start) ? 1 : 0,
  last_day: dayOfSlot(plan.origin, task.finish - 1),
  last_half: isAfternoon(task.finish - 1) ? 1 : 0,
});

/** What a new plan changes of what calendars outside know. */
export interface EventChanges {
  told: Omit<EventRow, 'sequence' | 'cancelled' | 'changed_at'>[];
  cancelled: string[];
}

type Moment = Pick<EventRow, 'first_day' | 'first_half'>;
const isBefore = (one: Moment, other: Moment): boolean =>
  one.first_day < other.first_day || (one.first_day === other.first_day && one.first_half < other.first_half);

/** Begun work keeps the day it began, which was today at the latest, whenever it had been planned to begin. */
function begun(
  { origin }: Pick<Plan, 'origin'>,
  made: Omit<EventRow, 'sequence' | 'cancelled' | 'changed_at'>,
  row: EventRow,
): typeof made {
  const { first_day, first_half } = row;
  return first_day <= origin ? { ...made, first_day, first_half } : { ...made, first_day: origin, first_half: 0 };
}

/** Done work was over by the half-day that ended it, whatever had been planned for it after that. */
function done(plan: Pick<Plan, 'origin'>, task: PlannedTask, row: EventRow): ReturnType<typeof eventOf> | undefined {
  const end = { first_day: dayOfSlot(plan.origin, task.floor), first_half: isAfternoon(task.floor) ? 1 : 0 } as const;
  const planned = { first_day: row.last_day, first_half: row.last_half };
  if (!isBefore(end, planned)) return undefined;
  const { sequence: _, cancelled: __, changed_at: ___, ...event } = row;
  const first = isBefore(end, row) ? end : { first_day: row.first_day, first_half: row.first_half };
  return { ...event, ...first, last_day: end.first_day, last_half: end.first_half };
}

/**
 * What is to be told to calendars outside after a plan: a piece of work keeps its event, and every change counts its
 * sequence up. What is under way keeps the day it began; what is done ends when it was done; what is no longer planned
 * is cancelled.
 */
export function eventChanges(db: Connection, plan: Plan): EventChanges {
  const jobs = [...new Set(plan.tasks.map((task) => task.job))];
  const known = new Map(
    queryAll<EventRow>(
      db,
      `SELECT *
        FROM calendar_event
        WHERE cancelled = 0 OR job IN (SELECT value FROM json_each(@jobs))`,
      { jobs: JSON.stringify(jobs) },
    ).map((row) => [row.task, row]),
  );
  const told: EventChanges['told'] = [];
  for (const task of plan.tasks) {
    const row = known.get(task.id);
    known.delete(task.id);
    if (task.state === 'done') {
      const event = row && row.cancelled === 0 ? done(plan, task, row) : undefined;
      if (event) told.push(event);
      continue;
    }
    if (task.duration === 0) continue;
    const made = eventOf(plan, task);
    const event = task.state === 'under-way' && row ? begun(plan, made, row) : made;
    const same =
      row?.cancelled === 0 && (Object.keys(event) as (keyof typeof event)[]).every((key) => row[key] === event[key]);
    if (!same) told.push(event);
  }
  // What is over was as it was, also where its step or its job is planned no more.
  const gone = [...known.values()].filter((row) => row.cancelled === 0 && row.last_day >= plan.origin);
  return { told, cancelled: gone.map(({ task }) => task) };
}

export function writeEventChanges(db: Connection, { told, cancelled }: EventChanges, now: string): void {
  for (const event of told)
    execute(
      db,
      `INSERT INTO calendar_event (task, job, sub, label, first_day, first_half, last_day, last_half, sequence,
          cancelled, changed_at)
        VALUES (@task, @job, @sub, @label, @first_day, @first_half, @last_day, @last_half, 0, 0, @now)
        ON CONFLICT (task) DO UPDATE SET job = excluded.job, sub = excluded.sub, label = excluded.label,
          first_day = excluded.first_day, first_half = excluded.first_half, last_day = excluded.last_day,
          last_half = excluded.last_half, sequence = sequence + 1, cancelled = 0, changed_at = excluded.changed_at`,
      { ...event, now },
    );
  for (const task of cancelled)
    execute(
      db,
      `UPDATE calendar_event
        SET cancelled = 1, sequence = sequence + 1, changed_at = @now
        WHERE task = @task`,
      { task, now },
    );
}
