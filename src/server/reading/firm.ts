import type { Role } from '@/contract/command';
import type { PlanProblem } from '@/contract/views/plan';
import type { InspectionKind } from '@/core/sequence/inspections';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Closure } from '@/core/selections/order-by';
import { groupBy } from '@/core/group-by';
import type { Day } from '@/core/units/day';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { ofFirm, type FirmReading } from './reading';

/** What belongs to the firm and to no job. */

export const firmRow = ofFirm(({ db }) => queryOne<Rows['firm']>(db, 'SELECT * FROM firm'));

/** The people who are let in, in the order in which they came. */
export const peopleOf = ofFirm(({ db }) =>
  queryAll<Pick<Rows['person'], 'id' | 'name' | 'email' | 'phone'> & { role: Role }>(
    db,
    `SELECT id, name, role, email, phone FROM person WHERE state = 'active' AND role <> 'sub' ORDER BY rowid`,
  ),
);

/** The same with how they come in; who has left comes last. */
export const accountRows = ofFirm(({ db }) =>
  queryAll<Omit<Rows['person'], 'password_hash' | 'own_link'> & { joined: 0 | 1 }>(
    db,
    `SELECT id, name, role, sub, email, phone, state, sees_prices, version, password_hash IS NOT NULL AS joined
      FROM person ORDER BY state = 'closed', rowid`,
  ),
);

/** Who was taken out of everything, the newest first. */
export const erasureRows = ofFirm(({ db }) =>
  queryAll<Rows['erasure']>(db, 'SELECT * FROM erasure ORDER BY id DESC LIMIT 20'),
);

/** The jobs of those who see only theirs. */
export const jobsOfPeople = ofFirm(({ db }) =>
  groupBy(queryAll<Rows['person_job']>(db, 'SELECT person, job FROM person_job'), ({ person }) => person as string),
);

export const personNames = ofFirm(
  (firm): ReadonlyMap<string, string> => new Map(accountRows(firm).map(({ id, name }) => [id, name])),
);

export const subRows = ofFirm(({ db }) => queryAll<Rows['sub']>(db, 'SELECT * FROM sub ORDER BY name, id'));

export const supplierRows = ofFirm(({ db }) => queryAll<Rows['supplier']>(db, 'SELECT * FROM supplier ORDER BY name'));

/** Closed days by supplier, the nearest first. */
export const closureRows = ofFirm(({ db }) =>
  groupBy(
    queryAll<Rows['supplier_closure']>(db, 'SELECT * FROM supplier_closure ORDER BY first_day'),
    (row) => row.supplier as string,
  ),
);

/** Closed days by supplier, as dates are counted by. */
export const closuresOf = ofFirm(
  (firm): ReadonlyMap<string, Closure[]> =>
    new Map(
      [...closureRows(firm)].map(([supplier, list]) => [
        supplier,
        list.map((row) => ({ firstDay: row.first_day, lastDay: row.last_day })),
      ]),
    ),
);

export const holidayRows = ofFirm(({ db }) => queryAll<Rows['holiday']>(db, 'SELECT * FROM holiday ORDER BY day'));

export const holidaysOf = ofFirm((firm): ReadonlySet<Day> => new Set(holidayRows(firm).map((row) => row.day)));

/** The trades that the steps of open jobs need, by name. */
export const tradesNeeded = ofFirm(({ db }): Trade[] =>
  queryAll<{ trade: Trade }>(
    db,
    `SELECT DISTINCT step.trade
      FROM step
      JOIN area ON area.id = step.area
      JOIN job ON job.id = area.job
      WHERE job.removed = 0 AND job.example = 0 AND job.state <> 'closed' AND step.trade <> 'nobody'
      ORDER BY step.trade`,
  ).map((row) => row.trade),
);

/** What a house has of its own that shows how far it is past its first hour; 1 for what is there. */
export const pastFirstHour = ofFirm(
  ({ db }): { areas: number; walked: number; told: number } =>
    queryOne(
      db,
      `WITH real AS (SELECT id FROM job WHERE example = 0 AND removed = 0)
        SELECT EXISTS (SELECT 1 FROM area WHERE job IN real) AS areas,
               EXISTS (SELECT 1 FROM walk WHERE job IN real AND finished_at IS NOT NULL) AS walked,
               EXISTS (SELECT 1 FROM job_update WHERE job IN real AND state = 'sent') AS told`,
    ) ?? { areas: 0, walked: 0, told: 0 },
);

export type Office = Omit<Rows['office'], 'phases' | 'weekdays' | 'kinds'> & {
  phases: Phase[];
  weekdays: number[];
  kinds: InspectionKind[];
};

/** The offices, with what each inspects; of two that inspect the same the first named. */
export const officesOf = ofFirm(({ db }): Office[] =>
  queryAll<Rows['office']>(db, 'SELECT * FROM office ORDER BY rowid').map((row) => ({
    ...row,
    phases: JSON.parse(row.phases) as Phase[],
    weekdays: JSON.parse(row.weekdays) as number[],
    kinds: JSON.parse(row.kinds) as InspectionKind[],
  })),
);

export type Plant = Omit<Rows['plant'], 'phases'> & { phases: Phase[] };

export const plantRows = ofFirm(({ db }): Plant[] =>
  queryAll<Rows['plant']>(db, 'SELECT * FROM plant ORDER BY rowid').map((row) => ({
    ...row,
    phases: JSON.parse(row.phases) as Phase[],
  })),
);

/** When plant is away from today on, by what is away, the nearest first. */
export const plantDownRows = ofFirm(({ db, today }) =>
  groupBy(
    queryAll<Rows['plant_down']>(db, 'SELECT * FROM plant_down WHERE last_day >= @today ORDER BY first_day', { today }),
    (row) => row.plant,
  ),
);

/** The outlook from today on. */
export const outlookRows = ofFirm(({ db, today }) =>
  queryAll<Rows['outlook']>(db, 'SELECT * FROM outlook WHERE day >= @today ORDER BY day, half', { today }),
);

/** What is wrong with the plan; null where nothing is. `stale`: no newer one could be made than the one that is shown. */
export const planProblem = ofFirm(({ db }): PlanProblem | null => {
  const row = queryOne<{ code: string; message: string }>(db, 'SELECT code, message FROM plan_problem');
  return row ? { message: row.message, stale: row.code !== LEFT_OUT } : null;
});

/** The code of a problem with a plan that holds all but what it names. */
export const LEFT_OUT = 'left-out';

/** Names of the jobs that are not closed, in their order. */
/** Every job that was not removed. */
export const keptJobs = ofFirm(({ db }) =>
  queryAll<Pick<Rows['job'], 'id' | 'name'>>(db, 'SELECT id, name FROM job WHERE removed = 0 ORDER BY position, id'),
);

export const openJobRows = ofFirm(({ db, sees }) =>
  queryAll<Pick<Rows['job'], 'id' | 'name' | 'state' | 'weight' | 'units'>>(
    db,
    `SELECT id, name, state, weight, units FROM job WHERE removed = 0 AND state <> 'closed' ORDER BY position`,
  ).filter(({ id }) => sees.jobs === null || sees.jobs.has(id)),
);

/** The search for a better plan: how far it is, or how it ended. */
export const searchRow = ofFirm(({ db }) =>
  queryOne<Omit<Rows['plan_search'], 'found'>>(
    db,
    'SELECT id, state, schedules, seed, made, words, asked_at, better_than FROM plan_search',
  ),
);

/** How many days of each month the weather usually takes. */
export const normalRows = ofFirm(({ db }) => queryAll<Rows['normal']>(db, 'SELECT * FROM normal ORDER BY month'));

/** Where a sub's own calendar was read from, by sub. */
export const busySources = ofFirm(
  ({ db }) =>
    new Map(queryAll<Rows['busy_source']>(db, 'SELECT * FROM busy_source').map((row) => [row.sub as string, row])),
);

/** Calendars that others follow. */
export const feedRows = ofFirm(({ db }) =>
  queryAll<Rows['feed']>(db, 'SELECT * FROM feed WHERE closed_at IS NULL ORDER BY made_at'),
);

/** Jobs that are over, the newest first. */
export const closedJobs = ofFirm(({ db }) =>
  queryAll<Pick<Rows['job'], 'id' | 'name'>>(
    db,
    `SELECT id, name FROM job WHERE removed = 0 AND state = 'closed' ORDER BY position DESC`,
  ),
);

/** Jobs that were removed, the newest first. */
export const removedJobs = ofFirm(({ db }) =>
  queryAll<Pick<Rows['job'], 'id' | 'name'>>(db, 'SELECT id, name FROM job WHERE removed = 1 ORDER BY position DESC'),
);

/** Who writes: the contractor, with the number under which they are called; empty where they gave none. */
export function writerOf(firm: FirmReading): { firm: string; name: string; phone: string } {
  const contractor = peopleOf(firm).find(({ role }) => role === 'contractor');
  return { firm: firmRow(firm)?.name ?? '', name: contractor?.name ?? '', phone: contractor?.phone ?? '' };
}
