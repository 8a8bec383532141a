import type { Assembly, AssemblyGoods, AssemblyLine } from '@/core/assemblies/assembly';
import { withOwn } from '@/core/assemblies/own';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import type { AreaId } from '@/core/ids';
import { OF_JOBS, ofFirm, ofJob, rowsOf } from './reading';

/** What was set with one sentence and stands, in the order of its making. */
export const assemblyRows = rowsOf<Rows['assembly']>(
  `SELECT * FROM assembly WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

/** What has to be minded where something was set, each once a room. */
export const assemblyCautions = ofJob((job): { job: string; area: AreaId; text: string }[] => {
  const seen = new Set<string>();
  return assemblyRows(job).flatMap(({ area, cautions }) =>
    (JSON.parse(cautions) as string[]).flatMap((text) => {
      const known = seen.size === seen.add(`${area} ${text}`).size;
      return known ? [] : [{ job: job.id, area, text }];
    }),
  );
});

/** What can be set: what ships, with the firm's own in place of it or behind it. */
export const catalogueOf = ofFirm(({ db }): Assembly[] =>
  withOwn(
    queryAll<Rows['own_assembly']>(db, 'SELECT * FROM own_assembly ORDER BY title').map((row) => ({
      ...row,
      lines: JSON.parse(row.lines) as AssemblyLine[],
      goods: JSON.parse(row.goods) as AssemblyGoods[],
    })),
  ),
);

/** What goods cost when they were last priced, by their names, whatever the job. */
export const lastPrices = ofFirm(
  ({ db }): ReadonlyMap<string, number> =>
    new Map(
      queryAll<{ product: string; unit_price: number }>(
        db,
        `SELECT product, unit_price
          FROM calculation
          WHERE product <> '' AND unit_price IS NOT NULL
          ORDER BY rowid`,
      ).map((row) => [row.product, row.unit_price]),
    ),
);
