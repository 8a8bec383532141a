import { actIsAbout, sayAct } from '@/contract/acts';
import type { Role } from '@/contract/command';
import { COMMANDS, kindOf, type CommandType } from '@/contract/commands';
import type { ChangeMade, HistoryView } from '@/contract/views/history';
import { phaseFacts } from '@/core/sequence/phases';
import { taskRef } from '@/core/sequence/site';
import { areaNames } from '../reading/job';
import { selectionRows } from '../reading/selections';
import { changesOfJob, type LoggedChange } from '../reading/log';
import type { JobReading } from '../reading/reading';
import { whenSeen } from '../words';
import { jobHead } from './job-head';

/** How many changes are shown at once. */
const SHOWN = 30;

/**
 * What was changed of a job, the newest first; of it what whoever asks may do as well.
 * @param before the number of a change: those before it
 */
export function historyView(job: JobReading, role: Role, before?: number): HistoryView {
  // What was taken back stands at what it took back.
  const rows = changesOfJob(job.firm.db, job.id, SHOWN + 1, before);
  const shown = rows.slice(0, SHOWN);
  const named = namesIn(job);
  return {
    job: jobHead(job),
    changes: shown.filter(({ type }) => mayKnow(type, role)).map((row) => changeMade(row, job, named)),
    earlier: rows.length > SHOWN ? (shown.at(-1)?.seq ?? null) : null,
    newest: before === undefined,
  };
}

/** Whoever may not do it is not told of it either. */
const mayKnow = (type: string, role: Role): boolean =>
  Object.hasOwn(COMMANDS, type) && kindOf(type as CommandType).may.includes(role);

/** Things of a job by their ids, as they are called. */
export function namesIn(job: JobReading): (payload: unknown) => string {
  const areas = areaNames(job);
  const selections = new Map(selectionRows(job).map(({ id, category }) => [id as string, category]));
  const nameOf = (id: string): string => {
    const { area, phase } = id.includes(':') ? taskRef(id) : { area: id };
    const step = phase ? phaseFacts(phase).label : '';
    return [areas.get(area) ?? selections.get(id) ?? '', step].filter(Boolean).join(' · ');
  };
  return (payload) => idsIn(payload).map(nameOf).find(Boolean) ?? '';
}

/** The ids that a change gives, those that say most of it first. */
function idsIn(payload: unknown): string[] {
  const { observation, visits, task, area, areas, selection, id, phase } = payload as Record<string, unknown>;
  if (observation && typeof observation === 'object') return idsIn(observation);
  const [visit] = Array.isArray(visits) ? (visits as { task?: string }[]) : [];
  const step = typeof area === 'string' && typeof phase === 'string' ? `${area}:${phase}` : area;
  const many = Array.isArray(areas) ? (areas as unknown[])[0] : undefined;
  return [task, visit?.task, selection, step, many, id].filter((one): one is string => typeof one === 'string');
}

const changeMade = (row: LoggedChange, job: JobReading, named: (payload: unknown) => string): ChangeMade => ({
  command: row.id,
  seq: row.seq,
  when: whenSeen(row.applied_at, job.firm),
  who: row.name ?? 'somebody outside',
  did: sayAct(row.type as CommandType),
  about: [named(JSON.parse(row.payload)), actIsAbout(JSON.parse(row.payload))].filter(Boolean).join(': '),
  back: row.taken_back_by !== null ? 'taken back' : row.name !== null && row.rows !== null ? 'open' : 'stays',
});
