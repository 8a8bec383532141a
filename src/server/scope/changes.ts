import type { InferType } from 'yup';
import { addChange, type ChangeSource } from '@/contract/commands/changes';
import { lineNet, priceOf, type Price, type PriceTerms, type PricedLine } from '@/core/money/price';
import { formatMoney, type Currency } from '@/core/units/money';
import { sum } from '@/core/units/rounding';
import { sayChangeEffect } from '@/core/words/change-effect';
import type { ChangeEffect } from '../door/prepared';
import { today } from '../zone';
import { flag, execute, insert, orNull, queryAll, queryOne, update } from '../database/query';
import type { Connection } from '../database/open';
import {
  handlers,
  prepared,
  requireRow,
  requireAreaOf,
  requireVersion,
  requireStep,
  type CommandContext,
} from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { confirmToClient, needClientOf, notifyClient } from '../news/notify';
import type { Rows } from '../database/rows';
import { priceTerms } from '../reading/money';
import { readJob } from '../reading/reading';
import { approveChange } from './approve-change';
import { draftFrom } from './draft-change';

export type ChangeRow = Rows['change_order'];
export type ChangeLineRow = Rows['change_line'];

const linesOfChange = (db: Connection, change: string): ChangeLineRow[] =>
  queryAll<ChangeLineRow>(db, 'SELECT * FROM change_line WHERE change_order = @change ORDER BY position', { change });

/** What a change comes to, by the markup and tax it was written with; what nobody has priced yet counts nothing. */
export const priceOfChange = (
  { markup, tax_rate }: Pick<ChangeRow, 'markup' | 'tax_rate'>,
  lines: readonly Pick<ChangeLineRow, 'quantity' | 'unit_price'>[],
  currency: Currency,
): Price =>
  priceOf(
    lines.map(({ quantity, unit_price }) => lineNet({ quantity, unitPrice: unit_price ?? 0 }, currency)),
    { markup, taxRate: tax_rate, currency },
  );

type Fields = Omit<InferType<typeof addChange.schema>, 'id' | 'job' | 'from'>;
type Line = Fields['lines'][number];

/** How prices of a job are made today. */
const termsOf = ({ installation }: CommandContext, job: string): PriceTerms => priceTerms(readJob(installation, job));

/** Refuses what does not belong to the job, and what is left out at a price. */
function needFit(context: CommandContext, job: string, fields: Fields): void {
  const { currency } = termsOf(context, job);
  fields.lines.forEach(({ area, after }, index) => {
    requireAreaOf(context, job, area, `lines[${index}].area`);
    if (after) requireStep(context, area, after, `lines[${index}].after`);
  });
  fields.drops.forEach(({ area, phase }, index) => {
    requireAreaOf(context, job, area, `drops[${index}].area`);
    requireStep(context, area, phase, 'drops');
  });
  for (const item of fields.omits)
    if (requireRow(context, 'scope_item', item, 'omits').job !== job)
      throw notFound('line of scope in this job', 'omits');
  const net = sum(fields.lines.map((line) => lineNet(priced(line), currency)));
  if (fields.kind === 'omission' && net > 0)
    throw unprocessable(
      'omission-costs',
      'What is left out is priced under 0: write its quantities with a minus.',
      'lines',
    );
  if (fields.kind === 'addition' && net < 0)
    throw unprocessable(
      'addition-saves',
      'This comes to less than 0: if something is left out, choose “an omission”; else put the quantities right.',
      'lines',
    );
}

const priced = ({ quantity, unitPrice }: Line): PricedLine => ({ quantity, unitPrice: unitPrice ?? 0 });

/** The change itself, with its lines and what falls away as they are said now. */
function put(context: CommandContext, row: { id: string; job: string }, fields: Fields): void {
  const { db } = context;
  execute(db, 'DELETE FROM change_line WHERE change_order = @id', { id: row.id });
  execute(db, 'DELETE FROM change_drop WHERE change_order = @id', { id: row.id });
  fields.lines.forEach((line, position) =>
    insert(db, 'change_line', {
      id: line.id,
      change_order: row.id,
      position,
      area: line.area,
      verb: line.verb,
      subject: line.subject,
      quantity: line.quantity,
      unit: line.unit,
      unit_price: orNull(line.unitPrice),
      trade: orNull(line.trade),
      half_days: line.halfDays,
      after_phase: orNull(line.after),
      price_only: flag(line.priceOnly),
    }),
  );
  for (const { area, phase } of fields.drops) insert(db, 'change_drop', { change_order: row.id, area, phase });
}

const valuesOf = (terms: Pick<PriceTerms, 'markup' | 'taxRate'>, fields: Fields) => ({
  kind: fields.kind,
  title: fields.title,
  why: fields.why,
  markup: fields.markup ?? terms.markup,
  tax_rate: fields.taxRate ?? terms.taxRate,
  omits: JSON.stringify(fields.omits),
});

const nextNumber = (db: Connection, job: string): number =>
  (queryOne<{ last: number | null }>(db, 'SELECT max(number) AS last FROM change_order WHERE job = @job', { job })
    ?.last ?? 0) + 1;

/** Begins a change; what it comes from belongs to the same job. */
function begin(
  context: CommandContext,
  change: { id: string; job: string; from?: { of: ChangeSource; id: string } | undefined },
  fields: Fields,
): void {
  const { id, job, from } = change;
  requireRow(context, 'job', job, 'job');
  if (from && requireRow(context, from.of, from.id, 'from').job !== job)
    throw notFound(`${from.of} of this job`, 'from');
  needFit(context, job, fields);
  insert(context.db, 'change_order', {
    id,
    job,
    number: nextNumber(context.db, job),
    ...valuesOf(termsOf(context, job), fields),
    ...(from ? { [from.of]: from.id } : {}),
    state: 'draft',
  });
  put(context, change, fields);
  context.logFor(job);
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

/** Refuses what a client could not agree to: a line without a price. */
function needPrices(lines: readonly ChangeLineRow[]): void {
  const open = lines.find((line) => line.unit_price === null);
  if (open)
    throw unprocessable(
      'no-price',
      `“${open.verb} ${open.subject}” has no price yet; give it one before it is sent.`,
      'id',
    );
}

export const changeHandlers = handlers({
  'change.add': (context, { id, job, from, ...fields }) => begin(context, { id, job, from }, fields),
  'change.draft': (context, { id, of, from }) => {
    const { job, ...fields } = draftFrom(context, of, from);
    begin(context, { id, job, from: { of, id: from } }, { ...fields, drops: [], omits: [] });
  },
  'change.edit': (context, { id, version, ...fields }) => {
    const row = needState(context, id, version, ['draft', 'declined']);
    needFit(context, row.job, fields);
    update(context.db, 'change_order', id, {
      ...valuesOf({ markup: row.markup, taxRate: row.tax_rate }, fields),
      state: 'draft',
    });
    put(context, row, fields);
    context.logFor(row.job);
  },
  'change.drop': (context, { id, version }) => {
    const row = needState(context, id, version, ['draft']);
    dropDraftChange(context, id);
    context.logFor(row.job);
  },
  'change.send': (context, { id, version, ...to }) => {
    const row = needState(context, id, version, ['draft']);
    const lines = linesOfChange(context.db, id);
    needPrices(lines);
    const { before, after } = prepared(context, 'change.send');
    update(context.db, 'change_order', id, {
      state: 'sent',
      sent_at: context.now,
      finish_before: before,
      finish_after: after,
    });
    notifyClient(context, row.job, wordsOf(context, row, lines, { before, after }), to);
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
    const verb = verdict === 'declined' ? 'declined' : 'approved';
    confirmToClient(context, row.job, { name, what: `change ${row.number}, ${row.title}: ${verb}` });
    if (verdict === 'declined') return context.logFor(row.job);
    const [first] = approveChange(context.db, row);
    context.replan(row.job, { kind: 'change', area: first?.area ?? '', number: row.number, title: row.title });
  },
});

/** What a client is told of a change that waits for their answer. */
function wordsOf(
  context: CommandContext,
  row: ChangeRow,
  lines: readonly ChangeLineRow[],
  effect: ChangeEffect,
): { title: string; body: string } {
  const day = today(context.installation);
  const { currency } = termsOf(context, row.job);
  const { total } = priceOfChange(row, lines, currency);
  return {
    title: `Change ${row.number}: ${row.title}`,
    body: [
      `${row.title}.`,
      `${total < 0 ? 'It saves' : 'It costs'} ${formatMoney(Math.abs(total), currency)}, everything included.`,
      sayChangeEffect(effect, day),
      ...(row.why ? [`Why: ${row.why.replace(/\.$/, '')}.`] : []),
      'Please approve or decline it on your page.',
    ].join(' '),
  };
}
