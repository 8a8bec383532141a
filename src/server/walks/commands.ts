import { isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import type { Cause } from '@/core/schedule/cause';
import type { RecordedObservation } from '@/core/walks/observation';
import { areaNow } from './merge-areas';
import { dayIn } from '@/core/units/zone';
import { insert, execute, queryOne, type NewRow } from '../database/query';
import type { Rows } from '../database/rows';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireStep,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, Refusal, unprocessable } from '../refusal';
import { dropDecision, recordDecision } from '../sites/decisions';
import { settleCheck, takeCheckBack } from '../selections/checks';
import { closeInsOf, openWords } from '../reading/close-ins';
import { readJob } from '../reading/reading';
import { recordsOfMatters } from '../reading/records';
import { setWalkDropped, writeRecord } from './write';
import { zoneOf } from '../zone';

type WalkRow = Pick<Rows['walk'], 'id' | 'job' | 'kind' | 'finished_at' | 'dropped'>;

export function walker(context: CommandContext): string {
  if (context.who.kind !== 'person')
    throw new Refusal(403, { code: 'not-allowed', message: 'Only people of the firm walk.' });
  return context.who.id;
}

/** What each kind refers to must be of the same job. */
function checkReferences(context: CommandContext, walk: WalkRow, seen: RecordedObservation): void {
  const { job } = walk;
  const ofJob = (table: 'selection' | 'narration' | 'standpoint', id: string, field: string): void => {
    const row = requireRow(context, table, id, `observation.${field}`);
    const its = 'job' in row ? row.job : requireRow(context, 'walk', row.walk).job;
    if (its !== job) throw notFound(`${table} in this job`, `observation.${field}`);
  };
  if (seen.said) ofJob('narration', seen.said.narration, 'said');
  if ('picture' in seen && seen.picture) requireRow(context, 'picture', seen.picture, 'observation.picture');
  if (seen.kind === 'progress') checkProgress(context, job, seen);
  if (seen.kind === 'selection-check') ofJob('selection', seen.selection, 'selection');
  if (seen.kind === 'picture' && seen.standpoint) ofJob('standpoint', seen.standpoint, 'standpoint');
  if (seen.kind === 'recheck' || seen.kind === 'withdrawal' || seen.kind === 'marks') checkAbout(context, walk, seen);
}

/** What a record of a record is about: it is of the same job, and can be said of it. */
function checkAbout(
  context: CommandContext,
  walk: WalkRow,
  seen: Extract<RecordedObservation, { kind: 'recheck' | 'withdrawal' | 'marks' }>,
): void {
  const about = requireRow(context, 'observation', seen.about, 'observation.about');
  if (about.job !== walk.job) throw notFound('observation in this job', 'observation.about');
  if (seen.kind === 'marks' && about.kind !== 'picture')
    throw unprocessable('no-picture', 'Marks are drawn on a picture.', 'observation.about');
  if (seen.kind !== 'recheck') return;
  if (about.kind !== 'remaining' && about.kind !== 'caution')
    throw unprocessable('not-carried', 'Only remaining work and cautions are looked at again.', 'observation.about');
  if (seen.verdict === 'done' && walk.kind === 'completion' && !seen.text && !seen.picture)
    throw unprocessable(
      'no-proof',
      'At the end a leftover is closed with a picture or a word on how it was put right.',
      'observation.text',
    );
}

function checkProgress(
  context: CommandContext,
  job: string,
  { area, phase, fraction, by }: Extract<RecordedObservation, { kind: 'progress' }>,
): void {
  requireStep(context, area, phase, 'observation.phase');
  if (isPassedByName(phase)) requireName(phase, fraction, by);
  if (phase !== 'close-in' || fraction < 1) return;
  const check = closeInsOf(readJob(context.installation, job)).get(area);
  // A wall is closed by settling its lines or by somebody's name, never by a word that says it is.
  if (check && !check.closed)
    throw unprocessable(
      'close-in-open',
      `${openWords(check)}. Settle them, or answer for them by name.`,
      'observation.fraction',
    );
}

/** What somebody has to look at is passed or is not, and by whom. */
function requireName(phase: Phase, fraction: number, by: string | undefined): void {
  const { label } = phaseFacts(phase);
  if (fraction > 0 && fraction < 1)
    throw unprocessable('passed-or-not', `${label}: it is passed, or it is not.`, 'observation.fraction');
  if (fraction >= 1 && !by?.trim())
    throw unprocessable(
      'nobody-named',
      `${label}: say who looked and passed it, and add a picture of the paper if there is one.`,
      'observation.by',
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
function rowOf(
  seen: RecordedObservation,
  clock: string | undefined,
): Omit<NewRow<'observation'>, 'job' | 'person' | 'at'> {
  const given = Object.entries({ ...seen, clock }).filter(([, value]) => value !== undefined);
  const columns = given.filter(([key]) => COLUMNS.has(key)) as [string, string | number][];
  return {
    ...(Object.fromEntries(columns) as Pick<Rows['observation'], 'id' | 'walk' | 'area' | 'kind'>),
    facts: JSON.stringify(Object.fromEntries(given.filter(([key]) => !COLUMNS.has(key)))),
  };
}

/**
 * What came is held against what was ordered; a check said anew or withdrawn takes back what followed from the one
 * before.
 */
function followCheck(context: PlanContext, seen: RecordedObservation): void {
  if (seen.kind === 'withdrawal') {
    const about = requireRow(context, 'observation', seen.about, 'about');
    if (about.kind === 'selection-check' && about.selection) takeCheckBack(context, about.selection, seen.about);
  }
  if (seen.kind !== 'selection-check') return;
  const checks = recordsOfMatters(context.db, [`selection:${seen.selection}`]);
  // One that arrives late, after a newer one, changes nothing any more.
  if (checks.at(-1)?.id !== seen.id) return;
  const former = checks.at(-2);
  if (former?.walk === seen.walk) takeCheckBack(context, seen.selection, former.id);
  settleCheck(
    context,
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
function followDecision(context: CommandContext, job: string, seen: RecordedObservation): void {
  if (seen.kind === 'decision')
    recordDecision(context, {
      id: seen.id,
      job,
      area: seen.area,
      subject: seen.text.slice(0, 300),
      reason: `agreed on the spot by ${seen.name ?? WHO_DECIDED[seen.by]}${seen.free ? ', at no charge' : ''}`,
    });
  if (seen.kind === 'withdrawal') dropDecision(context.db, seen.about);
}

function recordCause(context: CommandContext, seen: RecordedObservation, settles: boolean): Cause {
  const at = { area: seen.area, place: requireRow(context, 'area', seen.area).name };
  return settles
    ? { kind: 'check-settled', ...at, item: seen.kind === 'recheck' ? seen.about : null }
    : { kind: 'late-record', ...at };
}

/** Records from which something else followed: an order, a decision, a check that somebody waits for. */
const FOLLOWED = ['check', 'selection-check', 'decision'] as const;

/** A walk can be thrown away while nothing followed from it. */
function refuseFollowed({ db }: CommandContext, walk: WalkRow): void {
  if (walk.finished_at)
    throw unprocessable('walk-finished', 'A walk that is finished stays; take back single records of it.', 'id');
  const followed = queryOne<{ records: number }>(
    db,
    `SELECT count(*) AS records
      FROM standing_observation AS seen
      WHERE seen.walk = @walk
        AND (seen.kind IN (SELECT value FROM json_each(@kinds))
          OR EXISTS (SELECT 1 FROM filing WHERE filing.observation = seen.id))`,
    { walk: walk.id, kinds: JSON.stringify(FOLLOWED) },
  );
  const records = followed?.records ?? 0;
  if (records > 0)
    throw unprocessable(
      'walk-followed',
      `Something followed from ${records === 1 ? 'one record' : `${records} records`} of this walk (a check, a decision, ` +
        'a line of the scope). Take them back first; then it can go.',
      'id',
    );
}

export const walkHandlers = handlers({
  'walk.start': (context, { id, job, kind }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'walk', { id, job, kind, person: walker(context), started_at: context.at });
    context.logFor(job);
  },
  'observation.record': (context, payload) => {
    const given = payload.observation as RecordedObservation;
    const seen: RecordedObservation = { ...given, area: areaNow(context.db, given.area) };
    const walk = requireRow(context, 'walk', seen.walk, 'observation.walk');
    requireAreaOf(context, walk.job, seen.area, 'observation.area');
    checkReferences(context, walk, seen);
    // Whoever still records on a walk that was thrown away brings it back: no record is lost.
    if (walk.dropped) setWalkDropped(context.db, walk.id, false);
    writeRecord(context.db, {
      ...rowOf(seen, context.clock),
      job: walk.job,
      person: walker(context),
      at: context.at,
    });
    followCheck(context, seen);
    followDecision(context, walk.job, seen);
    // A record that arrives after its walk was finished still belongs to it, and moves the plan; so does what settles a
    // line of the check before covering, which somebody may be waiting for.
    const settles =
      seen.kind === 'check' ||
      (seen.kind === 'recheck' &&
        seen.verdict === 'done' &&
        closeInsOf(readJob(context.installation, walk.job)).has(seen.area));
    if (walk.finished_at || settles) context.replan(walk.job, recordCause(context, seen, settles));
    else context.planStays(walk.job);
  },
  'walk.discard': (context, { id }) => {
    const walk = requireRow(context, 'walk', id);
    refuseFollowed(context, walk);
    setWalkDropped(context.db, id, true);
    context.planStays(walk.job);
  },
  'walk.finish': (context, { id }) => {
    const walk = requireRow(context, 'walk', id);
    // Two phones on one walk may both finish it: the first word counts, and neither is told off.
    if (walk.finished_at) {
      context.planStays(walk.job);
      return { finished: walk.finished_at };
    }
    execute(context.db, 'UPDATE walk SET finished_at = @at WHERE id = @id', { id, at: context.at });
    context.replan(walk.job, { kind: 'walk', walk: id, day: dayIn(zoneOf(context.db), context.at) }, id);
    return { finished: context.at };
  },
  'standpoint.add': (context, { id, area, name }) => {
    const { job } = requireRow(context, 'area', area, 'area');
    insert(context.db, 'standpoint', { id, job, area, name });
    context.logFor(job);
  },
});
