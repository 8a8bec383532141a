import { currencyOf, type Currency } from '@/core/units/money';
import type { Connection } from './database/open';
import { queryOne } from './database/query';

/** The money the firm counts in, as it is now. */
export const currencyIn = (db: Connection): Currency =>
  currencyOf(queryOne<{ currency: string | null }>(db, 'SELECT currency FROM firm')?.currency ?? null);
