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
  ...roomRows(firm.db, 'open').map(roomFound),
  ...subRows(firm).map((sub): Found => ({
    label: `${sub.name}, ${TRADES[sub.trade].toLowerCase()}`,
    kind: 'sub',
    path: routes.firm(),
  })),
  ...inWallRows(firm.db, 'open').map(inWallFound),
  ...selectionLabels(firm.db, 'open').map(selectionFound),
  ...orderLabels(firm.db, 'open').map(orderFound),
];

/**
 * What closed jobs have by that name: “where is the backing in the bath's wall 1?” is asked long after the wall was closed.
 * @param asked words that all have to be in it
 */
export function foundInClosed({ db }: FirmReading, asked: string): Found[] {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.join('').length < SHORTEST) return [];
  return [
    ...roomRows(db, 'closed', words).map(roomFound),
    ...inWallRows(db, 'closed', words).map(inWallFound),
    ...selectionLabels(db, 'closed', words).map(selectionFound),
    ...orderLabels(db, 'closed', words).map(orderFound),
  ];
}

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
