import { queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { KeptReadings, Source } from './reading';

/** How many readings are kept at once: some of every job that somebody looks at. */
const MOST = 24;

const kept = new WeakMap<Connection, { moment: string; readings: KeptReadings }>();

/**
 * A source whose readings are shared by all who look while nothing is written: several pages of one moment, and the same page
 * for several people, are made from one reading. To be asked inside a read transaction that writes nothing.
 */
export function sharing<Given extends Source>(source: Given): Given & { kept: KeptReadings } {
  const { db } = source;
  const now = momentOf(db);
  const known = kept.get(db);
  if (known?.moment === now && known.readings.size <= MOST) return { ...source, kept: known.readings };
  const readings: KeptReadings = new Map();
  kept.set(db, { moment: now, readings });
  return { ...source, kept: readings };
}

/** Says whether anything was written, by this connection or another one. */
function momentOf(db: Connection): string {
  const { own } = queryOne<{ own: number }>(db, 'SELECT total_changes() AS own') ?? { own: 0 };
  return `${String(db.pragma('data_version', { simple: true }))} ${own}`;
}
