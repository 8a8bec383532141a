import type { Found } from '@/contract/views/find';
import { CALCULATORS } from '@/core/quantities/registry';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { all } from '../database/query';
import type { House } from '../house';

/** Everything with a name and a place of its own. */
export function findable({ db }: House): Found[] {
  return [
    ...CALCULATORS.map(({ name, title }): Found => ({ label: title, kind: 'calculator', path: `/bench/${name}` })),
    ...all<Found>(db, `SELECT area.name || ', ' || job.name AS label, 'area' AS kind, '/jobs/' || job.id || '/areas/' || area.id AS path FROM area JOIN job ON job.id = area.job WHERE job.state <> 'closed' ORDER BY job.position, area.position`),
    ...all<{ name: string; trade: Trade }>(db, 'SELECT name, trade FROM sub ORDER BY name').map((sub) => ({ label: `${sub.name}, ${TRADES[sub.trade].toLowerCase()}`, kind: 'sub', path: '/firm' })),
    ...all<Found>(db, `SELECT category || ', ' || choice || ', ' || area.name AS label, 'selection' AS kind, '/jobs/' || selection.job || '/selections/' || selection.id AS path FROM selection JOIN area ON area.id = selection.area WHERE removed = 0`),
  ];
}
