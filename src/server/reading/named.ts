import type { InWallKind } from '@/core/walks/observation';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';

/** What is found by its name: of the jobs that are open all of it, of closed ones what has every word that is asked for. */

/** How many of each kind are found in closed jobs. */
const MOST = 12;

/** The condition and the bound for open or closed jobs, over a label that has to have every word. */
const within = (label: string, which: 'open' | 'closed'): string =>
  which === 'open'
    ? `job.removed = 0 AND job.state <> 'closed' ORDER BY job.position`
    : `job.removed = 0 AND job.state = 'closed' AND NOT EXISTS (
        SELECT 1 FROM json_each(@words) AS word WHERE instr(lower(${label}), word.value) = 0)
      ORDER BY job.position DESC
      LIMIT ${MOST}`;

const AREA = `area.name || ', ' || job.name`;

export const roomRows = (
  db: Connection,
  which: 'open' | 'closed',
  words: readonly string[] = [],
): { label: string; job: string; area: string }[] =>
  queryAll(
    db,
    `SELECT ${AREA} AS label, job.id AS job, area.id AS area
      FROM area
      JOIN job ON job.id = area.job
      WHERE ${within(AREA, which)}`,
    { words: JSON.stringify(words) },
  );

const SELECTION = `category || ', ' || choice || ', ' || area.name`;

export const selectionLabels = (
  db: Connection,
  which: 'open' | 'closed',
  words: readonly string[] = [],
): { label: string; job: string; id: string }[] =>
  queryAll(
    db,
    `SELECT ${SELECTION} AS label, selection.job, selection.id
      FROM selection
      JOIN area ON area.id = selection.area
      JOIN job ON job.id = selection.job
      WHERE selection.removed = 0 AND ${within(`${SELECTION} || ' ' || job.name`, which)}`,
    { words: JSON.stringify(words) },
  );

const ORDER = `'PO ' || number || ', ' || supplier.name || ', ' || job.name`;

/** Purchase orders by the number that suppliers quote. */
export const orderLabels = (
  db: Connection,
  which: 'open' | 'closed',
  words: readonly string[] = [],
): { label: string; job: string; id: string }[] =>
  queryAll(
    db,
    `SELECT ${ORDER} AS label, purchase_order.job, purchase_order.id
      FROM purchase_order
      JOIN supplier ON supplier.id = purchase_order.supplier
      JOIN job ON job.id = purchase_order.job
      WHERE ${within(ORDER, which)}`,
    { words: JSON.stringify(words) },
  );

const IN_WALL = `CASE WHEN seen.text > '' THEN ' ' || seen.text ELSE '' END || ', ' || area.name || ' wall ' ||
  (json_extract(seen.facts, '$.wall') + 1) || ', ' || job.name`;

/** What is recorded in walls; the label begins after the word for its kind. */
export const inWallRows = (
  db: Connection,
  which: 'open' | 'closed',
  words: readonly string[] = [],
): { label: string; what: InWallKind; wall: number; area: string; job: string }[] =>
  queryAll(
    db,
    `SELECT ${IN_WALL} AS label, json_extract(seen.facts, '$.what') AS what, json_extract(seen.facts, '$.wall') AS wall,
        seen.area, seen.job
      FROM job
      JOIN standing ON standing.job = job.id AND standing.matter >= 'thing:' AND standing.matter < 'thing;'
      JOIN observation AS seen ON seen.id = standing.observation
      JOIN area ON area.id = seen.area
      WHERE ${within(`json_extract(seen.facts, '$.what') || ${IN_WALL}`, which)}`,
    { words: JSON.stringify(words) },
  );
