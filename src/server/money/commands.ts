import type { InferType } from 'yup';
import type { setPayments } from '@/contract/commands/money';
import { paymentAmounts, type PaymentShare } from '@/core/money/payments';
import { currencyOfFirm } from '../reading/money';
import { readHouse } from '../reading/reading';
import { execute, insert, orNull } from '../database/query';
import { handlers, requireAreaOf, requireRow, requireStep, type CommandContext } from '../door/handler';
import { conflict, notFound, unprocessable } from '../refusal';
import { changeLine } from '../quantities/lines';
import { priceJob } from '../sites/job-money';

type Step = InferType<typeof setPayments.schema>['steps'][number];

/** A share as it is said; the door has seen that what its kind asks for is there. */
const shareOf = ({ kind, percent, amount }: Step['share']): PaymentShare =>
  kind === 'percent' ? { kind, percent: percent ?? 0 } : kind === 'sum' ? { kind, amount: amount ?? 0 } : { kind };

/** Refuses steps that do not make up a whole, and steps of work that are not there. */
function needWhole(context: CommandContext, job: string, steps: readonly Step[]): void {
  const amounts = paymentAmounts(
    steps.map(({ share }) => ({ share: shareOf(share) })),
    null,
    currencyOfFirm(readHouse(context.installation)),
  );
  if (!amounts.ok) throw unprocessable(amounts.problem.code, amounts.problem.message, amounts.problem.field);
  steps.forEach(({ due }, at) => {
    if (due.kind !== 'step' || !due.area || !due.phase) return;
    requireAreaOf(context, job, due.area, `steps[${at}].due.area`);
    requireStep(context, due.area, due.phase, `steps[${at}].due.phase`);
  });
}

const dueColumns = ({ kind, area, phase, day }: Step['due']) => ({
  due: kind,
  due_area: kind === 'step' ? orNull(area) : null,
  due_phase: kind === 'step' ? orNull(phase) : null,
  due_day: kind === 'day' ? orNull(day) : null,
});

export const moneyHandlers = handlers({
  'rate.set-hour': (context, { trade, perHour }) => {
    if (trade === 'nobody')
      throw unprocessable('trade-of-nobody', 'Waiting costs no hours; choose another trade.', 'trade');
    execute(context.db, 'DELETE FROM hour_rate WHERE trade = @trade', { trade });
    if (perHour !== null) insert(context.db, 'hour_rate', { trade, per_hour: perHour });
  },
  'job.set-money': (context, { job, markup, taxRate, pricesShown, lateCost, siteCost }) => {
    requireRow(context, 'job', job, 'job');
    priceJob(context.db, job, {
      ...{ markup, tax_rate: taxRate, prices_shown: pricesShown },
      ...{ late_cost: lateCost, site_cost: siteCost },
    });
    context.logFor(job);
  },
  'scope.price': (context, { job, lines }) => {
    lines.forEach(({ id, version, way, unitPrice, hours }, at) => {
      const row = requireRow(context, 'scope_item', id, `lines[${at}].id`);
      if (row.job !== job || row.removed) throw notFound('line of scope in this job', `lines[${at}].id`);
      if (row.version !== version) throw conflict('line of scope', row);
      if (way === 'unit' && row.quantity === null)
        throw unprocessable(
          'no-quantity',
          'This line does not say how much it is: give it a quantity, or price it as one sum.',
          `lines[${at}].way`,
        );
      changeLine(context.db, id, {
        price_way: way,
        unit_price: way === null || way === 'within' ? null : unitPrice,
        hours: way === 'parts' ? hours : null,
      });
    });
    context.logFor(job);
  },
  'payments.set': (context, { job, steps }) => {
    requireRow(context, 'job', job, 'job');
    needWhole(context, job, steps);
    execute(context.db, 'DELETE FROM payment_step WHERE job = @job', { job });
    steps.forEach(({ id, text, share, due }, position) => {
      const part = shareOf(share);
      insert(context.db, 'payment_step', {
        id,
        job,
        position,
        text,
        percent: part.kind === 'percent' ? part.percent : null,
        amount: part.kind === 'sum' ? part.amount : null,
        ...dueColumns(due),
      });
    });
    context.logFor(job);
  },
  'payment.add': (context, { id, job, ...payment }) => {
    requireRow(context, 'job', job, 'job');
    insert(context.db, 'payment', { id, job, ...payment });
    context.logFor(job);
  },
  'spending.add': (context, { id, job, area, selection, ...spent }) => {
    requireRow(context, 'job', job, 'job');
    if (area) requireAreaOf(context, job, area);
    if (selection && requireRow(context, 'selection', selection, 'selection').job !== job)
      throw notFound('order in this job', 'selection');
    insert(context.db, 'spending', { id, job, ...spent, area: orNull(area), selection: orNull(selection) });
    context.logFor(job);
  },
});
