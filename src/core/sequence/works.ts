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
  /** Half-days of steps that are less there than by themselves: a splash is no tiled bath. */
  takes?: Partial<Record<Phase, number>>;
  /** What a household has where it is done. */
  provides?: readonly string[];
}

const between = (first: Phase, last: Phase): Phase[] =>
  PHASE_KEYS.slice(PHASE_KEYS.indexOf(first), PHASE_KEYS.indexOf(last) + 1).filter(
    (phase) => !phaseFacts(phase).byMethod,
  );
/** Joints of masonry are no part of a face of boards. */
const notMasonry = (phase: Phase): boolean => phase !== 'rake' && phase !== 'repoint';
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

/** Cutting a slab for pipes and closing it again. */
const OPEN_SLAB = between('scan', 'floor-cure').filter((phase) => phase !== 'pit');
/** Both supports, the wall between them, the beam, its release. */
const BEARING_WALL: Phase[] = [
  'drawing',
  'reroute',
  'support',
  'support-2',
  'wall-out',
  'structure',
  'pack',
  'beam-release',
  'release',
];
const FOOTING: Phase[] = ['locate', 'clear', 'excavate', 'form', 'footing-inspection', 'footing-pour', 'footing-cure'];
const DECK: Phase[] = [...FOOTING, 'backfill', 'deck-frame', 'deck-boards', 'rails', 'reinstate'];
const FACE_REPAIR: Phase[] = ['access', 'face-protect', 'substrate', 'repair'];

const WORKS = {
  rebuild: { label: 'strip and rebuild', kinds: inside, phases: [...OPEN_WALLS, 'flooring', ...FINISH] },
  kitchen: {
    label: 'new kitchen',
    kinds: ['room'],
    phases: [
      ...OPEN_WALLS,
      'flooring',
      'cabinets',
      'template',
      'worktops',
      'tiling',
      'plumbing-finish',
      'appliances',
      ...FINISH,
    ],
    takes: { tiling: 2 },
    provides: ['sink', 'cold food', 'cooking'],
  },
  bathroom: {
    label: 'new bath or wet room',
    kinds: ['wet', 'room'],
    phases: [...OPEN_WALLS, 'pre-hang', 'waterproofing', 'flood-test', 'tiling', 'plumbing-finish', 'glass', ...FINISH],
    provides: ['toilet', 'shower'],
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
  gas: { label: 'gas pipe', kinds: inside, phases: ['isolate', 'gas-rough', 'rough-inspection', 'gas-finish'] },
  data: { label: 'data, bells, thermostat', kinds: inside, phases: ['low-voltage'] },
  basement: {
    label: 'finish an unfinished basement room',
    kinds: inside,
    phases: [
      ...OPEN_WALLS.filter((phase) => phase !== 'tear-out' && phase !== 'plumbing-rough'),
      'low-voltage',
      'flooring',
      ...FINISH,
    ],
    takes: { 'duct-rough': 1 },
  },
  'heater-move': { label: 'move the heater or softener', kinds: inside, phases: ['isolate', 'move-units'] },
  'sewage-pump': {
    label: 'pit and pump below the sewer',
    kinds: inside,
    phases: ['protect', ...OPEN_SLAB, 'pit', 'plumbing-rough', 'wiring-rough', 'close-in', 'rough-inspection', 'pump'],
    takes: { 'plumbing-rough': 1, 'wiring-rough': 1, cut: 1, 'break-out': 1 },
  },
  soffits: { label: 'soffits round ducts and pipes', kinds: inside, phases: ['soffit'] },
  'drop-ceiling': { label: 'drop ceiling', kinds: inside, phases: ['ceiling-grid'] },
  bar: {
    label: 'bar with a sink',
    kinds: ['room', 'outbuilding'],
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
      'cabinets',
      'template',
      'worktops',
      'tiling',
      'plumbing-finish',
      'appliances',
      ...FINISH,
    ],
    provides: ['sink'],
    takes: { tiling: 1, cabinets: 2, 'plumbing-rough': 2, board: 1, tape: 2, 'first-coats': 1 },
  },
  'built-ins': {
    label: 'built-in shelves and cupboards',
    kinds: ['room', 'outbuilding'],
    phases: ['protect', 'built-ins', 'trim', 'final-coat', 'snags', 'clean', 'hand-over'],
  },
  stair: {
    label: 'new stair',
    kinds: ['room', 'outbuilding'],
    phases: ['protect', 'guard', 'stair-out', 'stair', 'rails', 'snags', 'clean', 'hand-over'],
  },
  'escape-window': {
    label: 'escape window with its well',
    kinds: [...inside, 'face'],
    phases: ['protect', 'locate', 'well-dig', 'wall-cut', 'lintel', 'window-in', 'well-set', 'well-fill'],
  },
  plaster: { label: 'plaster instead of board', kinds: inside, phases: ['plaster'] },
  floor: { label: 'new floor', kinds: inside, phases: ['protect', 'flooring', 'clean', 'hand-over'] },
  redecorate: {
    label: 'redecorate',
    kinds: inside,
    phases: ['protect', 'first-coats', 'final-coat', 'clean', 'hand-over'],
  },
  touchup: { label: 'punch list and hand-over', kinds: inside, phases: ['snags', 'clean', 'hand-over'] },
  'open-floor': { label: 'open the slab', kinds: inside, phases: ['protect', ...OPEN_SLAB] },
  'open-wall': {
    label: 'take out a bearing wall',
    kinds: ['room', 'outbuilding'],
    phases: [...BEARING_WALL, 'pad', 'masonry'],
  },
  'duct-move': { label: 'move a duct or pipe out of the way', kinds: inside, phases: ['isolate', 'reroute'] },
  'timber-beam': {
    label: 'take out a bearing wall, timber beam on hangers',
    kinds: ['room', 'outbuilding'],
    phases: [...BEARING_WALL, 'cut-back', 'hangers'],
  },
  'open-edge': { label: 'open edge, new rails', kinds: ['room', 'roof', 'outbuilding'], phases: ['guard', 'rails'] },
  reclad: {
    label: 'strip and reclad',
    kinds: ['face', 'outbuilding'],
    phases: ['access', 'face-protect', ...between('strip', 'refit').filter(notMasonry), 'strike'],
  },
  overlay: {
    label: 'overlay what is sound',
    kinds: ['face', 'outbuilding'],
    phases: ['access', 'face-protect', 'substrate', 'repair', ...between('openings', 'seal'), 'refit', 'strike'],
  },
  repaint: {
    label: 'prepare and paint outside',
    kinds: ['face', 'outbuilding'],
    phases: [...FACE_REPAIR, 'seal', 'face-paint', 'refit', 'strike'],
  },
  windows: { label: 'new windows', kinds: ['face'], phases: ['access', 'face-protect', 'openings', 'seal', 'strike'] },
  repoint: {
    label: 'repoint the joints',
    kinds: ['face', 'outbuilding'],
    phases: [...FACE_REPAIR, 'rake', 'repoint', 'seal', 'refit', 'strike'],
  },
  'window-to-door': {
    label: 'make a window a door',
    kinds: ['face'],
    phases: ['face-protect', 'wall-cut', 'lintel', 'openings', 'face-trim', 'seal', 'refit'],
  },
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
  drain: {
    label: 'new drain',
    kinds: ['ground'],
    phases: [
      'locate',
      'clear',
      'excavate',
      'pipe',
      'ground-inspection',
      'pour',
      'cure',
      'backfill',
      'switch-over',
      'reinstate',
    ],
  },
  footing: {
    label: 'footing, stepped where the ground falls',
    kinds: ['ground'],
    phases: [...FOOTING, 'backfill', 'reinstate'],
  },
  'retaining-wall': {
    label: 'retaining wall',
    kinds: ['ground'],
    phases: [...FOOTING, 'walling', 'wall-drain', 'backfill', 'reinstate'],
  },
  deck: { label: 'deck with its rail', kinds: ['ground'], phases: DECK },
  porch: { label: 'porch', kinds: ['ground', 'face'], phases: [...DECK, 'porch-roof'] },
  demolish: {
    label: 'take down an outbuilding, its bricks kept',
    kinds: ['ground', 'outbuilding'],
    phases: ['locate', 'isolate', 'salvage', 'knock-down', 'clear', 'reinstate'],
  },
  surface: { label: 'ground put in order', kinds: ['ground'], phases: ['locate', 'clear', 'reinstate'] },
  none: {
    label: 'nothing (not in the contract)',
    kinds: ['room', 'wet', 'face', 'roof', 'ground', 'outbuilding'],
    phases: [],
  },
} as const satisfies Record<string, WorkFacts>;

export type Work = keyof typeof WORKS;
/** Whether a bearing wall is taken out by it. */
export const takesWallOut = (work: Work): boolean => workFacts(work).phases.includes('wall-out');
export const WORK_KEYS = Object.keys(WORKS) as Work[];
export const isWork = (text: string): text is Work => Object.hasOwn(WORKS, text);
export const workFacts = (work: Work): WorkFacts => WORKS[work];
export const worksFor = (kind: AreaKind): Work[] => WORK_KEYS.filter((work) => workFacts(work).kinds.includes(kind));

/**
 * The ordered phases of an area from what is to be done there; empty for `none`. Plaster takes the place of board and
 * tape; in an unfinished room nothing is torn out.
 */
export function trackOf(works: readonly Work[]): Phase[] {
  const phases = inUsualOrder(works.flatMap((work) => workFacts(work).phases));
  const left: readonly Phase[] = [
    ...(works.includes('plaster') ? (['tape', 'board'] as const) : []),
    // In an unfinished room nothing is there to come out.
    ...(works.includes('basement') ? (['tear-out'] as const) : []),
  ];
  return phases.filter((phase) => !left.includes(phase));
}

/** Where there was no finished room, nobody has had anything yet. */
const UNFINISHED: readonly Work[] = ['basement', 'sewage-pump'];

/** Said of an area in which a household has nothing, whatever the work there is about. */
const NOTHING = 'nothing';

/**
 * What a household has in an area: as it was said, else what the work there is about (a kitchen, a bath); `brings` is what
 * it has only once a room that was never finished is.
 */
export function providesOf(said: readonly string[], works: readonly Work[]): { provides: string[]; brings: string[] } {
  const byWorks = [...new Set(works.flatMap((work) => workFacts(work).provides ?? []))];
  if (said.length > 0) return { provides: said.filter((need) => need !== NOTHING), brings: [] };
  return works.some((work) => UNFINISHED.includes(work))
    ? { provides: [], brings: byWorks }
    : { provides: byWorks, brings: [] };
}

/** What is kept of what somebody says a household has there; nothing where the work says the same, and goes on saying it. */
export function providesSaid(needs: readonly string[], works: readonly Work[]): string[] {
  const { provides } = providesOf([], works);
  const isSame = provides.length === needs.length && provides.every((need) => needs.includes(need));
  return isSame ? [] : needs.length > 0 ? [...needs] : [NOTHING];
}

/** Half-days of a phase by what is done there; undefined where it is done as by itself, and grows with the room. */
export function timeOfWorks(phase: Phase, works: readonly Work[]): number | undefined {
  const bringing = works.map(workFacts).filter((work) => work.phases.includes(phase));
  const said = bringing.flatMap((work) => work.takes?.[phase] ?? []);
  return said.length > 0 && said.length === bringing.length ? Math.max(...said) : undefined;
}

/**
 * Half-days of a phase in an area of this size (1 is ordinary) in which these works are done. Waiting does not grow with
 * the room, nor does what is as long in any.
 */
export function halfDaysFor(phase: Phase, size: number, works: readonly Work[] = []): number {
  const facts = phaseFacts(phase);
  const said = timeOfWorks(phase, works);
  if (said !== undefined) return said;
  return facts.trade === 'nobody' || facts.fixed ? facts.halfDays : Math.max(1, Math.round(facts.halfDays * size));
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
      const halfDays = halfDaysFor(phase, size, works);
      return known.get(phase) ?? { phase, trade: phaseFacts(phase).trade, halfDays, fraction: 0, remaining: halfDays };
    }),
  };
}
