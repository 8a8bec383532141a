import type { PastPlace } from '@/contract/past';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { OF_JOBS, ofJob, rowsOf, type FirmReading, type JobReading } from './reading';
import { NEWEST } from './past';

/** What is told to clients and crews, and the links it goes out with. */

export type UpdateRow = Rows['job_update'];

const draftRows = rowsOf<{ job: string; count: number }>(
  `SELECT job, count(*) AS count FROM job_update WHERE state = 'draft' AND job ${OF_JOBS} GROUP BY job`,
);

/** Updates of a job that wait to be sent. */
export const draftCount = ofJob((job): number => draftRows(job)[0]?.count ?? 0);

/** Updates of a job that nobody has sent or dropped, the newest first. */
export const draftUpdates = (job: JobReading): UpdateRow[] =>
  queryAll<UpdateRow>(
    job.firm.db,
    `SELECT * FROM job_update WHERE job = @job AND state = 'draft' ORDER BY made_at DESC, audience`,
    { job: job.id },
  );

/** The newest updates that were sent of a job, before an instant where one is given. */
export const newestSent = (job: JobReading, most: number, before: PastPlace = NEWEST): UpdateRow[] =>
  queryAll<UpdateRow>(
    job.firm.db,
    `SELECT *
      FROM job_update
      WHERE job = @job AND state = 'sent' AND (sent_at, id) < (@at, @id)
      ORDER BY sent_at DESC, id DESC
      LIMIT @most`,
    { job: job.id, ...before, most },
  );

/** Messages that went out with some updates, in their order. */
export const messagesOf = (firm: FirmReading, updates: readonly string[]): Rows['message'][] =>
  queryAll<Rows['message']>(
    firm.db,
    'SELECT * FROM message WHERE job_update IN (SELECT value FROM json_each(@updates)) ORDER BY queued_at',
    { updates: JSON.stringify(updates) },
  );

/** The newest links of a job or of some subs that open today, and the newest of the job's that do not any more. */
export const linkRows = (
  job: JobReading,
  subs: readonly string[],
  most: { open: number; closed: number },
): Rows['share_link'][] =>
  queryAll<Rows['share_link']>(
    job.firm.db,
    `SELECT *
      FROM share_link
      WHERE id IN (
        SELECT id FROM (SELECT id FROM share_link
          WHERE (job = @job OR (audience = 'sub' AND sub IN (SELECT value FROM json_each(@subs))))
            AND expires_on >= @today AND revoked_at IS NULL
          ORDER BY made_at DESC
          LIMIT @open)
        UNION ALL
        SELECT id FROM (SELECT id FROM share_link
          WHERE job = @job AND (expires_on < @today OR revoked_at IS NOT NULL) ORDER BY made_at DESC LIMIT @closed))
      ORDER BY made_at DESC`,
    { job: job.id, subs: JSON.stringify(subs), today: job.firm.today, ...most },
  );

/** Updates that were sent for an audience, the newest first; what went to one sub alone is theirs. */
export const sentUpdates = (job: JobReading, audience: 'client' | 'crew', most: number): UpdateRow[] =>
  queryAll<UpdateRow>(
    job.firm.db,
    `SELECT *
      FROM job_update
      WHERE job = @job AND audience = @audience AND state = 'sent' AND sent_at IS NOT NULL
        AND NOT EXISTS (
          SELECT 1 FROM message JOIN share_link ON share_link.id = message.share_link
          WHERE message.job_update = job_update.id AND share_link.audience = 'sub')
      ORDER BY sent_at DESC
      LIMIT @most`,
    { job: job.id, audience, most },
  );

/** The message that a link went out with. */
export const messageOfLink = (firm: FirmReading, link: string): Rows['message'] | undefined =>
  queryOne<Rows['message']>(firm.db, 'SELECT * FROM message WHERE share_link = @link', { link });
