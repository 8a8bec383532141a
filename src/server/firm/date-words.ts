import { dateWordsOf } from '@/core/units/date-languages';
import { ENGLISH, writeDatesIn, type DateWords } from '@/core/units/date-words';
import type { Connection } from '../database/open';
import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';

const known = new Map<string, DateWords>();

/** How the firm writes days and hours. */
export function datesOfFirm(db: Connection): DateWords {
  const firm = queryOne<Pick<Rows['firm'], 'dates' | 'clock_hours'>>(db, 'SELECT dates, clock_hours FROM firm');
  if (!firm) return ENGLISH;
  const key = `${firm.dates} ${firm.clock_hours}`;
  const words = known.get(key) ?? dateWordsOf(firm.dates, firm.clock_hours);
  known.set(key, words);
  return words;
}

/** From now on this process, or this thread, writes days and hours as the firm does. */
export const writeAsFirm = (db: Connection): void => writeDatesIn(datesOfFirm(db));
