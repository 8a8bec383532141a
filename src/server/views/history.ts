import { actIsAbout, sayAct } from '@/contract/acts';
import type { Role } from '@/contract/command';
import { COMMANDS, kindOf, type CommandType } from '@/contract/commands';
import type { ChangeMade, HistoryView } from '@/contract/views/history';
import { changesOfJob, type LoggedChange } from '../reading/log';
import type { JobReading } from '../reading/reading';
import { whenSeen } from '../words';
import { jobHead } from './job-head';

/** How many changes are shown at once. */
const SHOWN = 40;

/**
 * What was changed of a job, the newest first; of it what whoever asks may do as well.
 * @param before the number of a change: those before it
 */
export function historyView(job: JobReading, role: Role, before?: number): HistoryView {
  // What was taken back stands at what it took back.
  const rows = changesOfJob(job.firm.db, job.id, SHOWN + 1, before);
  const shown = rows.slice(0, SHOWN);
  return {
    job: jobHead(job),
    changes: shown.filter(({ type }) => mayKnow(type, role)).map((row) => changeMade(row, job)),
    earlier: rows.length > SHOWN ? (shown.at(-1)?.seq ?? null) : null,
    newest: before === undefined,
  };
}

/** Whoever may not do it is not told of it either. */
const mayKnow = (type: string, role: Role): boolean =>
  Object.hasOwn(COMMANDS, type) && kindOf(type as CommandType).may.includes(role);

const changeMade = (row: LoggedChange, job: JobReading): ChangeMade => ({
  command: row.id,
  seq: row.seq,
  when: whenSeen(row.applied_at, job.firm),
  who: row.name ?? 'somebody outside',
  did: sayAct(row.type as CommandType),
  about: actIsAbout(JSON.parse(row.payload)),
  back: row.taken_back_by !== null ? 'taken back' : row.name !== null && row.rows !== null ? 'open' : 'stays',
});
