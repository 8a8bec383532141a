import type { PriceTerms } from '@/core/money/price';
import type { PaymentStep } from '@/core/money/payments';
import type { Trade } from '@/core/sequence/trades';
import { currencyOf, type Currency } from '@/core/units/money';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { firmRow } from './firm';
import { jobRow } from './job';
import { OF_JOBS, ofFirm, ofJob, rowsOf } from './reading';

export const currencyOfFirm = ofFirm((firm): Currency => currencyOf(firmRow(firm)?.currency ?? null));

/** What an hour of each trade costs the firm. */
export const hourRates = ofFirm(
  ({ db }): ReadonlyMap<Trade, number> =>
    new Map(queryAll<Rows['hour_rate']>(db, 'SELECT * FROM hour_rate').map((row) => [row.trade, row.per_hour])),
);

/** How a job's prices are made: its own markup and tax, else the firm's. */
export const priceTerms = ofJob((job): PriceTerms => {
  const [firm, { markup, tax_rate }] = [firmRow(job.firm), jobRow(job)];
  return {
    markup: markup ?? firm?.markup ?? 0,
    taxRate: tax_rate ?? firm?.tax_rate ?? 0,
    taxShown: firm?.tax_shown ?? 'apart',
    currency: currencyOfFirm(job.firm),
  };
});

const paymentStepRows = rowsOf<Rows['payment_step']>(
  `SELECT * FROM payment_step WHERE job ${OF_JOBS} ORDER BY job, position`,
);

/** The parts in which the price is paid, in their order. */
export const paymentSteps = ofJob((job) => paymentStepRows(job).map(paymentStep));

function paymentStep(row: Rows['payment_step']): PaymentStep {
  const { id, text, percent, amount, due, due_area, due_phase, due_day } = row;
  return {
    id,
    text,
    share:
      percent !== null ? { kind: 'percent', percent } : amount !== null ? { kind: 'sum', amount } : { kind: 'rest' },
    due:
      due === 'step' && due_area !== null && due_phase !== null
        ? { kind: 'step', area: due_area, phase: due_phase }
        : due === 'day' && due_day !== null
          ? { kind: 'day', day: due_day }
          : { kind: due === 'step' || due === 'day' ? 'finished' : due },
  };
}

/** What the client paid, the newest first. */
export const paymentRows = rowsOf<Rows['payment']>(
  `SELECT * FROM payment WHERE job ${OF_JOBS} AND removed = 0 ORDER BY day DESC, rowid DESC`,
);

/** What was spent, the newest first. */
export const spendingRows = rowsOf<Rows['spending']>(
  `SELECT * FROM spending WHERE job ${OF_JOBS} AND removed = 0 ORDER BY day DESC, rowid DESC`,
);
