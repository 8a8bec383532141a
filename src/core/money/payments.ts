import type { Phase } from '../sequence/phases';
import { answer, refuse, type Outcome } from '../problem';
import type { Currency } from '../units/money';
import type { Day } from '../units/day';
import { sum } from '../units/rounding';
import { shareOut } from './shares';

/** When a part of the price is due. */
export type PaymentDue =
  | { kind: 'agreed' }
  | { kind: 'begun' }
  | { kind: 'step'; area: string; phase: Phase }
  | { kind: 'finished' }
  | { kind: 'day'; day: Day };

/** A part of the price: so many hundredths of it, a sum, or what the others leave. */
export type PaymentShare = { kind: 'percent'; percent: number } | { kind: 'sum'; amount: number } | { kind: 'rest' };

export interface PaymentStep {
  id: string;
  text: string;
  due: PaymentDue;
  share: PaymentShare;
}

const percentOf = ({ share }: Pick<PaymentStep, 'share'>): number => (share.kind === 'percent' ? share.percent : 0);
const sumOf = ({ share }: Pick<PaymentStep, 'share'>): number => (share.kind === 'sum' ? share.amount : 0);

/**
 * What each step comes to; together they are the price.
 *
 * @param total the price that is paid in steps; null while there is none: then only the shares are looked at
 * @returns a sum for each step, in their order; a problem names what does not add up, by the field of its step
 */
export function paymentAmounts(
  steps: readonly Pick<PaymentStep, 'share'>[],
  total: number | null,
  { step }: Pick<Currency, 'step'>,
): Outcome<number[]> {
  if (steps.length === 0) return answer([]);
  const rests = steps.filter(({ share }) => share.kind === 'rest').length;
  const [percent, sums] = [sum(steps.map(percentOf)), sum(steps.map(sumOf))];
  const last = steps.length - 1;
  if (rests > 1) return wrong(last, 'Only one step can be the rest.');
  if (percent > 100 + 1e-9)
    return wrong(last, `The steps are ${figure(percent)} % together, ${figure(percent - 100)} % too much.`);
  if (rests === 0 && sums === 0 && percent < 100 - 1e-9)
    return wrong(last, `The steps are ${figure(percent)} % together; ${figure(100 - percent)} % are missing.`);
  if (total === null) return answer(steps.map(() => 0));
  const shares = steps.map((entry) => sumOf(entry) + (total * percentOf(entry)) / 100);
  const left = total - sum(shares);
  // Parts of a hundred are rounded; sums alone make up the price to the last hundredth or do not.
  if (rests === 0 && Math.abs(left) >= (percent > 0 ? steps.length * step : 1))
    return wrong(last, `The steps and the price do not agree; make one of them the rest.`);
  if (rests > 0 && left < 0)
    return wrong(last, 'Nothing is left for the rest: the other steps are more than the price.');
  return answer(
    shareOut(
      total,
      steps.map(({ share }, at) => (share.kind === 'rest' ? left : (shares[at] ?? 0))),
      step,
    ),
  );
}

const figure = (value: number): number => Math.round(value * 100) / 100;

const wrong = (at: number, message: string): Outcome<never> =>
  refuse({ code: 'payments-do-not-add-up', message, field: `steps[${at}].share` });
