import { estimateOf as priced, type Estimate, type EstimateEntry } from '@/core/money/estimate';
import { linePrice, type LinePrice } from '@/core/money/line-price';
import { lineNet } from '@/core/money/price';
import { lineText } from '@/core/scope/brief';
import type { Option } from '@/core/scope/option';
import type { Currency } from '@/core/units/money';
import { goodsOf } from '../reading/goods';
import { currencyOfFirm, hourRates, priceTerms } from '../reading/money';
import { ofJob, type JobReading } from '../reading/reading';
import { optionRows, scopeRows } from '../reading/scope';
import { boughtForLines } from './quantities';
import { findingsOf } from './scope-parts';

type ScopeRow = ReturnType<typeof scopeRows>[number];

/**
 * Work that is neither left alone nor brought by a change: it is what the contract's price is for. A line that a change
 * left out later stays in it: the change itself takes its price off.
 */
export const isPriced = (row: ScopeRow): boolean =>
  row.change_order === null
    ? row.stance !== 'out' && row.stance !== 'keep-live'
    : row.stance === 'out' && row.price_way !== null;

/** What a line of scope costs the firm. */
function lineEntry(job: JobReading, row: ScopeRow, bought: number | null): EstimateEntry {
  const price = linePrice(
    { way: row.price_way, unitPrice: row.unit_price, hours: row.hours },
    {
      quantity: row.quantity,
      bought,
      trade: row.trade,
      perHour: row.trade === null ? null : (hourRates(job.firm).get(row.trade) ?? null),
    },
    currencyOfFirm(job.firm),
  );
  return {
    ...price,
    key: `scope ${row.id}`,
    kind: 'line',
    area: row.area,
    conditional: row.stance === 'conditional',
    text: lineText(row),
  };
}

const only = (net: number, missing: LinePrice['missing'] = []): LinePrice => ({
  material: 0,
  labour: 0,
  other: net,
  net,
  hours: 0,
  missing,
});

/** What the goods of a line cost: those that calculators buy, and the one it names where no allowance pays for it. */
export const boughtBy = ofJob((job): ReadonlyMap<string, number | null> => {
  const calculated = boughtForLines(job);
  const goods = new Map(goodsOf(job).map((item) => [item.id, item]));
  return new Map(
    scopeRows(job).map((row) => {
      const item = row.selection === null ? undefined : goods.get(row.selection);
      const named = !item || item.allowance !== null ? 0 : item.price;
      const made = calculated.get(row.id) ?? 0;
      return [row.id, calculated.get(row.id) === null || named === null ? null : made + named];
    }),
  );
});

/** Damage that is allowed for, and sums that are allowed for what is not chosen yet. */
function findingEntries(job: JobReading, currency: Currency): EstimateEntry[] {
  return findingsOf(job).flatMap((finding): EstimateEntry[] => {
    const { id, kind, area, quantity, allowed, unitPrice, text } = finding;
    const entry = { key: `finding ${id}`, area, conditional: false };
    if (kind === 'allowance')
      return [
        {
          ...entry,
          ...(unitPrice === null
            ? only(0, ['price'])
            : only(lineNet({ quantity: quantity ?? 1, unitPrice }, currency))),
          kind,
          text,
        },
      ];
    if (kind === 'damage' && unitPrice !== null && allowed !== null)
      return [{ ...entry, ...only(lineNet({ quantity: allowed, unitPrice }, currency)), kind, text: `repair ${text}` }];
    return [];
  });
}

interface Decided {
  entries: EstimateEntry[];
  /** Lines whose price is that of the way that was chosen, or that wait for a choice. */
  lines: ReadonlySet<string>;
}

/** The ways that were chosen, where they have a price; their lines cost nothing beside it. */
export const decidedBy = ofJob((job): Decided => {
  const lines = new Set<string>();
  const entries = optionRows(job).flatMap((set): EstimateEntry[] => {
    const options = JSON.parse(set.options) as Option[];
    if (options.every(({ cost }) => cost === 0)) return [];
    for (const id of JSON.parse(set.lines) as string[]) lines.add(id);
    for (const row of scopeRows(job)) if (row.option_set === set.id) lines.add(row.id);
    const chosen = options.find(({ key }) => key === set.chosen);
    return chosen
      ? [
          {
            ...only(chosen.cost),
            key: `options ${set.id}`,
            kind: 'option',
            area: set.area,
            conditional: false,
            text: `${set.subject}: ${chosen.name}`,
          },
        ]
      : [];
  });
  return { entries, lines };
});

/** What a job's work costs and is sold for, by what is written down of it today. */
export const estimateOf = ofJob((job): Estimate => {
  const currency = currencyOfFirm(job.firm);
  const [bought, decided] = [boughtBy(job), decidedBy(job)];
  const lines = scopeRows(job)
    .filter(isPriced)
    .map((row) => lineEntry(job, row, bought.get(row.id) ?? null))
    .map((entry) => (decided.lines.has(entry.key.slice('scope '.length)) ? { ...entry, ...only(0) } : entry));
  return priced([...lines, ...decided.entries, ...findingEntries(job, currency)], priceTerms(job));
});
