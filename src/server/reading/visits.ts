import { causesIn, type Cause } from '@/core/schedule/cause';
import type { NotBefore } from '@/core/schedule/network';
import type { Standing, Stood } from '@/core/schedule/calm';
import type { Score } from '@/core/schedule/objective';
import { slotOf, type Slot } from '@/core/units/slot';
import type { Day } from '@/core/units/day';
import { isWorkday, workdaysAfter } from '@/core/units/workday';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { firmRow, holidaysOf, subRows } from './firm';
import { jobRow } from './job';
import { wholePlan } from './plan';
import { ofFirm, ofJob, type FirmReading } from './reading';

export type VisitDay = Rows['visit_day'];

/** Where each visit stands and what was said of it, by its piece of work. */
export const visitDays = ofFirm(
  ({ db }): ReadonlyMap<string, VisitDay> =>
    new Map(queryAll<VisitDay>(db, 'SELECT * FROM visit_day').map((row) => [row.task, row])),
);

/** Of visits of which their office was told something: whether that it cannot be kept. */
export const officesTold = ofFirm(
  ({ db }): ReadonlyMap<string, boolean> =>
    new Map(
      queryAll<Rows['inspection_told']>(db, 'SELECT * FROM inspection_told').map(({ inspection, off }) => [
        inspection,
        off === 1,
      ]),
    ),
);

/** The last day that the client of each job goes by. */
export const endDays = ofFirm(
  ({ db }): ReadonlyMap<string, Rows['end_day']> =>
    new Map(queryAll<Rows['end_day']>(db, 'SELECT * FROM end_day').map((row) => [row.job, row])),
);

/** Working days in which whoever is to come has to be told of a move; what lies beyond is planned anew. */
const NEAR_DAYS = 10;

/** The first half-day after so many working days, today one of them where it is one. */
function afterWorkdays(firm: FirmReading, days: number): Slot {
  const { today } = firm;
  if (days === 0) return 0;
  const holidays = holidaysOf(firm);
  const last = workdaysAfter(today, isWorkday(today, holidays) ? days - 1 : days, holidays);
  return slotOf(today, last, 1) + 1;
}

/** The first half-day that is not frozen, and the first of which nobody need be told. */
export const frozenUntil = ofFirm((firm): Slot => afterWorkdays(firm, firmRow(firm)?.frozen_days ?? 3));
export const nearUntil = ofFirm((firm): Slot => afterWorkdays(firm, NEAR_DAYS));

/**
 * Whether whoever comes has to hear that a visit is on another half-day than they go by: they were told one, or it is in the
 * next two weeks.
 * @param from slots from today on, as `to`
 */
export const mustHear = (firm: FirmReading, row: VisitDay | undefined, from: Slot, to: Slot): boolean =>
  from !== to && ((row !== undefined && row.told_day !== null) || Math.min(from, to) < nearUntil(firm));

/** Whether whoever comes was told the half-day on which a visit stands. */
export const isToldSo = (row: Pick<VisitDay, 'day' | 'half' | 'told_day' | 'told_half'>): boolean =>
  row.told_day === row.day && row.told_half === row.half;

const SAID = { nothing: 'nothing', told: 'told', asked: 'told', confirmed: 'confirmed', declined: 'nothing' } as const;

function stoodOf(today: Day, row: VisitDay): Stood {
  return { slot: slotOf(today, row.day, row.half), said: isToldSo(row) ? SAID[row.said] : 'nothing' };
}

/** Who said no to a day does not come on it; who said from when they could comes no sooner. */
export const declinedWaits = ofJob((job): NotBefore[] => {
  const { firm } = job;
  const names = new Map<string, string>(subRows(firm).map(({ id, name }) => [id, name]));
  return [...visitDays(firm).values()].flatMap(({ task, job: of, crew, said, told_day: day, ...row }): NotBefore[] =>
    of === job.id && said === 'declined' && day !== null && (day >= firm.today || (row.wish_day ?? '') >= firm.today)
      ? [
          {
            task,
            slot: Math.max(
              slotOf(firm.today, day, 1) + 1,
              row.wish_day ? slotOf(firm.today, row.wish_day, row.wish_half ?? 0) : 0,
            ),
            open: false,
            wait: { kind: 'declined', who: names.get(crew) ?? 'Whoever comes', day },
          },
        ]
      : [],
  );
});

/** Visits that were asked for, still stand on that day and wait for an answer; `reminded` where they were asked once more. */
export const unansweredVisits = (db: Connection, today: Day): (VisitDay & { reminded: string | null })[] =>
  queryAll(
    db,
    `SELECT visit_day.*, reminder.at AS reminded
      FROM visit_day
      LEFT JOIN reminder ON reminder.job = visit_day.job AND reminder.about = visit_day.task
      WHERE said = 'asked' AND told_day = day AND told_half = half AND day >= @today
      ORDER BY day, half, task`,
    { today },
  );

/** What a plan keeps to; nothing before there is one. */
export const standingOfVisits = ofFirm((firm): Standing | undefined => {
  const { today } = firm;
  const plan = wholePlan(firm);
  if (!plan) return undefined;
  const rows = visitDays(firm);
  const shift = slotOf(today, plan.origin);
  const stood = new Map<string, Stood>();
  for (const task of plan.tasks) {
    const row = rows.get(task.id);
    if (row?.said === 'declined' || row?.free === 1) continue;
    if (row) stood.set(task.id, stoodOf(today, row));
    // Visits of a plan from before their days were kept stand where it has them.
    else if (rows.size === 0 && task.crew !== null && task.state === 'waiting')
      stood.set(task.id, { slot: task.start + shift, said: 'nothing' });
  }
  return {
    ...{ stood, frozen: frozenUntil(firm), near: Math.max(nearUntil(firm), frozenUntil(firm)) },
    late: (plan.score as Score | undefined)?.late ?? 0,
    pencil: new Set(firm.jobs.filter((job) => jobRow(firm.job(job)).state === 'scoping')),
  };
});

/** What each piece of work was moved because of, by the newest plan that moved it. */
export function lastCauses({ db }: FirmReading, tasks: readonly string[]): Map<string, Cause[]> {
  if (tasks.length === 0) return new Map();
  const rows = queryAll<{ task: string; cause: string }>(
    db,
    `SELECT task, cause
      FROM plan_move
      WHERE id IN (SELECT max(id) FROM plan_move WHERE task IN (SELECT value FROM json_each(@tasks)) GROUP BY task)`,
    { tasks: JSON.stringify(tasks) },
  );
  return new Map(rows.map((row) => [row.task, causesIn(row.cause)]));
}
