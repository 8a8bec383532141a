import { phaseFacts } from '@/core/sequence/phases';
import { METHODS, variantOf } from '@/core/sequence/methods';
import { RATES } from '@/core/sequence/rates';
import { queryAll, insert, queryOne, orNull, execute } from '../database/query';
import { handlers, requireRow, requireAreaOf, requireStep, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { measuredHalfDays } from '../reading/rates';
import { readJob } from '../reading/reading';
import { layTrack, timeTrack } from './lay-track';
import { jobsOf, refuseLoop } from './rule-commands';
import { changeStep } from './track';

/** Areas that a word about the firm, a job or one area is about, by job. */
const areasOf = (context: CommandContext, job: string, area?: string): string[] =>
  area
    ? [area]
    : queryAll<{ id: string }>(context.db, 'SELECT id FROM area WHERE job = @job ORDER BY position', { job }).map(
        (row) => row.id,
      );

export const methodHandlers = handlers({
  'method.choose': (context, { id, method, job, area, variant, asWider }) => {
    if (job) requireRow(context, 'job', job, 'job');
    if (job && area) requireAreaOf(context, job, area);
    execute(context.db, 'DELETE FROM method_choice WHERE method = @method AND job IS @job AND area IS @area', {
      method,
      job: orNull(job),
      area: orNull(area),
    });
    if (!asWider)
      insert(context.db, 'method_choice', {
        id,
        method,
        job: orNull(job),
        area: orNull(area),
        variant: orNull(variant),
      });
    const facts = METHODS.find((known) => known.key === method);
    const chosen = facts && variant !== undefined ? variantOf(facts, variant)?.label : undefined;
    for (const of of jobsOf(context, job)) {
      for (const each of areasOf(context, of, area)) {
        layTrack(context.installation, each);
        timeTrack(context.installation, each);
      }
      refuseLoop(context, of, 'variant');
      context.replan(of, { kind: 'method', title: facts?.title ?? method, chosen: chosen ?? null });
    }
  },
  'rate.set': (context, { phase, perHalfDay }) => {
    if (!RATES[phase])
      throw unprocessable(
        'not-measured',
        `The time of ${phaseFacts(phase).label} is not taken from a drawing; set it by hand.`,
        'phase',
      );
    execute(
      context.db,
      `INSERT INTO rate (phase, per_half_day)
        VALUES (@phase, @perHalfDay)
        ON CONFLICT (phase) DO UPDATE SET per_half_day = excluded.per_half_day`,
      { phase, perHalfDay },
    );
    const timed = queryAll<{ area: string; job: string }>(
      context.db,
      `SELECT step.area, area.job
        FROM step
        JOIN area ON area.id = step.area
        JOIN job ON job.id = area.job
        WHERE step.phase = @phase AND basis = 'quantity' AND job.removed = 0 AND job.state <> 'closed'`,
      { phase },
    );
    for (const { area } of timed) timeTrack(context.installation, area);
    context.replanAll([...new Set(timed.map(({ job }) => job))], { kind: 'rate', phase });
  },
  'step.time': (context, { area, phase, basis, halfDays, crews }) => {
    const { job, name } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, phase, 'phase');
    if (basis === 'quantity' && measuredHalfDays(readJob(context.installation, job), area, phase) === undefined)
      throw unprocessable(
        'not-drawn',
        RATES[phase]
          ? `${name} is not drawn yet, so there is no quantity; draw it or say the half-days.`
          : `The time of ${phaseFacts(phase).label} is not taken from a drawing; say the half-days.`,
        'basis',
      );
    const most = queryOne<{ crews: number | null }>(
      context.db,
      `SELECT max(sub.crews) AS crews
        FROM sub
        JOIN step ON step.trade = sub.trade
        WHERE step.area = @area AND step.phase = @phase`,
      { area, phase },
    )?.crews;
    if (crews > (most ?? 1))
      throw unprocessable('crews-too-many', `No sub of this trade sends more than ${most ?? 1} at once.`, 'crews');
    changeStep(
      context.db,
      { area, phase },
      { basis, crews, ...(basis === 'hand' && halfDays !== undefined ? { half_days: halfDays } : {}) },
    );
    timeTrack(context.installation, area);
    context.replan(job, { kind: 'step', area, place: name, phase, what: 'timed' });
  },
});
