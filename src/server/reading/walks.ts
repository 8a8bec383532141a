import { dayIn } from '@/core/units/zone';
import type { BinLevel } from '@/core/walks/housekeeping';
import type { Day } from '@/core/units/day';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf } from './reading';

/** Walks of a job and what they left. */

const lastWalkRows = rowsOf<{
  job: string;
  walked_at: string | null;
  open_walk: string | null;
  seen_at: string | null;
}>(
  `SELECT id AS job,
      (SELECT max(started_at) FROM walk WHERE walk.job = job.id AND finished_at IS NOT NULL) AS walked_at,
      (SELECT id FROM walk WHERE walk.job = job.id AND finished_at IS NULL AND dropped = 0 AND kind <> 'scope'
        ORDER BY started_at DESC LIMIT 1) AS open_walk,
      (SELECT at FROM standing_observation AS seen WHERE seen.job = job.id ORDER BY at DESC LIMIT 1) AS seen_at
    FROM job
    WHERE id ${OF_JOBS}`,
);

/** When a job was last walked, the walk that is under way, and when anything was last seen. */
export const lastWalk = ofJob((job): { at: string | null; open: string | null; seen: string | null } => {
  const [row] = lastWalkRows(job);
  return { at: row?.walked_at ?? null, open: row?.open_walk ?? null, seen: row?.seen_at ?? null };
});

/** Who answered for open lines of a check before covering; the newest counts. */
export const signRows = rowsOf<Rows['close_in_sign']>(
  `SELECT * FROM close_in_sign WHERE job ${OF_JOBS} AND removed = 0 ORDER BY signed_at`,
);

/** Spots from which pictures are taken again. */
export const standpointRows = rowsOf<Rows['standpoint']>(
  `SELECT * FROM standpoint WHERE job ${OF_JOBS} AND removed = 0 ORDER BY rowid`,
);

/** Rooms that somebody accepted. */
export const signOffRows = rowsOf<Rows['sign_off']>(`SELECT * FROM sign_off WHERE job ${OF_JOBS} AND removed = 0`);

/** How many words on the bin its filling is counted from. */
const BIN_WORDS = 30;

const closeDownRows = rowsOf<Pick<Rows['site_close_down'], 'job' | 'at' | 'bin'>>(
  `SELECT down.job, down.at, down.bin
    FROM job
    JOIN site_close_down AS down ON down.job = job.id AND down.at >= coalesce(
      (SELECT at FROM site_close_down AS late WHERE late.job = job.id ORDER BY at DESC LIMIT 1 OFFSET ${BIN_WORDS}), '')
    WHERE job.id ${OF_JOBS}
    ORDER BY down.at`,
);

/** How the site was left last; undefined where nobody has said. */
export const lastLeft = ofJob((job) => closeDownRows(job).at(-1));

/** The day on which the state of a site was last recorded. */
export const lastLeftDay = ofJob((job): Day | null => {
  const last = lastLeft(job);
  return last ? dayIn(job.firm.zone, last.at) : null;
});

/** How full the bin was of late, in the order seen. */
export const binLevelsOf = ofJob((job): BinLevel[] =>
  closeDownRows(job).flatMap(({ at, bin }) => (bin === null ? [] : [{ day: dayIn(job.firm.zone, at), level: bin }])),
);
