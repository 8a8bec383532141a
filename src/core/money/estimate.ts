import type { LinePrice, MissingPrice } from './line-price';
import { clientPrice, priceOf, type ClientPrice, type Price, type PriceTerms } from './price';

/** A thing that has a price of its own in a job. */
export interface EstimateEntry extends LinePrice {
  /** Kept from day to day: `scope …`, `finding …`, `options …`. */
  key: string;
  kind: 'line' | 'damage' | 'allowance' | 'option';
  /** Null where it belongs to the whole job. */
  area: string | null;
  /** Only paid if it is found: no part of the sum. */
  conditional: boolean;
  text: string;
}

/** What a job's work costs and what it is sold for, by what is written down of it today. */
export interface Estimate {
  entries: EstimateEntry[];
  /** Of all that is in the price. */
  price: Price;
  client: ClientPrice;
  /** What a client reads for an entry that is in the price, by its key. */
  parts: ReadonlyMap<string, number>;
  /** Entries of which a price, or a part of it, is missing. */
  missing: { key: string; what: MissingPrice[] }[];
}

/** The sum of what is priced. What is conditional stands beside it. */
export function estimateOf(entries: readonly EstimateEntry[], terms: PriceTerms): Estimate {
  const inPrice = entries.filter((entry) => !entry.conditional);
  const nets = inPrice.map((entry) => entry.net);
  const client = clientPrice(nets, terms);
  return {
    entries: [...entries],
    price: priceOf(nets, terms),
    client,
    parts: new Map(inPrice.map((entry, at) => [entry.key, client.parts[at] ?? 0])),
    missing: entries.flatMap(({ key, missing }) => (missing.length > 0 ? [{ key, what: missing }] : [])),
  };
}

export interface SumRow {
  key: string;
  text: string;
  /** In hundredths, as clients read it. */
  amount: number;
}

/** An estimate as rows that make up its sum: one for each area that has a price, then what is allowed for. */
export function rowsByArea(
  estimate: Estimate,
  areas: readonly { id: string; name: string }[],
  words: { wholeJob: string; allowances: string },
): SumRow[] {
  const sums = new Map<string | null, number>();
  let allowed = 0;
  for (const { key, area, kind } of estimate.entries) {
    const part = estimate.parts.get(key) ?? 0;
    if (kind === 'allowance') allowed += part;
    else sums.set(area, (sums.get(area) ?? 0) + part);
  }
  const rows = [
    ...areas.map(({ id, name }) => ({
      key: `sum ${id}`,
      text: name,
      amount: sums.get(id) ?? 0,
    })),
    { key: 'sum job', text: words.wholeJob, amount: sums.get(null) ?? 0 },
    { key: 'sum allowances', text: words.allowances, amount: allowed },
  ];
  return rows.filter(({ amount }) => amount !== 0);
}
