import type { InferType } from 'yup';
import { phaseFacts } from '@/core/sequence/phases';
import { addAssumption } from '@/contract/commands/scope';
import { insert, orNull, update } from '../database/query';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireVersion,
  requireStep,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import type { Rows } from '../database/rows';
import { changesFrom } from '../reading/held';
import { readJob } from '../reading/reading';
import { notFound, Refusal, unprocessable } from '../refusal';
import { addExtraWork, dropExtraWorkOf, setExtraWork } from '../schedule/extra-work';
import { unseenPrices } from '../rights/sees';

type Fields = Omit<InferType<typeof addAssumption.schema>, 'id' | 'job' | 'area'>;

function values(context: CommandContext, area: string, fields: Fields) {
  requireStep(context, area, fields.phase);
  return {
    phase: fields.phase,
    text: fields.text,
    why: fields.why,
    fallback: fields.fallback,
    fallback_trade: fields.fallbackTrade,
    fallback_half_days: fields.fallbackHalfDays,
    fallback_price: fields.fallbackPrice,
    sure: fields.sure,
    signs: JSON.stringify(fields.signs),
  };
}

/** Whether an approved change brought what follows already: settled again, it is not brought twice. */
const takenOver = ({ installation }: CommandContext, { id, job }: Rows['assumption']): boolean =>
  (changesFrom(readJob(installation, job)).assumption.get(id) ?? []).some(({ state }) => state === 'approved');

/** Half an hour takes somebody a half-day of the plan: they have to be there. */
const PROBE_HALF_DAYS = 1;

export const assumptionHandlers = handlers({
  'assumption.add': (context, { id, job, area, ...fields }) => {
    requireAreaOf(context, job, area);
    insert(context.db, 'assumption', { id, job, area, ...values(context, area, fields), state: 'open' });
    context.logFor(job);
  },
  'assumption.change': (context, { id, version, ...fields }) => {
    const row = requireVersion(context, 'assumption', id, version);
    if (row.state !== 'open')
      throw unprocessable('settled-already', 'This is settled; open it again to change it.', 'id');
    update(context.db, 'assumption', id, {
      ...values(context, row.area, fields),
      ...unseenPrices(context, row, 'fallback_price'),
    });
    context.logFor(row.job);
  },
  'assumption.settle': (context, { id, verdict, found, walk, extraId }) => {
    const row = requireRow(context, 'assumption', id);
    if (walk && requireRow(context, 'walk', walk, 'walk').job !== row.job) throw notFound('walk of this job', 'walk');
    if (context.who.kind !== 'person')
      throw new Refusal(403, { code: 'not-allowed', message: 'Only people of the firm settle an assumption.' });
    // A word that comes late does not take the place of a later one.
    if (row.settled_at !== null && row.settled_at > context.at) {
      context.planStays(row.job);
      return { kept: 'a later word stands' };
    }
    update(context.db, 'assumption', id, {
      state: verdict,
      found,
      settled_at: context.at,
      settled_by: context.who.id,
      settled_walk: orNull(walk),
    });
    dropExtraWorkOf(context.db, 'assumption', id);
    if (verdict === 'wrong' && row.fallback_half_days > 0 && !takenOver(context, row)) {
      addExtraWork(context.db, {
        id: extraId,
        job: row.job,
        area: row.area,
        text: row.fallback,
        trade: row.fallback_trade,
        half_days: row.fallback_half_days,
        after_phase: row.phase,
        reason: `“${row.text}” turned out wrong${found ? `: ${found}` : ''}`,
        assumption: id,
        change_order: null,
      });
    }
    context.replan(row.job, { kind: 'assumption', area: row.area, text: row.text, what: verdict, found });
    return { kept: verdict };
  },
  'assumption.probe': (context, { id, extraId, text, trade }) => {
    const row = requireRow(context, 'assumption', id);
    if (row.state !== 'open' || row.removed)
      throw unprocessable('settled-already', 'This is settled; there is nothing left to look for.', 'id');
    addExtraWork(context.db, {
      id: extraId,
      job: row.job,
      area: row.area,
      text,
      trade,
      half_days: PROBE_HALF_DAYS,
      // Without a step before it, it comes before all that is not begun.
      after_phase: null,
      reason: `it shows whether ${row.text}, before that is relied on`,
      assumption: id,
      change_order: null,
      probes: 1,
    });
    context.replan(row.job, { kind: 'extra', extra: extraId, area: row.area, text, what: 'open' });
  },
  'assumption.reopen': (context, { id }) => {
    const row = requireRow(context, 'assumption', id);
    if (row.state === 'open') throw unprocessable('open-already', 'This is open.', 'id');
    update(context.db, 'assumption', id, {
      state: 'open',
      found: '',
      settled_at: null,
      settled_by: null,
      settled_walk: null,
    });
    dropExtraWorkOf(context.db, 'assumption', id);
    context.replan(row.job, { kind: 'assumption', area: row.area, text: row.text, what: 'open', found: '' });
  },
  'extra.leave': (context, { id, area, text, until, reason, trade, halfDays }) => {
    const { job } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, until, 'until');
    if (trade === 'nobody')
      throw unprocessable('nobody-works', 'Somebody takes it away: say whose work it is.', 'trade');
    addExtraWork(context.db, {
      id,
      job,
      area,
      text: `remove: ${text}`,
      trade,
      half_days: halfDays,
      after_phase: until,
      reason: `${text} is left on purpose until ${phaseFacts(until).label}: ${reason}`,
      left_for: text,
    });
    context.replan(job, { kind: 'extra', extra: id, area, text: `remove: ${text}`, what: 'open' });
  },
  'extra.finish': (context, { id }) => setExtra(context, id, 'open', 'done'),
  'extra.reopen': (context, { id }) => setExtra(context, id, 'done', 'open'),
});

function setExtra(context: PlanContext, id: string, from: 'open' | 'done', to: 'open' | 'done'): void {
  const row = requireRow(context, 'extra_work', id);
  if (row.state !== from) throw unprocessable('so-already', `This added work is ${row.state}.`, 'id');
  setExtraWork(context.db, id, to);
  context.replan(row.job, { kind: 'extra', extra: id, area: row.area, text: row.text, what: to });
}
