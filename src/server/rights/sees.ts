import type { Role } from '@/contract/command';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../refusal';
import { jobsNamed } from './whose-job';

/** What somebody of the firm may look at. */
export interface Sees {
  /** Their jobs; all of them where it is null. */
  jobs: ReadonlySet<string> | null;
  /** Whether they see what things cost. */
  prices: boolean;
}

export const SEES_ALL: Sees = { jobs: null, prices: true };

/** Who leads a site sees the jobs that are theirs; whoever runs the firm or its office sees all. */
export function seesOf(db: Connection, { id, role }: { id: string; role: Role }): Sees {
  if (role !== 'lead') return SEES_ALL;
  const jobs = queryAll<{ job: string }>(db, 'SELECT job FROM person_job WHERE person = @id', { id });
  const prices = queryOne<{ prices: number }>(db, 'SELECT sees_prices AS prices FROM person WHERE id = @id', { id });
  return { jobs: new Set(jobs.map(({ job }) => job)), prices: prices?.prices === 1 };
}

/** What stands at the door sees: what a link or a desk may do is said where that is done. */
export const seenBy = (
  db: Connection,
  who: { kind: 'person'; id: string; role: Role } | { kind: 'link' | 'desk' | 'founder' },
): Sees => (who.kind === 'person' ? seesOf(db, who) : SEES_ALL);

/** Whether a job is theirs to look at. */
export const isSeen = ({ jobs }: Sees, job: string): boolean => jobs === null || jobs.has(job);

/** A job that is not theirs is told like one that does not exist. */
export function needSeen({ jobs }: Sees, job: string | null): void {
  if (jobs && job !== null && !jobs.has(job)) throw notFound('job', 'job');
}

/** Refuses what names, anywhere in it, something of a job that is not theirs. */
export function needAllSeen(db: Connection, sees: Sees, value: unknown): void {
  if (!sees.jobs) return;
  for (const jobs of jobsNamed(db, value))
    if (![...jobs].some((job) => isSeen(sees, job))) throw notFound('job', 'job');
}

/** Prices that somebody was not shown stay as they were, whatever is said of them. */
export const unseenPrices = <Row extends object, Column extends keyof Row>(
  { db, who }: { db: Connection; who: Parameters<typeof seenBy>[1] },
  row: Row,
  ...columns: Column[]
): Partial<Pick<Row, Column>> =>
  seenBy(db, who).prices
    ? {}
    : (Object.fromEntries(columns.map((column) => [column, row[column]])) as Pick<Row, Column>);

/** Whether whoever asks sees what things cost. */
export const seesPrices = ({ sees }: { sees?: Sees }): boolean => sees?.prices ?? true;
