import { update } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** How a job's prices are made and shown. */
export const priceJob = (
  db: Connection,
  job: string,
  terms: Pick<Rows['job'], 'markup' | 'tax_rate' | 'prices_shown' | 'late_cost' | 'site_cost'>,
): void => update(db, 'job', job, terms);
