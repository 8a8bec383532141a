import { finishWalk, recordObservation, startWalk, type RecordedObservation } from '@/contract/commands/walks';
import { formatDay } from '@/core/units/day';
import { dayOf } from '../clock';
import { insert, one, run, type Values } from '../database/query';
import { handler, need, needAreaOf, needStep, type Handler, type Visit } from '../door/handler';
import { notFound, Refusal, unfit } from '../door/refusal';
import { settleCheck, takeCheckBack } from '../selections/checks';
import { standingOfKind } from './queries';

interface WalkRow {
  id: string;
  job: string;
  finished_at: string | null;
}

function walker(visit: Visit): string {
  if (visit.who.kind !== 'person') throw new Refusal(403, { code: 'not-allowed', message: 'Only people of the firm walk.' });
  return visit.who.id;
}

/** What each kind refers to must be of the same job. */
function checkReferences(visit: Visit, job: string, seen: RecordedObservation): void {
  if (seen.kind === 'progress') needStep(visit, seen.area, seen.phase, 'observation.phase');
  if (seen.kind === 'selection-check' && need<{ job: string }>(visit, 'selection', seen.selection, 'observation.selection').job !== job) throw notFound('selection in this job', 'observation.selection');
  if (seen.kind === 'picture') need(visit, 'picture', seen.picture, 'observation.picture');
  if (seen.kind === 'recheck' || seen.kind === 'withdrawal') {
    const about = need<{ job: string; kind: string; area: string }>(visit, 'observation', seen.about, 'observation.about');
    if (about.job !== job) throw notFound('observation in this job', 'observation.about');
    if (seen.kind === 'recheck' && about.kind !== 'remaining') throw unfit('not-remaining', 'Only remaining work is looked at again.', 'observation.about');
  }
}

/** Schema fields are named as the columns; what a kind has not is NULL. */
function rowOf(seen: RecordedObservation): Values {
  const { id, walk, area, kind, ...fields } = seen;
  const given = Object.entries(fields as Record<string, string | number | undefined>).filter(([, value]) => value !== undefined);
  return { id, walk, area, kind, ...(Object.fromEntries(given) as Values) };
}

/** What came is held against what was ordered; a check said anew or withdrawn takes back what followed from the one before. */
function followCheck(visit: Visit, job: string, seen: RecordedObservation): void {
  if (seen.kind === 'withdrawal') {
    const about = one<{ kind: string; selection: string | null }>(visit.db, 'SELECT kind, selection FROM observation WHERE id = @about', { about: seen.about });
    if (about?.kind === 'selection-check' && about.selection) takeCheckBack(visit, about.selection, seen.about);
  }
  if (seen.kind !== 'selection-check') return;
  const checks = standingOfKind(visit.db, job, 'selection-check').filter((check) => check.selection === seen.selection);
  // One that arrives late, after a newer one, changes nothing any more.
  if (checks.at(-1)?.id !== seen.id) return;
  const former = checks.at(-2);
  if (former?.walk === seen.walk) takeCheckBack(visit, seen.selection, former.id);
  settleCheck(visit, seen.selection, { verdict: seen.verdict, text: seen.text ?? '', ...(seen.quantity === undefined ? {} : { quantity: seen.quantity }) }, seen.id);
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
    checkReferences(visit, walk.job, seen);
    insert(visit.db, 'observation', { ...rowOf(seen), job: walk.job, person: walker(visit), at: visit.at });
    followCheck(visit, walk.job, seen);
    // A record that arrives after its walk was finished still belongs to it, and moves the plan.
    if (walk.finished_at) visit.mark(walk.job, 'a late record of a walk arrived');
    else visit.touches(walk.job);
  }),
  handler(finishWalk, (visit, { id }) => {
    const walk = need<WalkRow>(visit, 'walk', id);
    if (walk.finished_at) throw unfit('finished-already', 'This walk is finished; start another one.', 'id');
    run(visit.db, 'UPDATE walk SET finished_at = @at WHERE id = @id', { id, at: visit.at });
    visit.mark(walk.job, `a walk was finished on ${formatDay(dayOf(visit.at))}`, id);
  }),
];
