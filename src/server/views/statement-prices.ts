import type { StatementLine, StatementSums } from '@/core/scope/statement';
import { rowsByArea } from '@/core/money/estimate';
import { paymentAmounts, type PaymentDue } from '@/core/money/payments';
import { wholePrice, type PriceTerms } from '@/core/money/price';
import type { Option } from '@/core/scope/option';
import { phaseFacts } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { formatMoney } from '@/core/units/money';
import { sum } from '@/core/units/rounding';
import { areaNames, areasUpward, jobRow } from '../reading/job';
import { paymentSteps, priceTerms } from '../reading/money';
import { ofJob, type JobReading } from '../reading/reading';
import { changeRows, optionRows } from '../reading/scope';
import { changePrice } from './changes';
import { estimateOf } from './estimate';

/** The prices of a statement as its client reads them. */
export interface Prices {
  terms: PriceTerms;
  /** A sum by itself, everything included, in words. */
  whole: (net: number) => string;
  /** The amount of a line, where prices are shown line by line. */
  ofLine: (key: string) => Pick<StatementLine, 'amount'>;
  /** What a line costs that is only paid if it is found, everything included, in words; empty where it has no price. */
  ifFound: (key: string) => string;
  /** What is allowed for is always said. */
  ofAllowance: (key: string) => Pick<StatementLine, 'amount'>;
  sums: StatementSums | null;
}

export const pricesOf = ofJob((job): Prices => {
  const terms = priceTerms(job);
  const { prices_shown } = jobRow(job);
  const { parts, entries } = estimateOf(job);
  const amount = (key: string): Pick<StatementLine, 'amount'> => {
    const part = parts.get(key);
    return part ? { amount: part } : {};
  };
  return {
    terms,
    whole: (net) => formatMoney(wholePrice(net, terms), terms.currency),
    ofLine: (key) => (prices_shown === 'line' ? amount(key) : {}),
    ifFound: (key) => {
      const entry = entries.find((each) => each.key === key && each.conditional);
      return entry && entry.net > 0 ? formatMoney(wholePrice(entry.net, terms), terms.currency) : '';
    },
    ofAllowance: amount,
    sums: sumsOf(job, terms),
  };
});

/** The whole price; nothing where nothing has one. */
function sumsOf(job: JobReading, terms: PriceTerms): StatementSums | null {
  const estimate = estimateOf(job);
  if (estimate.price.net === 0) return null;
  const shown = jobRow(job).prices_shown;
  const conditional = new Set(estimate.entries.flatMap(({ key, conditional: only }) => (only ? [key] : [])));
  return {
    rows:
      shown === 'total'
        ? []
        : rowsByArea(estimate, areasUpward(job), { wholeJob: 'For the whole job', allowances: 'What is allowed for' }),
    sum: estimate.client.sum,
    taxRate: terms.taxRate,
    taxShown: terms.taxShown,
    tax: estimate.client.tax,
    total: estimate.client.total,
    unpriced: estimate.missing.filter(({ key }) => !conditional.has(key)).length,
    toChoose: toChoose(job, terms),
    changes: sum(
      changeRows(job)
        .filter(({ state }) => state === 'approved')
        .map((change) => changePrice(job, change).total),
    ),
  };
}

const toChoose = (job: JobReading, terms: PriceTerms): StatementSums['toChoose'] =>
  optionRows(job)
    .filter(({ chosen }) => chosen === null)
    .flatMap(({ area, subject, options }) => {
      const ways = (JSON.parse(options) as Option[]).map(({ name, cost }) => ({
        name,
        amount: wholePrice(cost, terms),
      }));
      return ways.some(({ amount }) => amount !== 0)
        ? [{ text: [areaNames(job).get(area), subject].filter(Boolean).join(': '), ways }]
        : [];
    });

/** When a part of the price is due, in words that hold whatever the plan says. */
export function dueWords(job: JobReading, due: PaymentDue): string {
  switch (due.kind) {
    case 'agreed':
      return 'when this is agreed';
    case 'begun':
      return 'when the work begins';
    case 'finished':
      return 'when everything is handed over';
    case 'day':
      return `on ${formatDay(due.day, job.firm.today)}`;
    case 'step':
      return `after ${phaseFacts(due.phase).plain} in ${areaNames(job).get(due.area) ?? 'a room that is gone'}`;
  }
}

/** The parts in which the price is paid, each with what it comes to where there is a price. */
export function paymentLines(job: JobReading, { sums, terms }: Prices): StatementLine[] {
  const steps = paymentSteps(job);
  const amounts = paymentAmounts(steps, sums?.total ?? null, terms.currency);
  return steps.map(({ id, text, due, share }, at) => ({
    key: `payment ${id}`,
    text: share.kind === 'percent' ? `${text}, ${share.percent} %` : text,
    note: dueWords(job, due),
    ...(sums && amounts.ok ? { amount: amounts.value[at] ?? 0 } : {}),
  }));
}
