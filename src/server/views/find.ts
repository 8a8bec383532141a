import { routes } from '@/contract/routes';
import type { Found } from '@/contract/views/find';
import { CALCULATORS } from '@/core/quantities/registry';
import { TRADES } from '@/core/sequence/trades';
import { IN_WALL_KINDS } from '@/core/walks/observation';
import { inWallRows, orderLabels, roomRows, selectionLabels } from '../reading/named';
import { subRows } from '../reading/firm';
import { saidWith, type SaidRow } from '../reading/said';
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

/**
 * What somebody wrote or said, wherever it stands: on walks, in scope, findings, changes, requests, news; and people.
 * @param asked words that all have to be in it
 */
export function saidAnywhere(firm: FirmReading, asked: string): Found[] {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.join('').length < SHORTEST) return [];
  const { jobs } = firm.sees;
  return saidWith(firm.db, words)
    .filter(({ job }) => (job === null ? true : !jobs || jobs.has(job)))
    .filter(({ kind }) => !jobs || OPEN_TO_ALL.has(kind))
    .map((row) => ({ label: row.label, kind: row.kind, path: placeOfSaid(row) }));
}

/** What whoever leads single sites is shown of what was written: the work, not the letters and the people of others. */
const OPEN_TO_ALL: ReadonlySet<SaidRow['kind']> = new Set<SaidRow['kind']>([
  'said on a walk',
  'scope',
  'finding',
  'assumption',
  'added work',
  'decision',
  'request',
  'drawing or permit',
  'neighbour',
]);

function placeOfSaid({ kind, job, at }: SaidRow): Found['path'] {
  if (job === null) return kind === 'supplier' ? routes.suppliers() : routes.firm();
  switch (kind) {
    case 'said on a walk':
      return at ? routes.review(job, at) : routes.walks(job);
    case 'scope':
    case 'drawing or permit':
    case 'other paper':
      return at ? routes.room(job, at) : routes.rooms(job);
    case 'added work':
    case 'decision':
      return at ? routes.room(job, at) : routes.scope(job);
    case 'finding':
      return at ? routes.room(job, at) : routes.firstVisit(job);
    case 'assumption':
      return routes.assumptions(job);
    case 'change':
      return routes.changes(job);
    case 'request':
      return routes.requests(job, at ?? undefined);
    case 'neighbour':
    case 'news':
      return routes.news(job);
    default:
      return routes.rooms(job);
  }
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
