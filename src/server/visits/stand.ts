import type { Plan } from '@/core/schedule/plan';
import { dayOfSlot, isAfternoon, slotOf } from '@/core/units/slot';
import { addDays, daysBetween, type Day } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { isVisit } from '@/core/schedule/visit';
import { execute, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import type { Connection } from '../database/open';
import type { FirmReading } from '../reading/reading';
import { progressOf } from '../reading/standing';
import { nearUntil, visitDays, type VisitDay } from '../reading/visits';

/** What a new plan changes of where visits stand. */
export interface StandChanges {
  stand: Pick<VisitDay, 'task' | 'job' | 'crew' | 'day' | 'half'>[];
  /** Those who were told a day and have come since. */
  came: Rows['visit_came'][];
  /** Begun, done or planned no more: nothing of them stands ahead. */
  gone: string[];
  /** All stands where the plan has it. */
  anew: boolean;
}

/**
 * Where visits stand after a plan. What nobody was told of and lies beyond the next two weeks follows the plan; what was
 * told, and what stands in the next two weeks, stays where it stood until somebody says the new day: what moves back
 * before that was never anybody's business.
 * @param anew the plan was asked for and taken: all stands where it has it, and what was told otherwise is owed a word
 */
export function standChanges(firm: FirmReading, plan: Plan, anew = false): StandChanges {
  const { today } = firm;
  const known = new Map(visitDays(firm));
  const shift = slotOf(today, plan.origin);
  const near = nearUntil(firm);
  const stand: StandChanges['stand'] = [];
  for (const task of plan.tasks) {
    const row = known.get(task.id);
    if (!isVisit(task)) continue;
    known.delete(task.id);
    const slot = task.start + shift;
    const made = {
      task: task.id,
      job: task.job,
      crew: task.crew ?? '',
      day: dayOfSlot(today, slot),
      half: halfOf(slot),
    };
    const isNew = !row || row.crew !== made.crew;
    const isElsewhere = isNew || row.day !== made.day || row.half !== made.half;
    if (row?.free === 1 || (isElsewhere && (isNew || anew || followsPlan(today, row, slot, near)))) stand.push(made);
  }
  const came = cameOf(firm, plan, known);
  // What a mistyped day leaves out for now is promised all the same.
  for (const { task } of plan.leftOut ?? []) known.delete(task);
  return { stand, came, gone: [...known.keys()], anew };
}

/**
 * When those who were told a day came: on the day where it was seen in time, else in the middle between the walk that did not
 * see it begun and the one that did.
 */
function cameOf(firm: FirmReading, plan: Plan, gone: ReadonlyMap<string, VisitDay>): StandChanges['came'] {
  return plan.tasks.flatMap((task): StandChanges['came'] => {
    const row = gone.get(task.id);
    if (!row?.told_day || (task.state !== 'under-way' && task.state !== 'done')) return [];
    const seen = progressOf(firm.job(task.job))
      .get(task.id)
      ?.readings.find(({ fraction }) => fraction > 0);
    if (!seen) return [];
    const day = dayIn(firm.zone, seen.at);
    const before = queryOne<{ at: string | null }>(
      firm.db,
      'SELECT max(started_at) AS at FROM walk WHERE job = @job AND started_at < @seen AND finished_at IS NOT NULL',
      { job: task.job, seen: seen.at },
    )?.at;
    const from = before && dayIn(firm.zone, before) > row.told_day ? dayIn(firm.zone, before) : row.told_day;
    const came = day <= row.told_day ? day : addDays(from, Math.floor(daysBetween(from, day) / 2));
    return [{ task: task.id, job: task.job, crew: row.crew, told_day: row.told_day, came_day: came }];
  });
}

const halfOf = (slot: number): 0 | 1 => (isAfternoon(slot) ? 1 : 0);

/** Whether nobody relies on where it stood. */
function followsPlan(today: Day, row: VisitDay, slot: number, near: number): boolean {
  if (row.said === 'declined') return true;
  if (row.said !== 'nothing') return false;
  const stood = slotOf(today, row.day, row.half);
  return stood < 0 || (stood >= near && slot >= near);
}

export function writeStandChanges(db: Connection, { stand, came, gone, anew }: StandChanges): void {
  for (const row of came)
    execute(
      db,
      `INSERT OR REPLACE INTO visit_came (task, job, crew, told_day, came_day)
        VALUES (@task, @job, @crew, @told_day, @came_day)`,
      row,
    );
  for (const row of stand)
    execute(
      db,
      // Whoever comes now was told nothing by whoever was to come before; what was told while the plan was made stays told.
      `INSERT INTO visit_day (task, job, crew, day, half) VALUES (@task, @job, @crew, @day, @half)
        ON CONFLICT (task) DO UPDATE SET job = excluded.job, day = excluded.day, half = excluded.half, free = 0,
          said = CASE crew WHEN excluded.crew THEN said ELSE 'nothing' END,
          told_day = CASE crew WHEN excluded.crew THEN told_day END,
          told_half = CASE crew WHEN excluded.crew THEN told_half END,
          said_at = CASE crew WHEN excluded.crew THEN said_at END,
          said_by = CASE crew WHEN excluded.crew THEN said_by ELSE '' END,
          note = CASE crew WHEN excluded.crew THEN note ELSE '' END,
          wish_day = CASE crew WHEN excluded.crew THEN wish_day END,
          wish_half = CASE crew WHEN excluded.crew THEN wish_half END,
          crew = excluded.crew
        WHERE @anew = 1 OR said IN ('nothing', 'declined') OR crew <> excluded.crew`,
      { ...row, anew: anew ? 1 : 0 },
    );
  for (const task of gone) execute(db, 'DELETE FROM visit_day WHERE task = @task', { task });
}
