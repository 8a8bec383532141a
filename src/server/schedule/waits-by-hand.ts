import type { NotBefore } from '@/core/schedule/network';
import type { Phase } from '@/core/sequence/phases';
import { gateId, logisticId, taskId, type Site } from '@/core/sequence/site';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import { workdaysAfter } from '../../core/units/workday';
import { officesOf } from './offices';
import type { Rows } from '../database/rows';

/** What work waits for because somebody said so: pins, booked visits, others' days, things on their way, holds. */

export const pinsOf = (db: Connection, job: string, today: Day): NotBefore[] =>
  queryAll<{ task: string; day: Day; half: 0 | 1; reason: string }>(
    db,
    'SELECT task, day, half, reason FROM pin WHERE job = @job AND day >= @today ORDER BY task',
    { job, today },
  ).map((pin) => ({
    task: pin.task,
    slot: slotOf(today, pin.day, pin.half),
    because: pin.reason,
    open: false,
    kind: 'pin' as const,
  }));

/** A booked visit is fixed to its day; one that is not booked yet cannot be before the office's notice is over. */
export function bookingsOf(db: Connection, site: Site, today: Day, holidays: ReadonlySet<Day>): NotBefore[] {
  const booked = new Map(
    queryAll<{ area: string; phase: Phase; day: Day; half: 0 | 1; asked_on: Day }>(
      db,
      `SELECT * FROM inspection WHERE job = @job AND state = 'booked'`,
      { job: site.id },
    ).map((row) => [taskId(row.area, row.phase), row]),
  );
  const offices = new Map(officesOf(db).map((office) => [office.id, office]));
  return site.areas.flatMap((area) =>
    area.track.flatMap((step): NotBefore[] => {
      const office = offices.get(step.office ?? '');
      if (!office || step.fraction >= 1) return [];
      const task = taskId(area.id, step.phase);
      const row = booked.get(task);
      if (row && row.day >= today)
        return [
          {
            task,
            slot: slotOf(today, row.day, row.half),
            because: `${office.name} comes on ${formatDay(row.day, today)}, booked ${formatDay(row.asked_on, today)}`,
            open: false,
            kind: 'pin',
          },
        ];
      if (office.notice_days === 0) return [];
      return [
        {
          task,
          slot: slotOf(today, workdaysAfter(today, office.notice_days, holidays)),
          because:
            `${office.name} wants ${office.notice_days} working ${office.notice_days === 1 ? 'day' : 'days'} of ` +
            'notice, and ' +
            (row ? `nobody has said how the visit on ${formatDay(row.day, today)} went` : 'it is not booked yet'),
          open: row !== undefined,
        },
      ];
    }),
  );
}

/** Work by others is waited for: not before the day they named, and hoped for where they named none. */
export const othersOf = (db: Connection, job: string, today: Day): NotBefore[] =>
  queryAll<{ area: string; phase: Phase; others: string; others_on: Day | null }>(
    db,
    `SELECT step.*
      FROM step
      JOIN area ON area.id = step.area
      WHERE area.job = @job AND others IS NOT NULL
      ORDER BY step.area, step.phase`,
    { job },
  ).flatMap((row) => {
    const expected = row.others_on && row.others_on >= today ? row.others_on : addDays(today, row.others_on ? 1 : 0);
    const when = row.others_on
      ? `${row.others_on < today ? 'had said' : 'said'} ${formatDay(row.others_on, today)}`
      : 'named no day yet';
    return [
      {
        task: taskId(row.area, row.phase),
        slot: slotOf(today, expected),
        because: `${row.others} does it and ${when}`,
        open: true,
      },
    ];
  });

/** A milestone that was given a day is not reached before it. */
export const gateWaits = (db: Connection, job: string, today: Day): NotBefore[] =>
  queryAll<{ id: string; label: string; not_before: Day }>(
    db,
    'SELECT id, label, not_before FROM gate WHERE job = @job AND not_before IS NOT NULL',
    { job },
  ).map((gate) => ({
    task: gateId(gate.id),
    slot: slotOf(today, gate.not_before),
    because: `${gate.label} was set for ${formatDay(gate.not_before, today)}`,
    open: false,
  }));

export const logisticWaits = (db: Connection, job: string, today: Day): NotBefore[] =>
  queryAll<{ id: string; label: string; lead_days: number; state: 'open' | 'booked'; booked_on: Day | null }>(
    db,
    `SELECT * FROM logistic WHERE job = @job AND state IN ('open', 'booked') ORDER BY rowid`,
    { job },
  ).map((row) => {
    if (row.booked_on)
      return {
        task: logisticId(row.id),
        slot: slotOf(today, row.booked_on < today ? today : row.booked_on),
        because: `${row.label} is booked for ${formatDay(row.booked_on, today)}`,
        open: false,
      };
    return {
      task: logisticId(row.id),
      slot: slotOf(today, addDays(today, row.lead_days)),
      because: `${row.label} takes ${row.lead_days} ${row.lead_days === 1 ? 'day' : 'days'} and is not asked for yet`,
      open: true,
    };
  });

type HoldRow = Pick<Rows['hold'], 'area' | 'phase' | 'text' | 'asked_on' | 'expected_on'>;

export function holds(db: Connection, job: string, today: Day): NotBefore[] {
  return queryAll<HoldRow>(db, `SELECT * FROM hold WHERE job = @job AND state = 'open' ORDER BY id`, { job }).map(
    (hold) => {
      // What was expected for a day that has passed is not here yet: tomorrow is the earliest.
      const overdue = hold.expected_on < today;
      const expected = overdue ? addDays(today, 1) : hold.expected_on;
      const asked = hold.asked_on ? `, asked ${formatDay(hold.asked_on, today)}` : '';
      const when = overdue
        ? `was expected ${formatDay(hold.expected_on, today)}`
        : `expected ${formatDay(expected, today)}`;
      return {
        task: taskId(hold.area, hold.phase),
        slot: slotOf(today, expected),
        because: `${hold.text} (${when}${asked})`,
        open: true,
      };
    },
  );
}
