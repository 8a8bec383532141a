import type { Reader } from '@/contract/commands/news';
import type { PastPlace } from '@/contract/past';
import { addDays, type Day } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf, type FirmReading, type JobReading } from './reading';
import { NEWEST } from './past';

/** What is told to clients and crews, and the links it goes out with. */

export type UpdateRow = Rows['job_update'];

/** When the readers of a job's news were last written to, and what they were told then. */
const toldRows = rowsOf<Rows['told']>(`SELECT * FROM told WHERE job ${OF_JOBS}`);

/** When the reader of a job's news was last written to; undefined where they never were. */
export const toldOf = (job: JobReading, audience: Reader): Rows['told'] | undefined =>
  toldRows(job).find((row) => row.audience === audience);

/** What somebody wrote by hand in the drafts of a job, in the order written. */
export const draftLineRows = rowsOf<Rows['draft_line']>(
  `SELECT * FROM draft_line WHERE job ${OF_JOBS} ORDER BY job, audience, written_at, line`,
);

/**
 * Client and crew, where a walk was finished since they were written to or somebody wrote in their draft; neighbours, where
 * there are some, with when they were written to.
 */
const waitingRows = rowsOf<{ job: string; audience: Reader; told: string }>(
  `SELECT job.id AS job, reader.audience, coalesce(told.at, '') AS told
    FROM job
    JOIN (SELECT 'client' AS audience UNION ALL SELECT 'crew' UNION ALL SELECT 'neighbour') AS reader
    LEFT JOIN told ON told.job = job.id AND told.audience = reader.audience
    WHERE job.id ${OF_JOBS} AND (
      reader.audience <> 'neighbour'
        AND EXISTS (SELECT 1 FROM walk WHERE walk.job = job.id AND walk.finished_at > coalesce(told.at, ''))
      OR reader.audience = 'neighbour'
        AND EXISTS (SELECT 1 FROM neighbour WHERE neighbour.job = job.id AND removed = 0)
      OR EXISTS (SELECT 1 FROM draft_line WHERE draft_line.job = job.id AND draft_line.audience = reader.audience))
    ORDER BY job.id, reader.audience`,
);

/** What neighbours are told reaches two weeks ahead. */
const NEIGHBOUR_DAYS = 14;

/** Who a job's news waits for. */
export const waitingReaders = (job: JobReading): Reader[] =>
  waitingRows(job).flatMap(({ audience, told }) =>
    audience === 'neighbour' && told !== '' && dayIn(job.firm.zone, told) > addDays(job.firm.today, -NEIGHBOUR_DAYS)
      ? []
      : [audience],
  );

/** Who lives beside a job. */
export const neighbourRows = rowsOf<Rows['neighbour']>(
  `SELECT * FROM neighbour WHERE job ${OF_JOBS} AND removed = 0 ORDER BY job, name, id`,
);

type QuestionRow = Rows['question'] & { audience: Rows['share_link']['audience'] };

/** What was asked on pages of a job and nobody has answered, the oldest first. */
export const openQuestions = rowsOf<QuestionRow>(
  `SELECT question.*, share_link.audience
    FROM question
    JOIN share_link ON share_link.id = question.share_link
    WHERE question.job ${OF_JOBS} AND answered_at IS NULL
    ORDER BY asked_at, question.id`,
);

/** Of what somebody was reminded, and when last. */
export const remindedRows = rowsOf<Rows['reminder']>(`SELECT * FROM reminder WHERE job ${OF_JOBS}`);

/** What subs said is done and nobody has looked at, the oldest first. */
export const openDoneWords = rowsOf<Rows['done_word']>(
  `SELECT * FROM done_word WHERE job ${OF_JOBS} AND settled_at IS NULL ORDER BY said_at, id`,
);

/** What was said is done with a sub's links, the newest of each piece of work. */
export const doneWordsOfSub = (firm: FirmReading, sub: string): ReadonlyMap<string, Rows['done_word']> =>
  new Map(
    queryAll<Rows['done_word']>(
      firm.db,
      `SELECT done_word.*
        FROM share_link
        JOIN done_word ON done_word.share_link = share_link.id
        WHERE share_link.sub = @sub
        ORDER BY said_at`,
      { sub },
    ).map((row) => [`${row.area}:${row.phase}`, row]),
  );

/** What was asked and answered on the pages of one who reads them, the oldest first. */
export const questionsOfLink = (firm: FirmReading, link: string): Rows['question'][] =>
  queryAll<Rows['question']>(
    firm.db,
    // Questions are few and links are many: one goes out with each message.
    `SELECT question.*
      FROM question
      JOIN share_link AS other ON other.id = question.share_link
      JOIN share_link AS mine ON mine.id = @link
      WHERE question.job IN (SELECT id FROM job WHERE mine.job IS NULL OR id = mine.job)
        AND other.audience = mine.audience AND other.job IS mine.job AND other.sub IS mine.sub
        AND (other.recipient = mine.recipient OR mine.audience IN ('client', 'sub'))
      ORDER BY asked_at DESC, question.id
      LIMIT 20`,
    { link },
  ).reverse();

/** Whether a link opens. */
export const linkState = (
  link: { revoked_at: string | null; expires_on: Day },
  now: Day,
): 'open' | 'expired' | 'revoked' => (link.revoked_at ? 'revoked' : link.expires_on < now ? 'expired' : 'open');

/** Messages of a job that did not arrive and that nobody has put right. */
export const failedMessages = rowsOf<Rows['message'] & { job: string; audience: Reader; title: string }>(
  `SELECT message.*, job_update.job, job_update.audience, job_update.title
    FROM message
    JOIN job_update ON job_update.id = message.job_update
    WHERE message.state = 'failed' AND job_update.job ${OF_JOBS}
    ORDER BY settled_at DESC`,
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
): (Rows['share_link'] & { own: 0 | 1 })[] =>
  queryAll(
    job.firm.db,
    `SELECT *, EXISTS (SELECT 1 FROM person WHERE own_link = share_link.id) AS own
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

/** Is no answer to a question: those are of whoever asked, and stand beside the question. */
const isNoAnswer = (update: string): string =>
  `NOT EXISTS (SELECT 1 FROM question WHERE question.job_update = ${update})`;

/** Updates that were sent for an audience, the newest first; what went to one sub alone, or to whoever asked, is theirs. */
export const sentUpdates = (job: JobReading, audience: Reader, most: number): UpdateRow[] =>
  queryAll<UpdateRow>(
    job.firm.db,
    `SELECT *
      FROM job_update
      WHERE job = @job AND audience = @audience AND state = 'sent' AND sent_at IS NOT NULL
        AND NOT EXISTS (
          SELECT 1 FROM message JOIN share_link ON share_link.id = message.share_link
          WHERE message.job_update = job_update.id AND share_link.audience = 'sub')
        AND ${isNoAnswer('job_update.id')}
      ORDER BY sent_at DESC
      LIMIT @most`,
    { job: job.id, audience, most },
  );

/** The message that a link went out with; what it was used for later are answers. */
export const messageOfLink = (db: Connection, link: string): Rows['message'] | undefined =>
  queryOne<Rows['message']>(
    db,
    `SELECT * FROM message WHERE share_link = @link AND ${isNoAnswer('message.job_update')}`,
    { link },
  );

/** The jobs that whoever asks may look at, as a list; null for all. */
const seenJobs = ({ sees }: FirmReading): string | null => (sees.jobs ? JSON.stringify([...sees.jobs]) : null);

export type ToldMessage = Rows['message'] &
  Pick<UpdateRow, 'job' | 'title' | 'body'> & { job_name: string; opened: number; opened_at: string | null };

/**
 * Messages to somebody over all jobs, the newest first.
 * @param to part of their name or address; everybody's where it is empty
 */
export const messagesTo = (firm: FirmReading, to: string, most: number, before: PastPlace = NEWEST): ToldMessage[] =>
  queryAll<ToldMessage>(
    firm.db,
    `SELECT message.*, job_update.job, job_update.title, job_update.body, job.name AS job_name,
      share_link.opened, share_link.opened_at
      FROM message
      JOIN job_update ON job_update.id = message.job_update
      JOIN job ON job.id = job_update.job
      JOIN share_link ON share_link.id = message.share_link
      WHERE (queued_at, message.id) < (@at, @id)
        AND (@to = '' OR instr(lower(message.recipient), @to) > 0 OR instr(lower(message.address), @to) > 0)
        AND (@jobs IS NULL OR job_update.job IN (SELECT value FROM json_each(@jobs)))
      ORDER BY queued_at DESC, message.id DESC
      LIMIT @most`,
    { to: to.toLowerCase(), ...before, most, jobs: seenJobs(firm) },
  );

/** Names of those who were written to last, each once. */
export const lastWritten = (firm: FirmReading, most: number): string[] =>
  queryAll<{ recipient: string }>(
    firm.db,
    `SELECT DISTINCT recipient
      FROM (SELECT recipient
        FROM message
        JOIN job_update ON job_update.id = message.job_update
        WHERE @jobs IS NULL OR job_update.job IN (SELECT value FROM json_each(@jobs))
        ORDER BY queued_at DESC
        LIMIT 400)
      LIMIT @most`,
    { most, jobs: seenJobs(firm) },
  ).map(({ recipient }) => recipient);

/** To whom of the firm the addresses of some links were shown, the newest first. */
export const showingsOf = (
  { db }: FirmReading,
  links: readonly string[],
  most: number,
): (Rows['share_showing'] & { person_name: string })[] =>
  queryAll(
    db,
    `SELECT share_showing.*, person.name AS person_name
      FROM share_showing JOIN person ON person.id = share_showing.person
      WHERE share_link IN (SELECT value FROM json_each(@links))
      ORDER BY at DESC, share_showing.id DESC
      LIMIT @most`,
    { links: JSON.stringify(links), most },
  );

/** The newest answers that came by some links, with who of the firm was signed in where they came from. */
export const answersBy = (
  { db }: FirmReading,
  links: readonly string[],
  most: number,
): (Rows['link_answer'] & { person_name: string | null })[] =>
  queryAll(
    db,
    `SELECT link_answer.*, person.name AS person_name
      FROM link_answer
      LEFT JOIN person ON person.id = link_answer.person
      WHERE share_link IN (SELECT value FROM json_each(@links))
      ORDER BY at DESC, command
      LIMIT @most`,
    { links: JSON.stringify(links), most },
  );
