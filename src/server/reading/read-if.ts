import type { Connection } from '../database/open';
import { readAhead } from './ahead';
import { readFirm, type FirmReading, type Source } from './reading';

class TakenBack extends Error {}

/**
 * The firm as it would be: something is written, what a plan is made from is read, and all is taken back. The lock is
 * held for the reading alone.
 * @param act writes; it may throw, then nothing is read
 */
export function readIf(source: Source, act: (db: Connection) => void): FirmReading {
  let firm: FirmReading | undefined;
  try {
    source.db
      .transaction(() => {
        act(source.db);
        firm = readFirm({ db: source.db, clock: source.clock });
        readAhead(firm);
        throw new TakenBack();
      })
      .immediate();
  } catch (error) {
    if (!(error instanceof TakenBack)) throw error;
  }
  if (!firm) throw new Error('What would be was not read.');
  return firm;
}
