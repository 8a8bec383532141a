import { queryAll } from '../database/query';
import { ofFirm } from './reading';

/** How many prices of each supplier are known, and when its list was read. */
export const priceLists = ofFirm(
  ({ db }) =>
    new Map(
      queryAll<{ supplier: string; count: number; read_at: string }>(
        db,
        'SELECT supplier, count(*) AS count, max(read_at) AS read_at FROM price GROUP BY supplier',
      ).map((row) => [row.supplier, row]),
    ),
);
