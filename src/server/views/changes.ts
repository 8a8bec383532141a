import type { ChangeLineView, ChangesView, ChangeView, ClientChange } from '@/contract/views/changes';
import { clientPrice, lineNet, type Price } from '@/core/money/price';
import { groupBy } from '@/core/group-by';
import { lineText } from '@/core/scope/brief';
import { phaseFacts } from '@/core/sequence/phases';
import type { ChangeEffect } from '../door/prepared';
import { areaNames, jobRow } from '../reading/job';
import { currencyOfFirm, priceTerms } from '../reading/money';
import { ofJob, type JobReading } from '../reading/reading';
import { changeDropRows, changeLineRows, changeRows, type ChangeLineRow } from '../reading/scope';
import { priceOfChange, type ChangeRow } from '../scope/changes';
import { whenSeen } from '../words';
import { jobHead } from './job-head';
import { choosable } from './scope';
import { scopeCounts, scopeOf } from './scope-parts';

const linesBy = ofJob((job) => groupBy(changeLineRows(job), (line) => line.change_order));
const dropsBy = ofJob((job) => groupBy(changeDropRows(job), (drop) => drop.change_order));

export const changePrice = (job: JobReading, row: ChangeRow): Price =>
  priceOfChange(row, linesBy(job).get(row.id) ?? [], currencyOfFirm(job.firm));

/** A draft that was let go before anybody was sent it is no change of the job's. */
const wasDropped = (row: ChangeRow): boolean => row.state === 'declined' && row.answered_at === null;
export const liveChanges = ofJob((job): ChangeRow[] => changeRows(job).filter((row) => !wasDropped(row)));

/** The rooms of a change, each once. */
const placesOf = (job: JobReading, lines: readonly ChangeLineRow[]): string =>
  [...new Set(lines.map(({ area }) => areaNames(job).get(area) ?? ''))].filter(Boolean).join(', ');

const answered = (job: JobReading, row: ChangeRow): string | null =>
  row.answered_at
    ? `${row.state} by ${row.answered_by ?? ''}, ` +
      `${whenSeen(row.answered_at, job.firm)}${row.answer ? `: ${row.answer}` : ''}`
    : null;

/** @param effects what drafts would do to the finish, by their ids: of what was sent the client was told */
export function changesView(job: JobReading, effects: ReadonlyMap<string, ChangeEffect>): ChangesView {
  const lines = groupBy(
    scopeOf(job).filter((line) => line.stance !== 'out'),
    (line) => line.areaId,
  );
  const { client, client_email } = jobRow(job);
  return {
    job: jobHead(job),
    today: job.firm.today,
    counts: scopeCounts(job),
    client: { name: client || 'Client', address: client_email },
    areas: choosable(job).map(({ id, name, phases }) => ({
      id,
      name,
      phases,
      lines: (lines.get(id) ?? []).map((line) => ({ id: line.id, text: lineText(line) })),
    })),
    terms: priceTerms(job),
    changes: liveChanges(job).map((row) => changeView(job, row, effects.get(row.id))),
  };
}

const lineView = (job: JobReading, line: ChangeLineRow): ChangeLineView => ({
  id: line.id,
  area: line.area,
  areaName: areaNames(job).get(line.area) ?? '',
  verb: line.verb,
  subject: line.subject,
  quantity: line.quantity,
  unit: line.unit,
  unitPrice: line.unit_price,
  net:
    line.unit_price === null
      ? null
      : lineNet({ quantity: line.quantity, unitPrice: line.unit_price }, currencyOfFirm(job.firm)),
  trade: line.trade,
  halfDays: line.half_days,
  after: line.after_phase,
  priceOnly: line.price_only === 1,
});

/** A change as the office sees it: with what it costs and what is put on it. */
function changeView(job: JobReading, row: ChangeRow, effect: ChangeEffect | undefined): ChangeView {
  const lines = linesBy(job).get(row.id) ?? [];
  return {
    id: row.id,
    version: row.version,
    places: placesOf(job, lines),
    number: row.number,
    kind: row.kind,
    title: row.title,
    why: row.why,
    lines: lines.map((line) => lineView(job, line)),
    markup: row.markup,
    taxRate: row.tax_rate,
    price: changePrice(job, row),
    drops: (dropsBy(job).get(row.id) ?? []).map(({ area, phase }) => ({
      area,
      phase,
      text: `${phaseFacts(phase).label}, ${areaNames(job).get(area) ?? ''}`,
    })),
    omits: JSON.parse(row.omits) as string[],
    state: row.state,
    before: effect ? effect.before : row.finish_before,
    after: effect ? effect.after : row.finish_after,
    answered: answered(job, row),
  };
}

/** The same as the client is handed it: no price of one, no overhead, nothing of how it is made. */
export function clientChange(job: JobReading, row: ChangeRow): ClientChange {
  const lines = linesBy(job).get(row.id) ?? [];
  const currency = currencyOfFirm(job.firm);
  const terms = { ...priceTerms(job), markup: row.markup, taxRate: row.tax_rate };
  const { parts, sum, tax, total } = clientPrice(
    lines.map(({ quantity, unit_price }) => lineNet({ quantity, unitPrice: unit_price ?? 0 }, currency)),
    terms,
  );
  const shown = jobRow(job).prices_shown === 'line';
  return {
    id: row.id,
    number: row.number,
    title: row.title,
    why: row.why,
    places: placesOf(job, lines),
    lines: lines.map((line, at) => ({
      text: line.price_only
        ? `${line.verb} ${line.subject}`
        : `${line.verb} ${line.subject}, ${Math.abs(line.quantity)} ${line.unit}`,
      amount: shown ? (parts[at] ?? 0) : null,
    })),
    sum,
    tax,
    taxShown: terms.taxShown,
    total,
    before: row.finish_before,
    after: row.finish_after,
    state: row.state,
    answered: answered(job, row),
  };
}
