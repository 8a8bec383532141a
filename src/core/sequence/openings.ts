import type { Phase } from './phases';
import { willHave, type Site, type SiteArea } from './site';

/** What opens a house, or takes from a household what it has no other of, and what closes it again. */
interface OpeningFacts {
  opens: Phase;
  /** Steps that close it; what they use must have its day first. */
  closes: readonly Phase[];
  /** Those of them whose goods somebody has to choose. */
  chosen: readonly Phase[];
  /** Completes "… stands open". */
  what: string;
  /** Only where somebody lives there and no other area has one of these. */
  only?: readonly string[];
}

const OPENINGS: readonly OpeningFacts[] = [
  {
    opens: 'roof-strip',
    closes: ['underlay', 'roof-flashings', 'covering', 'glazing'],
    chosen: ['covering', 'glazing'],
    what: 'the roof',
  },
  { opens: 'strip', closes: ['barrier', 'openings', 'cladding'], chosen: ['cladding'], what: 'the outer wall' },
  {
    opens: 'wall-cut',
    closes: ['window-in', 'openings'],
    chosen: ['window-in', 'openings'],
    what: 'the hole in the wall',
  },
  { opens: 'excavate', closes: ['pipe', 'form', 'footing-pour', 'backfill'], chosen: [], what: 'the trench' },
  { opens: 'stair-out', closes: ['stair'], chosen: ['stair'], what: 'the stair' },
  {
    opens: 'tear-out',
    closes: ['cabinets', 'worktops'],
    chosen: ['cabinets'],
    what: 'the only kitchen',
    only: ['sink', 'cooking', 'cold food'],
  },
  {
    opens: 'tear-out',
    closes: ['tiling', 'plumbing-finish'],
    chosen: ['tiling'],
    what: 'the only bath',
    only: ['toilet', 'shower'],
  },
];

/** An opening of one area, with the steps that close it there. */
export interface Opening {
  opens: Phase;
  closes: readonly Phase[];
  /** Those of them whose goods somebody has to choose. */
  chosen: readonly Phase[];
  what: string;
}

/** What work in an area opens. */
export function openingsIn(site: Pick<Site, 'areas' | 'livedIn'>, area: SiteArea): Opening[] {
  const has = (phase: Phase): boolean => area.track.some((step) => step.phase === phase);
  return OPENINGS.flatMap(({ opens, closes, chosen, what, only }) => {
    const closing = closes.filter(has);
    if (!has(opens) || closing.length === 0) return [];
    if (only && !(site.livedIn && isOnlyOne(site, area, only))) return [];
    return [{ opens, closes: closing, chosen: chosen.filter(has), what }];
  });
}

/** Whether the household has no other place for it. */
const isOnlyOne = (site: Pick<Site, 'areas'>, area: SiteArea, needs: readonly string[]): boolean =>
  needs.some(
    (need) => area.provides.includes(need) && !site.areas.some((other) => other !== area && willHave(other, need)),
  );

/** Half-days of work from an opening until the step that closes it can begin. */
export function workUntil(area: SiteArea, opens: Phase, closes: Phase): number {
  const from = area.track.findIndex((step) => step.phase === opens);
  const to = area.track.findIndex((step) => step.phase === closes);
  return area.track.slice(Math.max(0, from), Math.max(0, to)).reduce((sum, step) => sum + step.remaining, 0);
}
