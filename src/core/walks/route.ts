import type { AreaKind } from '../sites/area';

interface Stop {
  kind: AreaKind;
  /** Of its storey, counted from the entrance; outside areas have none. */
  level?: { height: number };
  position: number;
}

/**
 * Areas in the order in which people walk them: round the outside, in at the door, up through the storeys to the roof,
 * and the cellar on the way out. Within a storey as they lie along the way in.
 */
export function walkingOrder<Area extends Stop>(areas: readonly Area[]): Area[] {
  const rank = ({ kind, level }: Stop): number => {
    if (kind === 'roof') return 1000;
    if (!level) return -1000;
    return level.height < 0 ? 2000 - level.height : level.height;
  };
  return [...areas].sort((a, b) => rank(a) - rank(b) || a.position - b.position);
}
