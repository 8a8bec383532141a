import { direction, endsOf, leftOf, shift, type Point } from './point';
import type { Fixture, Opening } from './shape';

/** The floor that a door leaf sweeps or a placed thing takes, as corners. */
export function footprint(corners: readonly Point[], thing: Fixture): Point[] {
  const [a, b] = endsOf(corners, thing.wall);
  const d = direction(a, b);
  const from = shift(shift(a, d, thing.along.mm), leftOf(d), -thing.away.mm);
  const to = shift(from, d, thing.width.mm);
  return [from, to, shift(to, leftOf(d), -thing.depth.mm), shift(from, leftOf(d), -thing.depth.mm)];
}

export interface Swing {
  hinge: Point;
  radius: number;
  /** Where the leaf lies shut and where it stands open. */
  shut: Point;
  open: Point;
}

/** The quarter circle of a door that opens into this room; nothing for what slides or opens away. */
export function swingOf(corners: readonly Point[], opening: Opening): Swing | undefined {
  if (opening.kind !== 'door' || !opening.opensIn || !opening.along) return undefined;
  const [a, b] = endsOf(corners, opening.wall);
  const d = direction(a, b);
  const [left, right] = [shift(a, d, opening.along.mm), shift(a, d, opening.along.mm + opening.width.mm)];
  const hinge = opening.hinge === 'left' ? left : right;
  return {
    hinge,
    radius: opening.width.mm,
    shut: opening.hinge === 'left' ? right : left,
    open: shift(hinge, leftOf(d), -opening.width.mm),
  };
}
