import type { AreaKind } from '../sites/area';
import { inUsualOrder, PHASE_KEYS, phaseFacts, type Phase } from './phases';
import type { SiteArea } from './site';

/**
 * What is to be done in an area, as one says it on the first visit; each brings the phases it needs.
 * An area may take several (a new wet room whose slab is opened): its track is their union in the usual order.
 */
interface WorkFacts {
  label: string;
  kinds: readonly AreaKind[];
  phases: readonly Phase[];
}

const between = (first: Phase, last: Phase): Phase[] =>
  PHASE_KEYS.slice(PHASE_KEYS.indexOf(first), PHASE_KEYS.indexOf(last) + 1).filter(
    (phase) => !phaseFacts(phase).byMethod,
  );
const inside = ['room', 'wet', 'outbuilding'] as const;
const OPEN_WALLS: Phase[] = [
  'protect',
  'isolate',
  'tear-out',
  'framing',
  'duct-rough',
  'plumbing-rough',
  'wiring-rough',
  'close-in',
  'rough-inspection',
  'insulation',
  'insulation-inspection',
  'board',
  'tape',
  'first-coats',
];
const FINISH: Phase[] = ['trim', 'final-coat', 'wiring-finish', 'duct-finish', 'snags', 'clean', 'hand-over'];

const WORKS = {
  rebuild: { label: 'strip and rebuild', kinds: inside, phases: [...OPEN_WALLS, 'flooring', ...FINISH] },
  kitchen: {
    label: 'new kitchen',
    kinds: ['room'],
    phases: [...OPEN_WALLS, 'flooring', 'cabinets', 'template', 'worktops', 'tiling', 'plumbing-finish', ...FINISH],
  },
  bathroom: {
    label: 'new bath or wet room',
    kinds: ['wet', 'room'],
    phases: [...OPEN_WALLS, 'pre-hang', 'waterproofing', 'flood-test', 'tiling', 'plumbing-finish', 'glass', ...FINISH],
  },
  services: {
    label: 'new pipes and wires only',
    kinds: inside,
    phases: [
      'protect',
      'isolate',
      'plumbing-rough',
      'wiring-rough',
      'close-in',
      'rough-inspection',
      'board',
      'tape',
      'first-coats',
      'plumbing-finish',
      'wiring-finish',
      'snags',
      'clean',
      'hand-over',
    ],
  },
  gas: { label: 'gas pipe', kinds: inside, phases: ['isolate', 'gas-rough', 'rough-inspection'] },
  plaster: { label: 'plaster instead of board', kinds: inside, phases: ['plaster'] },
  floor: { label: 'new floor', kinds: inside, phases: ['protect', 'flooring', 'clean', 'hand-over'] },
  redecorate: {
    label: 'redecorate',
    kinds: inside,
    phases: ['protect', 'first-coats', 'final-coat', 'clean', 'hand-over'],
  },
  touchup: { label: 'punch list and hand-over', kinds: inside, phases: ['snags', 'clean', 'hand-over'] },
  'open-floor': { label: 'open the slab', kinds: inside, phases: between('scan', 'floor-cure') },
  'open-wall': {
    label: 'take out a bearing wall',
    kinds: ['room', 'outbuilding'],
    phases: ['reroute', ...between('support', 'release')],
  },
  'open-edge': { label: 'open edge, new rails', kinds: ['room', 'roof', 'outbuilding'], phases: ['guard', 'rails'] },
  reclad: {
    label: 'strip and reclad',
    kinds: ['face', 'outbuilding'],
    phases: ['access', 'face-protect', ...between('strip', 'refit'), 'strike'],
  },
  overlay: {
    label: 'overlay what is sound',
    kinds: ['face', 'outbuilding'],
    phases: ['access', 'face-protect', 'substrate', 'repair', ...between('openings', 'seal'), 'refit', 'strike'],
  },
  repaint: {
    label: 'prepare and paint outside',
    kinds: ['face', 'outbuilding'],
    phases: ['access', 'face-protect', 'substrate', 'repair', 'seal', 'face-paint', 'refit', 'strike'],
  },
  windows: { label: 'new windows', kinds: ['face'], phases: ['access', 'face-protect', 'openings', 'seal', 'strike'] },
  reroof: {
    label: 'new roof covering',
    kinds: ['roof', 'outbuilding'],
    phases: ['access', 'cover', ...between('roof-strip', 'gutters'), 'strike'],
  },
  glazing: {
    label: 'roof glazing',
    kinds: ['roof'],
    phases: ['access', 'cover', 'roof-strip', 'deck', 'underlay', 'roof-flashings', 'glazing', 'strike'],
  },
  drain: { label: 'new drain', kinds: ['ground'], phases: ['locate', ...between('clear', 'reinstate')] },
  surface: { label: 'ground put in order', kinds: ['ground'], phases: ['locate', 'clear', 'reinstate'] },
  none: {
    label: 'nothing (not in the contract)',
    kinds: ['room', 'wet', 'face', 'roof', 'ground', 'outbuilding'],
    phases: [],
  },
} as const satisfies Record<string, WorkFacts>;

export type Work = keyof typeof WORKS;
export const WORK_KEYS = Object.keys(WORKS) as Work[];
export const isWork = (text: string): text is Work => Object.hasOwn(WORKS, text);
export const workFacts = (work: Work): WorkFacts => WORKS[work];
export const worksFor = (kind: AreaKind): Work[] => WORK_KEYS.filter((work) => workFacts(work).kinds.includes(kind));

/**
 * The ordered phases of an area from what is to be done there; empty for `none`. Plaster takes the place of board and
 * tape.
 */
export function trackOf(works: readonly Work[]): Phase[] {
  const phases = inUsualOrder(works.flatMap((work) => workFacts(work).phases));
  return works.includes('plaster') ? phases.filter((phase) => phase !== 'tape' && phase !== 'board') : phases;
}

/** Half-days of a phase in an area of this size (1 is ordinary); waiting does not grow with the room. */
export function halfDaysFor(phase: Phase, size: number): number {
  const facts = phaseFacts(phase);
  return facts.trade === 'nobody' ? facts.halfDays : Math.max(1, Math.round(facts.halfDays * size));
}

/**
 * The area as it would be if other work were done in it: steps that were begun stay, those it no longer needs go, new
 * ones come.
 */
export function withWorks(area: SiteArea, works: readonly Work[], size: number): SiteArea {
  const known = new Map(area.track.map((step) => [step.phase, step]));
  const kept = area.track.filter((step) => step.fraction > 0).map((step) => step.phase);
  return {
    ...area,
    track: inUsualOrder([...trackOf(works), ...kept]).map((phase) => {
      const halfDays = halfDaysFor(phase, size);
      return known.get(phase) ?? { phase, trade: phaseFacts(phase).trade, halfDays, fraction: 0, remaining: halfDays };
    }),
  };
}
