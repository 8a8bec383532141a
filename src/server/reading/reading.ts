import type { JobId } from '@/core/ids';
import type { Day } from '@/core/units/day';
import { dayIn, type Zone } from '@/core/units/zone';
import { needSeen, SEES_ALL, type Sees } from '../rights/sees';
import type { Clock } from '../clock';
import { queryAll, type Values } from '../database/query';
import type { Connection } from '../database/open';
import { zoneOf } from '../zone';

/**
 * One reading of the firm: what a page, a plan or a paper is made from. Each part is read when it is first asked for and
 * then kept, so that a page asks every table once. A reading is made for one request and knows nothing of what is
 * written after; whoever writes and wants to see it makes another.
 */
export interface FirmReading {
  readonly db: Connection;
  readonly zone: Zone;
  readonly today: Day;
  /** The jobs that this reading is of: what one of them is asked, is read of all of them at once. */
  readonly jobs: readonly JobId[];
  readonly parts: Map<unknown, unknown>;
  /** What of it whoever asked may look at. */
  readonly sees: Sees;
  readonly job: (id: JobId) => JobReading;
}

/** One job within a reading. */
export interface JobReading {
  readonly id: JobId;
  readonly firm: FirmReading;
  readonly parts: Map<unknown, unknown>;
}

export interface Source {
  db: Connection;
  clock: Clock;
  /** What of it whoever asks may look at; all of it where nothing is said. */
  sees?: Sees;
  /** Readings of this very moment that were made for others; none where something is about to be written. */
  kept?: KeptReadings;
}

/** Readings by what they are of. */
export type KeptReadings = Map<string, FirmReading>;

/**
 * Jobs whose work is planned: from the first visit until all is handed over. An example takes no crew from a real job: it
 * is planned only while there is none.
 */
const PLANNED = `removed = 0 AND state IN ('scoping', 'booked', 'active', 'completing')
  AND (example = 0 OR NOT EXISTS (SELECT 1 FROM job AS own WHERE own.example = 0 AND own.removed = 0))`;

/** A reading of all jobs whose work is planned. */
export const readFirm = (source: Source): FirmReading => reading(source, 'planned', () => jobsThat(source.db, PLANNED));

/** A reading of all jobs that are not closed, those that are only talked of among them. */
export const readOpenJobs = (source: Source): FirmReading =>
  reading(source, 'open', () => jobsThat(source.db, `removed = 0 AND state <> 'closed'`));

/** A reading of one job, whatever its state. */
export const readJob = (source: Source, id: JobId): JobReading => reading(source, id, () => [id]).job(id);

/** A reading of what belongs to no job. */
export const readHouse = (source: Source): FirmReading => reading(source, 'house', () => []);

const jobsThat = (db: Connection, condition: string): JobId[] =>
  queryAll<{ id: JobId }>(db, `SELECT id FROM job WHERE ${condition} ORDER BY position, id`).map(({ id }) => id);

function reading({ db, clock, kept, sees }: Source, of: string, jobs: () => readonly JobId[]): FirmReading {
  const zone = zoneOf(db);
  const today = dayIn(zone, clock.now());
  const mine = sees?.jobs;
  const key = [of, today, zone, ...(mine ? ['of', ...mine] : []), sees?.prices ?? true].join(' ');
  const found = kept?.get(key);
  if (found) return found;
  const known = new Map<JobId, JobReading>();
  const firm: FirmReading = {
    db,
    zone,
    today,
    jobs: mine ? jobs().filter((job) => mine.has(job)) : jobs(),
    parts: new Map(),
    sees: sees ?? SEES_ALL,
    job: (id) => {
      if (sees) needSeen(sees, id);
      const job = known.get(id) ?? { id, firm, parts: new Map() };
      known.set(id, job);
      return job;
    },
  };
  kept?.set(key, firm);
  return firm;
}

/** A part of a reading that is made once, however often it is asked for. */
function once<State extends { parts: Map<unknown, unknown> }, Part>(read: (state: State) => Part) {
  return (state: State): Part => {
    // Whoever is given a part shares it with others: a list that somebody sorts in place would be another's.
    if (!state.parts.has(read)) state.parts.set(read, frozen(read(state)));
    return state.parts.get(read) as Part;
  };
}

const frozen = <Part>(part: Part): Part => (Array.isArray(part) ? (Object.freeze(part) as Part) : part);

export const ofFirm: <Part>(read: (firm: FirmReading) => Part) => (firm: FirmReading) => Part = once;
export const ofJob: <Part>(read: (job: JobReading) => Part) => (job: JobReading) => Part = once;

/**
 * Rows that belong to jobs, read at once for all jobs of the reading.
 * @param sql selects rows with their `job`, of the jobs in `@jobs` (a JSON list); their order stays
 */
export function rowsOf<Row extends { job: string }>(sql: string): (job: JobReading) => Row[] {
  const read = (firm: FirmReading, jobs: readonly string[]): Map<string, Row[]> => {
    const byJob = new Map<string, Row[]>(jobs.map((id) => [id, []]));
    const values: Values = { jobs: JSON.stringify(jobs) };
    for (const row of queryAll<Row>(firm.db, sql, values)) byJob.get(row.job)?.push(row);
    return byJob;
  };
  const ofAll = ofFirm((firm) => read(firm, firm.jobs));
  return ofJob((job) => ofAll(job.firm).get(job.id) ?? read(job.firm, [job.id]).get(job.id) ?? []);
}

/** The condition that keeps rows to the jobs that are read. */
export const OF_JOBS = 'IN (SELECT value FROM json_each(@jobs))';
