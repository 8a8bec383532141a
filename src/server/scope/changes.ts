import type { InferType } from 'yup';
import { addChange } from '@/contract/commands/scope';
import { priceLines } from '@/core/quantities/price-change';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { formatMoney } from '@/core/units/money';
import { today } from '../zone';
import { uuid } from '../database/id';
import { insert, queryOne, update } from '../database/query';
import type { Connection } from '../database/open';
import {
  handlers,
  prepared,
  requireRow,
  requireAreaOf,
  requireVersion,
  requireStep,
  type CommandContext,
  type PlanContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { needClientOf, notifyClient } from '../news/notify-client';
import { addLine, changeLine } from '../quantities/lines';
import { addExtraWork } from '../schedule/extra-work';
import { dropStepUnlessBegun } from '../sequence/track';
import type { Rows } from '../database/rows';

export interface ChangeLine {
  verb: string;
  subject: string;
  quantity: number;
  unit: string;
  unitPrice: number;
}

export type ChangeRow = Rows['change_order'];

export interface ChangeWork {
  trade: Trade;
  halfDays: number;
  after?: Phase;
}

export const linesOfChange = (row: Pick<ChangeRow, 'lines'>): ChangeLine[] => JSON.parse(row.lines) as ChangeLine[];
export const workOfChange = (row: Pick<ChangeRow, 'work'>): ChangeWork | null =>
  row.work === null ? null : (JSON.parse(row.work) as ChangeWork);
export const dropsOfChange = (row: Pick<ChangeRow, 'drops'>): Phase[] => JSON.parse(row.drops) as Phase[];
export const priceOfChange = (row: Pick<ChangeRow, 'lines' | 'markup' | 'tax_rate'>): ReturnType<typeof priceLines> =>
  priceLines(linesOfChange(row), row.markup, row.tax_rate);

type Fields = Omit<InferType<typeof addChange.schema>, 'id' | 'job' | 'area'>;

function values(context: CommandContext, job: string, area: string, fields: Fields) {
  for (const [at, phase] of [...fields.drops, ...(fields.work?.after ? [fields.work.after] : [])].entries()) {
    requireStep(context, area, phase, at < fields.drops.length ? 'drops' : 'work.after');
  }
  for (const item of fields.omits)
    if (requireRow(context, 'scope_item', item, 'omits').job !== job)
      throw notFound('line of scope in this job', 'omits');
  const total = priceLines(fields.lines, fields.markup, fields.taxRate).total;
  if (fields.kind === 'omission' && total > 0)
    throw unprocessable(
      'omission-costs',
      'What is left out is priced under 0: write its quantities with a minus.',
      'lines',
    );
  return {
    kind: fields.kind,
    title: fields.title,
    why: fields.why,
    lines: JSON.stringify(fields.lines),
    markup: fields.markup,
    tax_rate: fields.taxRate,
    work: fields.work ? JSON.stringify(fields.work) : null,
    drops: JSON.stringify(fields.drops),
    omits: JSON.stringify(fields.omits),
  };
}

/** A change as it stands, or a refusal. */
export function changeNow(db: Connection, id: string): ChangeRow {
  const row = queryOne<ChangeRow>(db, 'SELECT * FROM change_order WHERE id = @id', { id });
  if (!row) throw notFound('change', 'id');
  return row;
}

function needState(context: CommandContext, id: string, version: number, states: ChangeRow['state'][]): ChangeRow {
  const row = requireVersion(context, 'change_order', id, version);
  if (!states.includes(row.state))
    throw unprocessable(
      'change-settled',
      row.state === 'sent'
        ? 'This was sent; take it back to change it.'
        : `This was ${row.state} already; make another change.`,
      'id',
    );
  return row;
}

/** A draft that nobody was sent is let go. */
export const dropDraftChange = (context: CommandContext, id: string): void =>
  update(context.db, 'change_order', id, { state: 'declined' });

export const changeHandlers = handlers({
  'change.add': (context, { id, job, area, ...fields }) => {
    requireAreaOf(context, job, area);
    const number =
      (queryOne<{ last: number | null }>(context.db, 'SELECT max(number) AS last FROM change_order WHERE job = @job', {
        job,
      })?.last ?? 0) + 1;
    insert(context.db, 'change_order', {
      id,
      job,
      area,
      number,
      ...values(context, job, area, fields),
      state: 'draft',
    });
    context.logFor(job);
  },
  'change.edit': (context, { id, version, ...fields }) => {
    const row = needState(context, id, version, ['draft', 'declined']);
    update(context.db, 'change_order', id, { ...values(context, row.job, row.area, fields), state: 'draft' });
    context.logFor(row.job);
  },
  'change.send': (context, { id, version, ...to }) => {
    const row = needState(context, id, version, ['draft']);
    const day = today(context.installation);
    const { before, after } = prepared(context, 'change.send');
    update(context.db, 'change_order', id, {
      state: 'sent',
      sent_at: context.now,
      finish_before: before,
      finish_after: after,
    });
    const { total } = priceOfChange(row);
    const days =
      before && after && before !== after
        ? ` The work would then end on ${formatDay(after, day)} instead of ${formatDay(before, day)}.`
        : ' The work would end on the same day.';
    notifyClient(
      context,
      row.job,
      {
        title: `Change ${row.number}: ${row.title}`,
        body:
          `${row.title}. ${total < 0 ? 'It saves' : 'It costs'} ${formatMoney(Math.abs(total))}, everything ` +
          `included.${days}${row.why ? ` Why: ${row.why}.` : ''} Please approve or decline it on your page.`,
      },
      to,
    );
    context.logFor(row.job);
  },
  'change.withdraw': (context, { id, version }) => {
    const row = needState(context, id, version, ['sent']);
    update(context.db, 'change_order', id, { state: 'draft', sent_at: null });
    context.logFor(row.job);
  },
  'change.answer': (context, { id, verdict, name, words }) => {
    const row = requireRow(context, 'change_order', id);
    needClientOf(context, row.job);
    if (row.state !== 'sent')
      throw unprocessable(
        'not-asked',
        row.state === 'draft' ? 'This was taken back; a new one will come.' : `This was ${row.state} already.`,
        'id',
      );
    update(context.db, 'change_order', id, {
      state: verdict,
      answered_at: context.now,
      answered_by: name,
      answer: words,
    });
    if (verdict === 'approved') carryOut(context, row);
    else context.logFor(row.job);
  },
});

/** An approved change is part of the scope: its lines, its work, and what falls away. */
function carryOut(context: PlanContext, row: ChangeRow): void {
  for (const line of linesOfChange(row).filter((changeLine) => changeLine.quantity > 0)) {
    addLine(context.db, {
      id: uuid(),
      job: row.job,
      area: row.area,
      stance: 'in',
      verb: line.verb,
      subject: line.subject,
      quantity: line.quantity,
      unit: line.unit,
      trade: workOfChange(row)?.trade ?? null,
      depends_on: '',
      change_order: row.id,
    });
  }
  for (const item of JSON.parse(row.omits) as string[])
    changeLine(context.db, item, { stance: 'out', change_order: row.id });
  for (const phase of dropsOfChange(row)) dropStepUnlessBegun(context.db, { area: row.area, phase });
  const work = workOfChange(row);
  if (work) {
    addExtraWork(context.db, {
      id: uuid(),
      job: row.job,
      area: row.area,
      text: row.title,
      trade: work.trade,
      half_days: work.halfDays,
      after_phase: work.after ?? null,
      reason: `it comes with change ${row.number}, “${row.title}”`,
      assumption: null,
      change_order: row.id,
    });
  }
  context.replan(row.job, { kind: 'change', area: row.area, number: row.number, title: row.title });
}
