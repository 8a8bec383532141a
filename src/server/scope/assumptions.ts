import type { InferType } from 'yup';
import {
  addAssumption,
  changeAssumption,
  finishExtra,
  reopenAssumption,
  reopenExtra,
  settleAssumption,
} from '@/contract/commands/scope';
import { insert, orNull, run, update, type Values } from '../database/query';
import { handler, need, needAreaOf, needVersion, needStep, type Handler, type Visit } from '../door/handler';
import { notFound, Refusal, unfit } from '../door/refusal';

interface AssumptionRow {
  id: string;
  job: string;
  area: string;
  phase: string;
  text: string;
  fallback: string;
  fallback_trade: string;
  fallback_half_days: number;
  state: 'open' | 'held' | 'wrong';
  settled_at: string | null;
  version: number;
}

type Fields = Omit<InferType<typeof addAssumption.schema>, 'id' | 'job' | 'area'>;

function values(visit: Visit, area: string, fields: Fields): Values {
  needStep(visit, area, fields.phase);
  return {
    phase: fields.phase,
    text: fields.text,
    why: fields.why,
    fallback: fields.fallback,
    fallback_trade: fields.fallbackTrade,
    fallback_half_days: fields.fallbackHalfDays,
    fallback_price: fields.fallbackPrice,
  };
}

/** What a wrong assumption brought goes again, unless it was done already. */
const dropExtra = (visit: Visit, assumption: string): void =>
  void run(
    visit.db,
    `UPDATE extra_work
      SET state = 'dropped', version = version + 1
      WHERE assumption = @assumption AND state = 'open'`,
    { assumption },
  );

export const assumptionHandlers: Handler[] = [
  handler(addAssumption, (visit, { id, job, area, ...fields }) => {
    needAreaOf(visit, job, area);
    insert(visit.db, 'assumption', { id, job, area, ...values(visit, area, fields), state: 'open' });
    visit.touches(job);
  }),
  handler(changeAssumption, (visit, { id, version, ...fields }) => {
    const row = needVersion<AssumptionRow>(visit, 'assumption', id, version);
    if (row.state !== 'open') throw unfit('settled-already', 'This is settled; open it again to change it.', 'id');
    update(visit.db, 'assumption', id, values(visit, row.area, fields));
    visit.touches(row.job);
  }),
  handler(settleAssumption, (visit, { id, verdict, found, walk, extraId }) => {
    const row = need<AssumptionRow>(visit, 'assumption', id);
    if (walk && need<{ job: string }>(visit, 'walk', walk, 'walk').job !== row.job)
      throw notFound('walk of this job', 'walk');
    if (visit.who.kind !== 'person')
      throw new Refusal(403, { code: 'not-allowed', message: 'Only people of the firm settle what was believed.' });
    // A word that comes late does not take the place of a later one.
    if (row.settled_at !== null && row.settled_at > visit.at) return { kept: 'a later word stands' };
    update(visit.db, 'assumption', id, {
      state: verdict,
      found,
      settled_at: visit.at,
      settled_by: visit.who.id,
      settled_walk: orNull(walk),
    });
    dropExtra(visit, id);
    if (verdict === 'wrong' && row.fallback_half_days > 0) {
      insert(visit.db, 'extra_work', {
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
        state: 'open',
      });
    }
    visit.mark(
      row.job,
      verdict === 'wrong' ? `an assumption turned out wrong: ${row.text}` : `an assumption held: ${row.text}`,
    );
    return { kept: verdict };
  }),
  handler(reopenAssumption, (visit, { id }) => {
    const row = need<AssumptionRow>(visit, 'assumption', id);
    if (row.state === 'open') throw unfit('open-already', 'This is open.', 'id');
    update(visit.db, 'assumption', id, {
      state: 'open',
      found: '',
      settled_at: null,
      settled_by: null,
      settled_walk: null,
    });
    dropExtra(visit, id);
    visit.mark(row.job, `an assumption is open again: ${row.text}`);
  }),
  handler(finishExtra, (visit, { id }) => setExtra(visit, id, 'open', 'done', 'added work was finished')),
  handler(reopenExtra, (visit, { id }) => setExtra(visit, id, 'done', 'open', 'added work is open again')),
];

function setExtra(visit: Visit, id: string, from: 'open' | 'done', to: 'open' | 'done', cause: string): void {
  const row = need<{ job: string; state: string; text: string }>(visit, 'extra_work', id);
  if (row.state !== from) throw unfit('so-already', `This added work is ${row.state}.`, 'id');
  update(visit.db, 'extra_work', id, { state: to });
  visit.mark(row.job, `${cause}: ${row.text}`);
}
