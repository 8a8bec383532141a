import { inUsualOrder, phaseFacts, type Phase } from '@/core/sequence/phases';
import { cleanUpOf, withMethods, halfDaysWithMethods } from '@/core/sequence/methods';
import { halfDaysFor, takesWallOut, trackOf, type Work } from '@/core/sequence/works';
import { taskId, taskRef } from '@/core/sequence/site';
import { queryAll, queryOne } from '../database/query';
import { choicesFor } from '../reading/knowledge';
import { progressOf } from '../reading/standing';
import { areaRows, besideRows } from '../reading/job';
import { measuredHalfDays } from '../reading/rates';
import { readJob, type JobReading, type Source } from '../reading/reading';
import { addStep, dropStep, timeStep } from './track';

/**
 * Whether the wall that comes out here is the one that a room set out before takes out: it stands between both. Rooms of
 * which no neighbours are known are taken for neighbours on their level, until somebody says to where the wall opens.
 */
function isWallOfAnother(job: JobReading, id: string): boolean {
  const pairs = besideRows(job);
  const of = (area: string) => pairs.filter((pair) => pair.one === area || pair.other === area);
  const mine = areaRows(job).find((area) => area.id === id);
  return areaRows(job).some((other) => {
    if (!mine || other.position >= mine.position || other.level !== mine.level) return false;
    if (!(JSON.parse(other.works) as Work[]).some(takesWallOut)) return false;
    const pair = of(id).find(({ one, other: two }) => one === other.id || two === other.id);
    const said = [...of(id), ...of(other.id)];
    return said.some(({ opens }) => opens === 1) ? pair?.opens === 1 : said.length === 0 || pair !== undefined;
  });
}

/**
 * Brings the track of an area to what is to be done there, in the way its methods have it; phases that have been worked
 * on stay.
 */
export function layTrack(source: Source, area: string): void {
  const { db } = source;
  const row = queryOne<{ job: string; works: string; size: number }>(
    db,
    'SELECT job, works, size FROM area WHERE id = @area',
    { area },
  );
  if (!row) return;
  const job = readJob(source, row.job);
  const choices = choicesFor(job, area);
  const said = JSON.parse(row.works) as Work[];
  // A wall between two rooms comes out once.
  const works =
    said.some(takesWallOut) && isWallOfAnother(job, area) ? said.filter((work) => !takesWallOut(work)) : said;
  const wanted = new Set<Phase>(withMethods(trackOf(works), choices));
  const kept = new Map(
    queryAll<{ phase: Phase; basis: 'size' | 'quantity' | 'hand'; half_days: number }>(
      db,
      'SELECT phase, basis, half_days FROM step WHERE area = @area',
      { area },
    ).map((step) => [step.phase, step]),
  );
  const begun = new Set(
    [...progressOf(job)].flatMap(([task, { fraction, readings }]) => {
      const { area: its, phase } = taskRef(task);
      return its === area && phase && (fraction > 0 || readings.some((reading) => reading.fraction > 0)) ? [phase] : [];
    }),
  );
  for (const phase of kept.keys()) if (!wanted.has(phase) && !begun.has(phase)) dropStep(db, { area, phase });
  for (const phase of inUsualOrder(wanted)) {
    const step = kept.get(phase);
    const itself =
      step?.basis === 'quantity'
        ? (measuredHalfDays(job, area, phase) ?? step.half_days)
        : halfDaysFor(phase, row.size, works);
    const methodDays = halfDaysWithMethods(phase, itself, choices);
    const half_days = phaseFacts(phase).trade === 'nobody' ? itself : methodDays + cleanUpOf(methodDays, choices);
    if (!step) addStep(db, { area, phase, trade: phaseFacts(phase).trade, half_days });
  }
  if (wanted.has(SWITCH_OVER) || kept.has(SWITCH_OVER)) switchOnce(source, row.job);
}

const SWITCH_OVER: Phase = 'switch-over';

/** The house changes to its new drain once, however many areas it is laid through: where it ends, at its highest. */
export function switchOnce(source: Source, jobId: string): void {
  const { db } = source;
  const job = readJob(source, jobId);
  const having = new Set(
    queryAll<{ area: string }>(
      db,
      'SELECT step.area FROM step JOIN area ON area.id = step.area WHERE area.job = @jobId AND step.phase = @phase',
      { jobId, phase: SWITCH_OVER },
    ).map(({ area }) => area),
  );
  const drains = areaRows(job).filter(({ works }) => trackOf(JSON.parse(works) as Work[]).includes(SWITCH_OVER));
  const begun = drains.find(({ id }) => progressOf(job).has(taskId(id, SWITCH_OVER)));
  const where = begun ?? drains.at(-1);
  for (const { id } of drains) if (id !== where?.id && having.has(id)) dropStep(db, { area: id, phase: SWITCH_OVER });
  if (where && !having.has(where.id))
    addStep(db, {
      ...{ area: where.id, phase: SWITCH_OVER },
      ...{ trade: phaseFacts(SWITCH_OVER).trade, half_days: phaseFacts(SWITCH_OVER).halfDays },
    });
}

/**
 * The times of steps that follow the room, its drawing or a method; what somebody said by hand stays.
 * @param only those of one basis
 * @returns the job where any time changed
 */
export function timeTrack(source: Source, area: string, only?: 'quantity'): string | undefined {
  const { db } = source;
  const row = queryOne<{ job: string; works: string; size: number }>(
    db,
    'SELECT job, works, size FROM area WHERE id = @area',
    { area },
  );
  if (!row) return undefined;
  const works = JSON.parse(row.works) as Work[];
  const job = readJob(source, row.job);
  const choices = choicesFor(job, area);
  let changed = false;
  for (const { phase, basis } of queryAll<{ phase: Phase; basis: 'size' | 'quantity' }>(
    db,
    `SELECT phase, basis FROM step WHERE area = @area AND basis <> 'hand'`,
    { area },
  )) {
    if (only && basis !== only) continue;
    const itself = basis === 'quantity' ? measuredHalfDays(job, area, phase) : halfDaysFor(phase, row.size, works);
    if (itself === undefined || phaseFacts(phase).trade === 'nobody') continue;
    const methodDays = halfDaysWithMethods(phase, itself, choices);
    if (timeStep(db, { area, phase }, methodDays + cleanUpOf(methodDays, choices))) changed = true;
  }
  return changed ? row.job : undefined;
}
