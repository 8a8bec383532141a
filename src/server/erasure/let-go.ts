import { queryOne } from '../database/query';
import { dropRecording } from '../files/recordings';
import type { Installation } from '../installation';
import { forgetOriginsBefore } from '../news/links';
import { forgetNeighbours } from '../news/neighbours';
import { forgetRecordings } from '../walks/forget-recordings';

/** Months after which something is let go; for ever where nobody has said. */
interface Kept {
  keep_recordings: number | null;
  keep_origins: number | null;
  keep_neighbours: number | null;
}

/** How many of each were let go. */
export interface LetGo {
  recordings: number;
  origins: number;
  neighbours: number;
}

/** Lets go of what the firm keeps for so many months and no longer. */
export async function letGo(installation: Pick<Installation, 'db' | 'folder'>, now: Date): Promise<LetGo> {
  const { db } = installation;
  const kept = queryOne<Kept>(db, 'SELECT keep_recordings, keep_origins, keep_neighbours FROM firm');
  const older = (months: number | null | undefined, forget: (before: string) => number): number =>
    months ? forget(monthsBefore(now, months)) : 0;
  const hashes = kept?.keep_recordings ? forgetRecordings(db, monthsBefore(now, kept.keep_recordings)) : [];
  for (const hash of hashes) await dropRecording(installation, hash);
  return {
    recordings: hashes.length,
    origins: older(kept?.keep_origins, (before) => forgetOriginsBefore(db, before)),
    neighbours: older(kept?.keep_neighbours, (before) => forgetNeighbours(db, before)),
  };
}

function monthsBefore(now: Date, months: number): string {
  const day = new Date(now);
  day.setUTCMonth(day.getUTCMonth() - months);
  return day.toISOString();
}
