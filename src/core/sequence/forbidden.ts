import type { Phase } from './phases';
import type { Site, SiteArea } from './site';
import { areJoined, isReachedThrough } from './ways-through';

/**
 * Orders that no practitioner accepts, whatever was chosen, switched or agreed: a step before another one that has to be
 * finished first. The rules say how work is ordered and why; this says what must never come out of it. It is read by
 * `broken`, which looks at a plan and knows no rule, and by `guards`, which keeps what no rule keeps any more.
 */
export interface Forbidden {
  step: Phase;
  /** Must never begin before this one has ended. */
  before: Phase;
  where: Where;
  why: string;
}

export type Where =
  /** Both in one area. */
  | 'here'
  /** `before` in a passage of the same level. */
  | 'on the way'
  /** `step` in a passage, `before` in an area that is reached through it. */
  | 'in a passage'
  /** In two areas that the wall taken out makes one. */
  | 'made one'
  /** `before` on a face or roof that keeps the level dry, `step` on that level. */
  | 'under it'
  /** Anywhere along the drain. */
  | 'along the drain';

const never = (steps: readonly Phase[], before: readonly Phase[], why: string, where: Where = 'here'): Forbidden[] =>
  steps.flatMap((step) =>
    before.filter((other) => other !== step).map((other): Forbidden => ({ step, before: other, where, why })),
  );

const IN_WALLS: readonly Phase[] = ['duct-rough', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage'];
const RUBBLE: readonly Phase[] = ['tear-out', 'wall-out', 'cut', 'break-out', 'stair-out'];
const SHOWS_DUST: readonly Phase[] = ['flooring', 'final-coat', 'cabinets', 'trim'];
const FITTED: readonly Phase[] = ['cabinets', 'built-ins'];

/** Indoors, from protection to hand-over. */
const INSIDE: readonly Forbidden[] = [
  ...never(RUBBLE, ['protect'], 'dust gets everywhere before anything is covered'),
  ...never(['tear-out', 'wall-out', 'cut'], ['protect'], 'rubble is carried over bare floors', 'on the way'),
  ...never([...RUBBLE, 'framing', 'plumbing-rough', 'wiring-rough'], ['isolate'], 'live services hurt people'),
  ...never(RUBBLE, ['guard'], 'somebody falls over the open edge'),
  ...never(
    ['framing', ...IN_WALLS, 'insulation', 'board', 'plaster'],
    ['tear-out'],
    'it would be built on what comes out',
  ),
  ...never(['cut'], ['scan'], 'the saw meets a cable or a bar'),
  ...never(['break-out'], ['cut'], 'the floor cracks beyond the cut'),
  ...never(['pit', 'floor-pipe'], ['break-out'], 'the floor is still closed'),
  ...never(['floor-pipe'], ['pit'], 'the pipe has nothing to fall to'),
  ...never(['floor-inspection'], ['floor-pipe'], 'there is nothing to look at yet'),
  ...never(['fill', 'floor-pour'], ['floor-inspection'], 'nobody sees the pipe again'),
  ...never(['floor-pour'], ['fill'], 'the slab would lie on nothing'),
  ...never(
    ['framing', 'waterproofing', 'flooring', 'tiling', 'cabinets'],
    ['floor-pour', 'floor-cure'],
    'the floor is open or green',
  ),
  ...never(['plumbing-rough', 'duct-rough', 'wiring-rough', 'gas-rough'], ['framing'], 'there is no wall to run in'),
  ...never(['plumbing-rough'], ['duct-rough'], 'the duct cannot go round the pipe'),
  ...never(['wiring-rough'], ['plumbing-rough', 'duct-rough'], 'the wire gives way, the pipe cannot'),
  ...never(
    ['bulkhead', 'soffit'],
    ['framing', 'duct-rough', 'plumbing-rough'],
    'the false ceiling waits for what runs in it',
  ),
  ...never(['close-in'], ['framing', ...IN_WALLS, 'pre-hang', 'bulkhead', 'soffit'], 'the check would miss it'),
  ...never(['rough-inspection'], ['framing', ...IN_WALLS, 'close-in'], 'the inspector cannot see what is not there'),
  ...never(
    ['insulation'],
    [...IN_WALLS, 'pre-hang', 'close-in', 'rough-inspection'],
    'it hides what was not looked at',
  ),
  ...never(['insulation-inspection'], ['insulation'], 'there is nothing to look at yet'),
  ...never(
    ['board', 'plaster'],
    [...IN_WALLS, 'pre-hang', 'bulkhead', 'soffit', 'access-panels', 'close-in', 'rough-inspection'],
    'the wall would be opened again',
  ),
  ...never(['board', 'plaster'], ['insulation', 'insulation-inspection'], 'the insulation would be missing or unseen'),
  ...never(['tape'], ['board'], 'there are no joints yet'),
  ...never(['first-coats'], ['board', 'tape', 'plaster'], 'paint over what is not closed or not dry peels'),
  ...never(['final-coat'], ['first-coats', 'tape', 'plaster'], 'the last coat is the last'),
  ...never(['final-coat'], ['trim', 'stair', 'built-ins'], 'the last coat comes after the trim it covers'),
  ...never(['waterproofing'], ['board', 'plaster', 'framing', 'plumbing-rough'], 'the layer needs its ground'),
  ...never(['flood-test'], ['waterproofing'], 'there is nothing to test'),
  ...never(
    ['tiling'],
    ['waterproofing', 'flood-test', 'board', 'tape', 'plaster'],
    'a leak under tile is found in the ceiling below',
  ),
  ...never(['glass'], ['tiling', 'first-coats'], 'glass is measured to the finished wall'),
  ...never(
    FITTED,
    ['protect', 'tear-out', 'framing', ...IN_WALLS, 'rough-inspection', 'insulation', 'board', 'tape', 'plaster'],
    'cabinets do not hang on a wall that is not there',
  ),
  ...never(FITTED, ['first-coats'], 'nobody paints behind a cabinet'),
  ...never(['riser', 'template', 'appliances'], ['cabinets'], 'it is made to the cabinets as they stand'),
  ...never(['worktops'], ['template', 'cabinets'], 'stone is cut to the template'),
  ...never(['plumbing-finish', 'appliances', 'gas-finish'], ['worktops'], 'there is no top to set it in'),
  ...never(['tiling'], ['worktops'], 'the splash stands on the top'),
  ...never(
    ['flooring'],
    ['tear-out', 'framing', 'board', 'tape', 'plaster', 'rough-inspection'],
    'boots, board and sanding ruin a new floor',
  ),
  ...never(['floor-protect'], ['flooring'], 'there is no floor to cover'),
  ...never(['trim'], ['board', 'tape', 'plaster', 'wiring-rough'], 'trim is set to the finished wall'),
  ...never(['stair-out', 'stair'], ['tear-out', 'board', 'tape'], 'a finished stair is no way for rubble'),
  ...never(['stair'], ['stair-out'], 'the old one is still there'),
  ...never(['rails'], ['guard', 'stair'], 'there is nothing to fix it to'),
  ...never(
    ['ceiling-grid'],
    [...IN_WALLS, 'rough-inspection', 'insulation', 'board', 'tape', 'soffit'],
    'the hung ceiling hides what is over it',
  ),
  ...never(
    ['wiring-finish'],
    ['wiring-rough', 'board', 'tape', 'plaster', 'first-coats', 'ceiling-grid'],
    'plates go on a painted wall',
  ),
  ...never(
    ['plumbing-finish'],
    ['plumbing-rough', 'board', 'tape', 'first-coats', 'tiling'],
    'taps go through a finished wall',
  ),
  ...never(
    ['duct-finish'],
    ['duct-rough', 'board', 'tape', 'first-coats', 'ceiling-grid'],
    'grilles go on a painted wall',
  ),
  ...never(
    ['gas-finish'],
    ['gas-rough', 'rough-inspection', 'tape', 'appliances'],
    'gas is connected to a tested pipe, and to what burns it',
  ),
  ...never(['pump'], ['pit', 'floor-cure', 'wiring-finish'], 'a pump is tried with its pit closed and its power on'),
  ...never(['appliances'], ['flooring', 'wiring-finish', 'plumbing-finish'], 'it stands on the floor and is connected'),
  ...never(['touch-up'], ['cabinets', 'riser', 'worktops', 'trim', 'final-coat'], 'it would be touched up twice'),
  ...never(
    ['snags', 'clean', 'hand-over'],
    [
      'flooring',
      'cabinets',
      'worktops',
      'tiling',
      'trim',
      'final-coat',
      'plumbing-finish',
      'wiring-finish',
      'duct-finish',
    ],
    'a punch list looks at what is finished',
  ),
  ...never(
    ['snags', 'clean', 'hand-over'],
    ['glass', 'rails', 'touch-up', 'appliances', 'built-ins', 'stair'],
    'a punch list looks at what is finished',
  ),
  ...never(['clean'], ['snags'], 'repairs make dirt'),
  ...never(['hand-over'], ['snags', 'clean'], 'nobody takes over what is not ready'),
];

/** What carries the house. */
const CARRIES: readonly Forbidden[] = [
  ...never(
    ['wall-out', 'cut-back', 'masonry', 'structure'],
    ['support', 'support-2'],
    'the load must stand on both temporary walls first',
  ),
  ...never(['support', 'wall-out', 'structure'], ['drawing'], 'what carries is the engineer’s to draw'),
  ...never(
    ['structure'],
    ['wall-out', 'pad', 'masonry', 'cut-back', 'reroute'],
    'the beam needs its place and its bearings',
  ),
  ...never(['hangers', 'pack'], ['structure'], 'there is no beam yet'),
  ...never(['beam-release'], ['structure', 'hangers', 'pack'], 'nobody releases what is not finished'),
  ...never(
    ['release'],
    ['structure', 'hangers', 'pack', 'beam-release'],
    'the temporary walls carry until the beam does and its designer says so',
  ),
  ...never(['framing', 'board', 'plaster'], ['release'], 'the temporary walls are in the way, and still carry'),
  ...never(['lintel'], ['wall-cut'], 'there is no opening yet'),
  ...never(['window-in', 'openings'], ['wall-cut', 'lintel'], 'a window carries nothing'),
  ...never(['wall-cut'], ['well-dig'], 'the window is below the ground'),
  ...never(['well-set'], ['well-dig', 'window-in'], 'the well stands before the window'),
  ...never(['well-fill'], ['well-set'], 'it would be dug again'),
];

/** Faces, roofs and ground. */
const OUTSIDE: readonly Forbidden[] = [
  ...never(['strip', 'substrate', 'openings', 'roof-strip', 'rake'], ['access'], 'nobody works at a height without it'),
  ...never(['strip', 'wall-cut'], ['face-protect'], 'plants, paving and windows are hit'),
  ...never(['substrate'], ['strip'], 'nobody sees through boards'),
  ...never(['repair', 'sheathing', 'barrier', 'cladding'], ['strip', 'substrate'], 'rot would be closed in'),
  ...never(['sheathing', 'barrier', 'cladding', 'face-paint'], ['repair'], 'rot would be closed in'),
  ...never(['barrier', 'cladding'], ['sheathing'], 'every layer laps over the one below'),
  ...never(['openings'], ['barrier', 'sheathing'], 'the window is flashed into the layer'),
  ...never(['cladding', 'face-trim'], ['barrier', 'openings'], 'boards go round a window that is in'),
  ...never(['seal'], ['cladding', 'face-trim', 'openings'], 'there is no joint yet'),
  ...never(['face-paint'], ['cladding', 'face-trim', 'seal'], 'paint closes what is under it'),
  ...never(['refit'], ['cladding', 'face-paint', 'seal'], 'lamps would come off again'),
  ...never(['repoint'], ['rake', 'repair'], 'new mortar needs a raked joint'),
  ...never(['face-paint'], ['repoint'], 'paint on green mortar peels'),
  ...never(['seal'], ['repoint'], 'joints are sealed on sound mortar'),
  ...never(
    ['strike'],
    ['openings', 'cladding', 'face-trim', 'seal', 'face-paint', 'refit', 'repoint', 'covering', 'glazing', 'gutters'],
    'somebody would work from a ladder',
  ),
  ...never(['roof-strip'], ['cover'], 'one night of rain costs more than the roof'),
  ...never(['deck', 'underlay', 'covering', 'glazing'], ['roof-strip'], 'the old roof is still there'),
  ...never(['underlay', 'covering', 'glazing'], ['deck'], 'every layer needs the one below'),
  ...never(['covering', 'glazing', 'roof-flashings'], ['underlay'], 'every layer needs the one below'),
  ...never(['covering', 'glazing'], ['roof-flashings'], 'flashings go under the covering'),
  ...never(
    ['insulation', 'board', 'plaster'],
    ['barrier', 'openings', 'underlay', 'glazing'],
    'rain would ruin it',
    'under it',
  ),
  ...never(['clear', 'excavate', 'well-dig', 'knock-down'], ['locate'], 'what is hidden in the ground kills'),
  ...never(['knock-down', 'salvage'], ['isolate'], 'live services hurt people'),
  ...never(['knock-down'], ['salvage'], 'what is kept would be broken'),
  ...never(['excavate'], ['clear'], 'nobody digs through what is still there'),
  ...never(['pipe', 'form'], ['excavate'], 'there is no trench yet'),
  ...never(['ground-inspection'], ['pipe'], 'there is nothing to test'),
  ...never(['pour', 'backfill'], ['ground-inspection', 'pipe'], 'nobody sees the pipe again'),
  ...never(['backfill'], ['pour', 'cure', 'footing-pour', 'walling', 'wall-drain'], 'it would be dug up again'),
  ...never(['footing-inspection'], ['form'], 'there is no steel to look at'),
  ...never(['footing-pour'], ['form', 'footing-inspection'], 'nobody sees the steel again'),
  ...never(['walling', 'deck-frame'], ['footing-pour', 'footing-cure'], 'green concrete carries nothing'),
  ...never(['wall-drain'], ['walling'], 'it lies behind the wall'),
  ...never(['deck-boards', 'porch-roof', 'rails'], ['deck-frame'], 'there is no frame yet'),
  ...never(['switch-over'], ['ground-inspection', 'backfill'], 'the house would lose its drain', 'along the drain'),
  ...never(['reinstate'], ['backfill', 'switch-over', 'knock-down'], 'the ground would be opened again'),
];

/** Between areas. */
const BETWEEN: readonly Forbidden[] = [
  ...never(
    ['first-coats', ...SHOWS_DUST],
    ['tear-out', 'wall-out', 'cut'],
    'rubble is carried through it',
    'in a passage',
  ),
  ...never(SHOWS_DUST, ['board', 'tape'], 'boards and sanding dust are carried through it', 'in a passage'),
  ...never(
    ['first-coats', ...SHOWS_DUST],
    ['wall-out', 'board', 'tape'],
    'no wall keeps the dust out any more',
    'made one',
  ),
];

export const FORBIDDEN: readonly Forbidden[] = [...INSIDE, ...CARRIES, ...OUTSIDE, ...BETWEEN];

/** Whether `before` in one area stands against `step` in the other. */
export function counts(site: Site, where: Where, step: SiteArea, before: SiteArea): boolean {
  switch (where) {
    case 'here':
      return step === before;
    case 'on the way':
      return step !== before && before.passage && before.level !== undefined && before.level.id === step.level?.id;
    case 'in a passage':
      return step !== before && step.passage && isReachedThrough(before, step);
    case 'made one':
      return step !== before && areJoined(site, step, before);
    case 'under it':
      return step.level !== undefined && before.shelters.includes(step.level.id);
    case 'along the drain':
      return before.track.some(({ phase }) => phase === 'pipe');
  }
}

/** What of a plan is looked at: when which step of which area is done. */
export interface Seen {
  area: string | null;
  phase: Phase | null;
  state: 'waiting' | 'under-way' | 'done';
  start: number;
  finish: number;
}

/** A forbidden order that a plan has. */
export interface Broken extends Forbidden {
  /** Of the step that comes too early, and of the other one. */
  area: string;
  other: string;
}

/**
 * Reads a plan and nothing else: every step that would begin before something that must be finished first. What has
 * begun already is a fact, and reported elsewhere.
 */
export function broken(site: Site, tasks: readonly Seen[]): Broken[] {
  const seen = spansOf(tasks);
  return FORBIDDEN.flatMap((rule) =>
    site.areas.flatMap((area): Broken[] => {
      const early = seen.get(`${area.id}:${rule.step}`);
      if (!early?.waiting) return [];
      return (rule.where === 'here' ? [area] : site.areas)
        .filter((other) => {
          const late = seen.get(`${other.id}:${rule.before}`);
          return late && !late.done && early.start < late.finish && counts(site, rule.where, area, other);
        })
        .map((other) => ({ ...rule, area: area.name, other: other.name }));
    }),
  );
}

interface Span {
  start: number;
  finish: number;
  waiting: boolean;
  done: boolean;
}

/** From when to when each step lasts; all the parts of one together. */
function spansOf(tasks: readonly Seen[]): ReadonlyMap<string, Span> {
  const spans = new Map<string, Span>();
  for (const { area, phase, state, start, finish } of tasks) {
    if (area === null || phase === null) continue;
    const [waiting, done] = [state === 'waiting', state === 'done'];
    const known = spans.get(`${area}:${phase}`) ?? { start, finish, waiting, done };
    spans.set(`${area}:${phase}`, {
      start: Math.min(known.start, start),
      finish: Math.max(known.finish, finish),
      waiting: known.waiting && waiting,
      done: known.done && done,
    });
  }
  return spans;
}
