import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';

/** The number of the newest entry in the log. */
export const newestChange = (db: Connection): number =>
  queryOne<{ seq: number | null }>(db, 'SELECT max(seq) AS seq FROM command_log')?.seq ?? 0;

/** Whether anything was written after an entry that may change what is told of a job: what became of letters does not. */
export const isChangedSince = (db: Connection, seq: number, job: string): boolean =>
  queryOne(
    db,
    `SELECT 1 FROM command_log WHERE seq > @seq AND who <> 'gateway' AND (job IS NULL OR job = @job) LIMIT 1`,
    { seq, job },
  ) !== undefined;

export interface LoggedChange {
  seq: number;
  id: string;
  type: string;
  applied_at: string;
  payload: string;
  /** Who of the firm did it; null for somebody outside and for what came by itself. */
  name: string | null;
  /** Whether it left rows behind that can be put back. */
  rows: 1 | null;
  taken_back_by: string | null;
}

/** The newest changes of a job, before a number where one is given; what only takes back is left out. */
export const changesOfJob = (db: Connection, job: string, most: number, before?: number): LoggedChange[] =>
  queryAll<LoggedChange>(
    db,
    `SELECT command_log.seq, command_log.id, type, applied_at, payload, person.name,
        CASE WHEN command_inverse.rows IS NOT NULL THEN 1 END AS rows, taken_back_by
      FROM command_log
      LEFT JOIN person ON who = 'person:' || person.id
      LEFT JOIN command_inverse ON command_inverse.seq = command_log.seq
      WHERE job = @job AND command_log.seq < @before AND type <> 'undo' AND who <> 'gateway'
      ORDER BY command_log.seq DESC
      LIMIT @most`,
    { job, most, before: before ?? Number.MAX_SAFE_INTEGER },
  );

export interface HeardChange {
  seq: number;
  type: string;
  job: string;
  applied_at: string;
  payload: string;
  /** Whose link it came by, or who of the firm did it. */
  name: string;
}

/** So many entries are looked through: what it costs does not grow with the log. */
const LOOKED_BACK = 2_000;

/**
 * What people outside did by their links and colleagues ended on site since a moment, the newest first.
 * @param own what whoever asks is called in the log: their own is no news to them
 */
export const heardSince = (db: Connection, since: string, own: string, most: number): HeardChange[] =>
  queryAll<HeardChange>(
    db,
    `SELECT seq, type, command_log.job, applied_at, payload,
        coalesce(share_link.recipient, person.name, 'somebody outside') AS name
      FROM command_log
      LEFT JOIN share_link ON who = 'link:' || share_link.id
      LEFT JOIN person ON who = 'person:' || person.id AND type = 'walk.finish'
      WHERE seq > (SELECT max(seq) FROM command_log) - ${LOOKED_BACK} AND applied_at >= @since AND who <> @own
        AND command_log.job IS NOT NULL AND (who LIKE 'link:%' OR person.id IS NOT NULL)
      ORDER BY seq DESC
      LIMIT @most`,
    { since, own, most },
  );
