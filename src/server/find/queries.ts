import { routes } from '@/contract/routes';
import type { Found } from '@/contract/views/find';
import { CALCULATORS } from '@/core/quantities/registry';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { IN_WALL_KINDS } from '@/core/walks/observation';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { inEveryWall } from '../reading/records';

/** Everything with a name and a place of its own. */
export function findable({ db }: Installation): Found[] {
  return [
    ...CALCULATORS.map(({ name, title }): Found => ({
      label: title,
      kind: 'calculator',
      path: routes.calculator(name),
    })),
    ...queryAll<{ label: string; job: string; area: string }>(
      db,
      `SELECT area.name || ', ' || job.name AS label, job.id AS job, area.id AS area
        FROM area
        JOIN job ON job.id = area.job
        WHERE job.state <> 'closed'
        ORDER BY job.position, area.position`,
    ).map(({ label, job, area }): Found => ({ label, kind: 'area', path: routes.room(job, area) })),
    ...queryAll<{ name: string; trade: Trade }>(db, 'SELECT name, trade FROM sub ORDER BY name').map((sub) => ({
      label: `${sub.name}, ${TRADES[sub.trade].toLowerCase()}`,
      kind: 'sub',
      path: routes.firm(),
    })),
    // “Where is the backing in the bath's wall 1?”: found again long after the wall was closed.
    ...inEveryWall(db).map((row): Found => ({
      label:
        `${IN_WALL_KINDS[row.what]}${row.text ? ` ${row.text}` : ''}, ${row.name} wall ${row.wall + 1}, ` + row.jobName,
      kind: 'in a wall',
      path: routes.walls(row.job, row.area, row.wall + 1),
    })),
    ...queryAll<{ label: string; job: string; id: string }>(
      db,
      `SELECT category || ', ' || choice || ', ' || area.name AS label, selection.job, selection.id
        FROM selection
        JOIN area ON area.id = selection.area
        WHERE removed = 0`,
    ).map(({ label, job, id }): Found => ({ label, kind: 'selection', path: routes.selection(job, id) })),
  ];
}
