import {
  addStandpoint,
  finishWalk,
  recordObservation,
  startWalk,
  type RecordedObservation,
} from '@/contract/commands/walks';
import { formatDay } from '@/core/units/day';
import { dayIn } from '@/core/units/zone';
import { insert, one, run, type Values } from '../database/query';
import { handler, need, needAreaOf, needStep, type Handler, type Visit } from '../door/handler';
import { notFound, Refusal, unfit } from '../door/refusal';
import { recordDecision } from '../scope/decisions';
import { settleCheck, takeCheckBack } from '../selections/checks';
import { closeInsOf, openWords } from './close-in';
import { standingOfKind } from './queries';
import { zoneOf } from '../zone';

interface WalkRow {
  id: string;
  job: string;
  kind: string;
  finished_at: string | null;
}

export function walker(visit: Visit): string {
  if (visit.who.kind !== 'person')
    throw new Refusal(403, { code: 'not-allowed', message: 'Only people of the firm walk.' });
  return visit.who.id;
}

/** What each kind refers to must be of the same job. */
function checkReferences(visit: Visit, walk: WalkRow, seen: RecordedObservation): void {
  const { job } = walk;
  const ofJob = (table: 'selection' | 'narration' | 'standpoint', id: string, field: string): void => {
    const row = need<{ job?: string; walk?: string }>(visit, table, id, `observation.${field}`);
    const its = row.job ?? need<{ job: string }>(visit, 'walk', row.walk ?? '').job;
    if (its !== job) throw notFound(`${table} in this job`, `observation.${field}`);
  };
  if (seen.said) ofJob('narration', seen.said.narration, 'said');
  if ('picture' in seen && seen.picture) need(visit, 'picture', seen.picture, 'observation.picture');
  if (seen.kind === 'progress') checkProgress(visit, job, seen.area, seen.phase, seen.fraction);
  if (seen.kind === 'selection-check') ofJob('selection', seen.selection, 'selection');
  if (seen.kind === 'picture' && seen.standpoint) ofJob('standpoint', seen.standpoint, 'standpoint');
  if (seen.kind === 'recheck' || seen.kind === 'withdrawal' || seen.kind === 'marks') {
    const about = need<{ job: string; kind: string; area: string }>(
      visit,
      'observation',
      seen.about,
      'observation.about',
    );
    if (about.job !== job) throw notFound('observation in this job', 'observation.about');
    if (seen.kind === 'recheck' && about.kind !== 'remaining' && about.kind !== 'caution')
      throw unfit('not-carried', 'Only remaining work and cautions are looked at again.', 'observation.about');
    if (seen.kind === 'marks' && about.kind !== 'picture')
      throw unfit('no-picture', 'Marks are drawn on a picture.', 'observation.about');
    if (seen.kind === 'recheck' && seen.verdict === 'done' && walk.kind === 'completion' && !seen.text && !seen.picture)
      throw unfit(
        'no-proof',
        'At the end a leftover is closed with a picture or a word on how it was put right.',
        'observation.text',
      );
  }
}

function checkProgress(
  visit: Visit,
  job: string,
  area: string,
  phase: Parameters<typeof needStep>[2],
  fraction: number,
): void {
  needStep(visit, area, phase, 'observation.phase');
  if (phase !== 'close-in' || fraction < 1) return;
  const check = closeInsOf(visit.db, job).get(area);
  // A wall is closed by settling its lines or by somebody's name, never by a word that says it is.
  if (check && !check.closed)
    throw unfit(
      'close-in-open',
      `${openWords(check)}. Settle them, or answer for them by name.`,
      'observation.fraction',
    );
}

const COLUMNS = new Set([
  'id',
  'walk',
  'area',
  'kind',
  'phase',
  'fraction',
  'text',
  'trade',
  'quantity',
  'unit',
  'selection',
  'verdict',
  'about',
  'picture',
  'mm',
  'typed',
]);

/** Schema fields are named as the columns; what has none is kept together as facts, and what a kind has not is NULL. */
function rowOf(seen: RecordedObservation, clock: string | undefined): Values {
  const given = Object.entries({ ...seen, clock }).filter(([, value]) => value !== undefined);
  const columns = given.filter(([key]) => COLUMNS.has(key)) as [string, string | number][];
  return {
    ...Object.fromEntries(columns),
    facts: JSON.stringify(Object.fromEntries(given.filter(([key]) => !COLUMNS.has(key)))),
  };
}

/**
 * What came is held against what was ordered; a check said anew or withdrawn takes back what followed from the one
 * before.
 */
function followCheck(visit: Visit, job: string, seen: RecordedObservation): void {
  if (seen.kind === 'withdrawal') {
    const about = one<{ kind: string; selection: string | null }>(
      visit.db,
      'SELECT kind, selection FROM observation WHERE id = @about',
      { about: seen.about },
    );
    if (about?.kind === 'selection-check' && about.selection) takeCheckBack(visit, about.selection, seen.about);
  }
  if (seen.kind !== 'selection-check') return;
  const checks = standingOfKind(visit.db, job, 'selection-check').filter((check) => check.selection === seen.selection);
  // One that arrives late, after a newer one, changes nothing any more.
  if (checks.at(-1)?.id !== seen.id) return;
  const former = checks.at(-2);
  if (former?.walk === seen.walk) takeCheckBack(visit, seen.selection, former.id);
  settleCheck(
    visit,
    seen.selection,
    {
      verdict: seen.verdict,
      text: seen.text ?? '',
      ...(seen.quantity === undefined ? {} : { quantity: seen.quantity }),
    },
    seen.id,
  );
}

const WHO_DECIDED = { client: 'the client', us: 'us', engineer: 'the engineer' } as const;

/** What was settled on the spot stands among the decisions of the job, and goes from them when it is taken back. */
function followDecision(visit: Visit, job: string, seen: RecordedObservation): void {
  if (seen.kind === 'decision')
    recordDecision(visit, {
      id: seen.id,
      job,
      area: seen.area,
      subject: seen.text.slice(0, 300),
      reason: `agreed on the spot by ${seen.name ?? WHO_DECIDED[seen.by]}${seen.free ? ', at no charge' : ''}`,
    });
  if (seen.kind === 'withdrawal')
    run(visit.db, 'UPDATE decision SET removed = 1, version = version + 1 WHERE id = @about AND removed = 0', {
      about: seen.about,
    });
}

export const walkHandlers: Handler[] = [
  handler(startWalk, (visit, { id, job, kind }) => {
    need(visit, 'job', job, 'job');
    insert(visit.db, 'walk', { id, job, kind, person: walker(visit), started_at: visit.at });
    visit.touches(job);
  }),
  handler(recordObservation, (visit, payload) => {
    const seen = payload.observation as RecordedObservation;
    const walk = need<WalkRow>(visit, 'walk', seen.walk, 'observation.walk');
    needAreaOf(visit, walk.job, seen.area, 'observation.area');
    checkReferences(visit, walk, seen);
    insert(visit.db, 'observation', {
      ...rowOf(seen, visit.clock),
      job: walk.job,
      person: walker(visit),
      at: visit.at,
    });
    followCheck(visit, walk.job, seen);
    followDecision(visit, walk.job, seen);
    // A record that arrives after its walk was finished still belongs to it, and moves the plan; so does what settles a
    // line of the
    // check before covering, which somebody may be waiting for.
    const settles =
      seen.kind === 'check' ||
      (seen.kind === 'recheck' && seen.verdict === 'done' && closeInsOf(visit.db, walk.job).has(seen.area));
    if (walk.finished_at || settles)
      visit.mark(walk.job, settles ? 'a check before covering was settled' : 'a late record of a walk arrived');
    else visit.touches(walk.job);
  }),
  handler(finishWalk, (visit, { id }) => {
    const walk = need<WalkRow>(visit, 'walk', id);
    // Two phones on one walk may both finish it: the first word counts, and neither is told off.
    if (walk.finished_at) return { finished: walk.finished_at };
    run(visit.db, 'UPDATE walk SET finished_at = @at WHERE id = @id', { id, at: visit.at });
    visit.mark(walk.job, `a walk was finished on ${formatDay(dayIn(zoneOf(visit.db), visit.at))}`, id);
    return { finished: visit.at };
  }),
  handler(addStandpoint, (visit, { id, area, name }) => {
    const { job } = need<{ job: string }>(visit, 'area', area, 'area');
    insert(visit.db, 'standpoint', { id, job, area, name });
    visit.touches(job);
  }),
];
