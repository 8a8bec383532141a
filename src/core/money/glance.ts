import type { SpendingKind } from './spending';

/** What one kind of cost comes to. Money in hundredths, as it costs the firm. */
export interface CostSoFar {
  planned: number;
  spent: number;
  /** Ordered and not paid for yet. */
  ordered: number;
  /** Expected beyond what is spent and ordered. */
  toCome: number;
  expected: number;
}

/**
 * Goods: what is planned and neither ordered nor paid for is still to come; where more was ordered and paid than planned,
 * that is what they cost.
 */
function goodsSoFar(planned: number, spent: number, ordered: number): CostSoFar {
  const toCome = Math.max(0, planned - spent - ordered);
  return { planned, spent, ordered, toCome, expected: spent + ordered + toCome };
}

/**
 * Work: the part that is done has cost what was spent on it, but at least what was planned for it, since hours are
 * booked late; the rest comes at its plan. A saving shows once the work is done.
 *
 * @param done the part of the work that is done, 0 to 1
 */
function workSoFar(planned: number, spent: number, done: number): CostSoFar {
  const soFar = done >= 1 ? spent : Math.max(spent, planned * done);
  const expected = Math.round(soFar + planned * (1 - done));
  return { planned, spent, ordered: 0, toCome: Math.max(0, expected - spent), expected };
}

export type CostsSoFar = Record<SpendingKind, CostSoFar>;

/** What a job costs so far and is expected to cost at its end. */
export const costsSoFar = (terms: {
  planned: { material: number; work: number };
  spent: Readonly<Record<SpendingKind, number>>;
  ordered: number;
  done: number;
}): CostsSoFar => ({
  material: goodsSoFar(terms.planned.material, terms.spent.material, terms.ordered),
  work: workSoFar(terms.planned.work, terms.spent.work, terms.done),
  other: goodsSoFar(0, terms.spent.other, 0),
});
