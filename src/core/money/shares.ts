import { floor, sum } from '../units/rounding';

/**
 * Parts of a sum that are rounded, and still make up the sum: each is cut down to what can be paid, and what is left is
 * given, step by step, to those that lost most. Source: the method of the largest remainder.
 *
 * @param total what they make up, in hundredths
 * @param exact what each would be unrounded; they may be under 0
 * @param step the smallest sum that can be paid; where `total` is no multiple of it, the part that lost most bears the rest
 * @returns as many parts, in their order; none where there are none
 */
export function shareOut(total: number, exact: readonly number[], step: number): number[] {
  if (exact.length === 0) return [];
  const parts = exact.map((amount) => floor(amount / step) * step);
  const lost = exact
    .map((amount, at) => ({ at, by: amount - (parts[at] ?? 0) }))
    .sort((a, b) => b.by - a.by || a.at - b.at);
  const left = total - sum(parts);
  const steps = Math.trunc(left / step);
  const [most] = lost;
  for (let given = 0; given < Math.abs(steps); given += 1) {
    // Too much was given only where the parts do not stand for the total; then those that lost least give back.
    const { at } = lost[steps > 0 ? given % lost.length : lost.length - 1 - (given % lost.length)] ?? { at: 0 };
    parts[at] = (parts[at] ?? 0) + Math.sign(steps) * step;
  }
  if (most) parts[most.at] = (parts[most.at] ?? 0) + (left - steps * step);
  return parts;
}
