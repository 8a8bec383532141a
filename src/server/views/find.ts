import { routes } from '@/contract/routes';
import type { Found } from '@/contract/views/find';
import { CALCULATORS } from '@/core/quantities/registry';
import { TRADES } from '@/core/sequence/trades';
import { IN_WALL_KINDS } from '@/core/walks/observation';
import { inWallRows, orderLabels, roomRows, selectionLabels } from '../reading/named';
import { subRows } from '../reading/firm';
import type { FirmReading } from '../reading/reading';

/** Everything with a name and a place of its own in jobs that are open, and of the firm. */
export const findable = (firm: FirmReading): Found[] => [
  ...CALCULATORS.map(({ name, title }): Found => ({
    label: title,
    kind: 'calculator',
    path: routes.calculator(name),
  })),
  ...seen(firm, roomRows(firm.db, 'open')).map(roomFound),
  ...subRows(firm).map((sub): Found => ({
    label: `${sub.name}, ${TRADES[sub.trade].toLowerCase()}`,
    kind: 'sub',
    path: routes.firm(),
  })),
  ...seen(firm, inWallRows(firm.db, 'open')).map(inWallFound),
  ...seen(firm, selectionLabels(firm.db, 'open')).map(selectionFound),
  ...seen(firm, orderLabels(firm.db, 'open')).map(orderFound),
];

/**
 * What closed jobs have by that name: “where is the backing in the bath's wall 1?” is asked long after the wall was closed.
 * @param asked words that all have to be in it
 */
export function foundInClosed(firm: FirmReading, asked: string): Found[] {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.join('').length < SHORTEST) return [];
  return [
    ...seen(firm, roomRows(firm.db, 'closed', words)).map(roomFound),
    ...seen(firm, inWallRows(firm.db, 'closed', words)).map(inWallFound),
    ...seen(firm, selectionLabels(firm.db, 'closed', words)).map(selectionFound),
    ...seen(firm, orderLabels(firm.db, 'closed', words)).map(orderFound),
  ];
}

/** Those of the jobs that whoever asks may look at. */
const seen = <Row extends { job: string }>({ sees }: FirmReading, rows: readonly Row[]): Row[] =>
  rows.filter(({ job }) => !sees.jobs || sees.jobs.has(job));

/** Fewer letters than that are in too many names to say anything. */
const SHORTEST = 3;

const roomFound = ({ label, job, area }: ReturnType<typeof roomRows>[number]): Found => ({
  label,
  kind: 'area',
  path: routes.room(job, area),
});

const inWallFound = (row: ReturnType<typeof inWallRows>[number]): Found => ({
  label: `${IN_WALL_KINDS[row.what]}${row.label}`,
  kind: 'in a wall',
  path: routes.walls(row.job, row.area, row.wall + 1),
});

const selectionFound = ({ label, job, id }: ReturnType<typeof selectionLabels>[number]): Found => ({
  label,
  kind: 'selection',
  path: routes.selection(job, id),
});

const orderFound = ({ label, job, id }: ReturnType<typeof orderLabels>[number]): Found => ({
  label,
  kind: 'order',
  path: routes.purchaseOrder(job, id),
});
