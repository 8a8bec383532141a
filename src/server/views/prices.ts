import type { PricedLine, PricesView } from '@/contract/views/money';
import type { EstimateEntry } from '@/core/money/estimate';
import { groupBy } from '@/core/group-by';
import { lineText } from '@/core/scope/brief';
import { areasUpward, jobRow } from '../reading/job';
import { hourRates, priceTerms } from '../reading/money';
import type { JobReading } from '../reading/reading';
import { scopeRows } from '../reading/scope';
import { boughtBy, decidedBy, estimateOf, isPriced } from './estimate';
import { jobHead } from './job-head';
import { scopeCounts } from './scope-parts';

/** What the office sees of a job's prices: how each line is priced, and what it all comes to. */
export function pricesView(job: JobReading): PricesView {
  const estimate = estimateOf(job);
  const entries = new Map(estimate.entries.map((entry) => [entry.key, entry]));
  const [bought, byOption, rates] = [boughtBy(job), decidedBy(job).lines, hourRates(job.firm)];
  const lines = groupBy(scopeRows(job).filter(isPriced), (row) => row.area);
  const others = groupBy(
    estimate.entries.filter(({ kind }) => kind !== 'line'),
    ({ area }) => area ?? '',
  );
  const { markup, tax_rate, prices_shown, late_cost, site_cost } = jobRow(job);
  const shown = ({ key, kind, text, net }: EstimateEntry) => ({ key, kind, text, net });
  return {
    job: jobHead(job),
    today: job.firm.today,
    counts: scopeCounts(job),
    terms: priceTerms(job),
    own: { markup, taxRate: tax_rate, lateCost: late_cost, siteCost: site_cost },
    pricesShown: prices_shown,
    areas: areasUpward(job)
      .map(({ id, name }) => ({
        id,
        name,
        lines: (lines.get(id) ?? []).map((row): PricedLine => {
          const entry = entries.get(`scope ${row.id}`);
          return {
            id: row.id,
            version: row.version,
            text: lineText(row),
            conditional: row.stance === 'conditional',
            quantity: row.quantity,
            unit: row.unit ?? '',
            trade: row.trade,
            perHour: row.trade === null ? null : (rates.get(row.trade) ?? null),
            bought: bought.get(row.id) ?? null,
            way: row.price_way,
            unitPrice: row.unit_price,
            hours: row.hours,
            net: entry?.net ?? 0,
            part: estimate.parts.get(`scope ${row.id}`) ?? 0,
            missing: entry?.missing ?? [],
            byOption: byOption.has(row.id),
          };
        }),
        others: (others.get(id) ?? []).map(shown),
      }))
      .filter((area) => area.lines.length + area.others.length > 0),
    others: (others.get('') ?? []).map(shown),
    price: estimate.price,
    client: { sum: estimate.client.sum, tax: estimate.client.tax, total: estimate.client.total },
    missing: estimate.missing.length,
    withoutRate: [
      ...new Set(
        scopeRows(job).flatMap(({ trade, price_way }) =>
          price_way === 'parts' && trade !== null && !rates.has(trade) ? [trade] : [],
        ),
      ),
    ],
  };
}
