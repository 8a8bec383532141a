import type { Phase } from './phases';

/**
 * The order of work as knowledge: "A before B, because …". Hard rules are physics, cover, safety or inspection;
 * soft ones are care, comfort and money. What a rule does is said in a few forms (Effect), so that a firm can
 * read it and later switch or extend it; `links.ts` carries the forms out and knows no rule by number.
 *
 * Figures of curing and drying are starting values; the maker's sheet, the moisture meter and whoever designed
 * the structure decide. Where people can be hurt the licensed trade and the local code decide, never this list.
 */
export interface Rule {
  number: number;
  strength: 'hard' | 'soft';
  title: string;
  /** Completes "… because": shown on every link it makes. */
  reason: string;
  effects: readonly Effect[];
  /** Holds in these areas alone; everywhere unless said. */
  only?: ReadonlySet<string>;
}

/**
 * Nobody may switch these off: where they are broken people are buried, crushed, shocked or fall, and their designer or
 * the code decides.
 */
export const NEVER_OFF: readonly number[] = [2, 3, 5, 6, 18, 19, 20, 21];

export type Within =
  | 'area'
  /** this area and those on the other side of its walls */
  | 'beside'
  /** `before` in passages of the same level, `after` in any area there */
  | 'route'
  /** `before` in any area that is reached through a passage, `after` in that passage */
  | 'passed'
  /** this area and those that a wall taken out has made one with it */
  | 'joined'
  /** areas of one level */
  | 'level'
  /** anywhere in the job */
  | 'job';

export interface Lag {
  halfDays: number;
  unit: 'work' | 'elapsed';
}

export type Effect =
  /** Every `before` present precedes every `after` present; with `first`, only the first present of `after`. */
  | {
      form: 'order';
      before: readonly Phase[];
      after: readonly Phase[];
      within: Within;
      lag?: Lag;
      first?: true;
      kind?: 'FS' | 'SS' | 'FF';
    }
  /** Those present, each before the next, in one area. */
  | { form: 'chain'; phases: readonly Phase[] }
  /**
   * In areas that have the phase: the lowest first, then upstream; `then` waits for all of them, and for what closes them.
   * A pit is lowest; on each level by itself with `byLevel`.
   */
  | { form: 'along-fall'; phase: Phase; then?: Phase; closedBy?: readonly Phase[]; byLevel?: true }
  /**
   * A trench over several areas that have `lay` is one: `once` is done in all of them before the lowest is dug, and the
   * next is dug once the one below it is laid, so that no more of it stands open than is worked on.
   */
  | { form: 'sections'; once: Phase; dig: Phase; lay: Phase }
  /** A level's shelter (faces and roofs over it) is tight before `before` there. */
  | { form: 'sheltered'; madeBy: readonly Phase[]; before: readonly Phase[] }
  /** From the start of `from` to the end of `to` at most so many worked half-days of the job. */
  | {
      form: 'exposure';
      from: Phase;
      to: Phase;
      most: number;
      unless?: Phase;
      mostThen?: number;
      cure: string;
      dry?: true;
    }
  /** What is awaited (answers, approvals, deliveries) comes before the work that needs it. */
  | { form: 'awaited' }
  /** What opens a house waits until what closes it has its day (`openings`). */
  | { form: 'closable' }
  /** Areas that provide the need are worked one after another where people live in. */
  | { form: 'one-at-a-time'; need: string; first: Phase; last: Phase }
  /**
   * A task of the whole job, before or after the phases named and after its other tasks named; only where there is one
   * of `where` (of `after`, or `before`, unless said).
   */
  | {
      form: 'job-task';
      task: JobTask;
      after: readonly Phase[];
      before: readonly Phase[];
      follows?: readonly JobTask[];
      where?: readonly Phase[];
    }
  /** No links: which of two tasks that could both go takes the crew first. */
  | { form: 'prefer'; by: Preference }
  /** Loud phases keep to the half of the day that the neighbours were told. */
  | { form: 'quiet-hours' };

export type Preference = 'loud-and-dusty-first' | 'top-down' | 'back-to-front' | 'costly-late' | 'same-gate-together';
/** Tasks of the whole job of which somebody says that they are done. */
export const SETTLED_JOB_TASKS = ['site-setup', 'dust-doors', 'alarms', 'start-up', 'final-inspection'] as const;
export type SettledJobTask = (typeof SETTLED_JOB_TASKS)[number];
export type JobTask = SettledJobTask | 'finished';

const IN_THE_WALL = ['duct-rough', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage', 'pre-hang'] as const;
const CLOSERS = ['close-in', 'rough-inspection', 'insulation', 'board', 'plaster'] as const;
const COVERS = ['board', 'plaster'] as const;
/** What comes out, and makes most of the dust. */
const TEAR_OUT = ['tear-out', 'wall-out', 'cut', 'break-out', 'wall-cut', 'cut-back'] as const;
/** Walls as they are before anything is fitted to them. */
const WALLS_DONE = ['board', 'tape', 'plaster', 'first-coats'] as const;
/** What each trade fits last, on walls that are painted once. */
const TRADES_FINISH = ['plumbing-finish', 'gas-finish', 'wiring-finish', 'duct-finish'] as const;
const FINISHES = [
  'wiring-finish',
  'plumbing-finish',
  'gas-finish',
  'duct-finish',
  'pump',
  'appliances',
  'rails',
  'glass',
  'trim',
] as const;
/** All that a punch list looks at. */
const LOOKED_AT = [
  ...FINISHES,
  'flooring',
  'cabinets',
  'riser',
  'built-ins',
  'worktops',
  'tiling',
  'ceiling-grid',
  'stair',
  'final-coat',
  'touch-up',
] as const;
/** What is inside the house, fitted or painted, and shows dust. */
const SHOWS_DUST = ['flooring', 'final-coat', 'cabinets', 'trim', 'built-ins', 'stair'] as const;

const hard = (number: number, title: string, reason: string, ...effects: Effect[]): Rule => ({
  number,
  strength: 'hard',
  title,
  reason,
  effects,
});
const soft = (number: number, title: string, reason: string, ...effects: Effect[]): Rule => ({
  number,
  strength: 'soft',
  title,
  reason,
  effects,
});

export const RULES: readonly Rule[] = [
  hard(
    1,
    'Protect before tear-out',
    'dust travels',
    { form: 'order', before: ['protect'], after: [...TEAR_OUT, 'stair-out', 'masonry'], within: 'area' },
    {
      form: 'order',
      before: ['protect'],
      after: [
        'support',
        'framing',
        ...IN_THE_WALL,
        ...WALLS_DONE,
        'flooring',
        'tiling',
        'cabinets',
        'built-ins',
        'trim',
      ],
      within: 'area',
      first: true,
    },
    { form: 'order', before: ['protect'], after: TEAR_OUT, within: 'route' },
    {
      form: 'order',
      before: ['face-protect'],
      after: ['strip', 'wall-cut', 'substrate', 'openings'],
      within: 'area',
    },
    { form: 'job-task', task: 'dust-doors', after: [], before: TEAR_OUT, where: ['tear-out', 'cut', 'wall-out'] },
  ),
  hard(
    2,
    'Services dead before tear-out',
    'live services hurt people, and the household needs what must stay on',
    {
      form: 'order',
      before: ['isolate'],
      after: [...TEAR_OUT, 'stair-out', 'salvage', 'knock-down', 'move-units'],
      within: 'area',
    },
    {
      form: 'order',
      before: ['isolate'],
      after: ['framing', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage'],
      within: 'area',
      first: true,
    },
  ),
  hard(
    3,
    'Both temporary walls before a bearing wall, until released',
    'the load must always stand on something; its designer releases the temporary walls',
    { form: 'order', before: ['support', 'support-2'], after: ['wall-out', 'masonry', 'structure'], within: 'beside' },
    {
      form: 'chain',
      phases: [
        'drawing',
        'support',
        'support-2',
        'wall-out',
        'cut-back',
        'structure',
        'hangers',
        'pack',
        'beam-release',
        'release',
      ],
    },
    { form: 'order', before: ['wall-out'], after: ['masonry'], within: 'area' },
    { form: 'order', before: ['release'], after: ['framing', ...IN_THE_WALL, ...COVERS], within: 'area', first: true },
    { form: 'chain', phases: ['wall-cut', 'lintel', 'window-in'] },
  ),
  hard(4, 'Ducts and drains out of the beam’s path', 'the beam needs the space they are in', {
    form: 'order',
    before: ['reroute'],
    after: ['wall-out', 'structure'],
    within: 'beside',
  }),
  hard(
    5,
    'Pads and footings cured before they are loaded',
    'green concrete carries nothing',
    { form: 'order', before: ['pad'], after: ['structure'], within: 'area', lag: { halfDays: 14, unit: 'elapsed' } },
    { form: 'chain', phases: ['footing-cure', 'walling', 'wall-drain', 'backfill'] },
    {
      form: 'order',
      before: ['footing-pour'],
      after: ['deck-frame'],
      within: 'area',
      lag: { halfDays: 14, unit: 'elapsed' },
    },
  ),
  hard(
    6,
    'Locate before digging, inspect before pouring',
    'what is hidden in the ground kills, and what is poured over cannot be seen',
    {
      form: 'order',
      before: ['locate'],
      after: ['well-dig', 'salvage', 'knock-down', 'clear', 'excavate'],
      within: 'area',
      first: true,
    },
    {
      form: 'chain',
      phases: ['scan', 'cut', 'break-out', 'pit', 'floor-pipe', 'floor-inspection', 'fill', 'floor-pour', 'floor-cure'],
    },
    {
      form: 'chain',
      phases: ['clear', 'excavate', 'pipe', 'ground-inspection', 'pour', 'cure', 'backfill', 'reinstate'],
    },
    {
      form: 'chain',
      phases: [
        'excavate',
        'form',
        'footing-inspection',
        'footing-pour',
        'footing-cure',
        'backfill',
        'deck-frame',
        'deck-boards',
        'rails',
      ],
    },
    { form: 'chain', phases: ['deck-frame', 'porch-roof', 'deck-boards'] },
    { form: 'chain', phases: ['salvage', 'knock-down', 'clear', 'reinstate'] },
    // A window below the ground: the well is dug before the wall is cut, and closed after the window is tight.
    { form: 'chain', phases: ['well-dig', 'wall-cut'] },
    { form: 'chain', phases: ['window-in', 'well-set', 'well-fill'] },
  ),
  hard(
    7,
    'The fall decides the drain',
    'pipes are laid from the lowest point up, and the house keeps its old drain until the one switch-over',
    { form: 'along-fall', phase: 'pipe', then: 'switch-over', closedBy: ['ground-inspection', 'backfill'] },
    { form: 'along-fall', phase: 'floor-pipe', byLevel: true },
    { form: 'order', before: ['switch-over'], after: ['reinstate'], within: 'area' },
    {
      form: 'exposure',
      from: 'switch-over',
      to: 'switch-over',
      most: 2,
      cure: 'a second plumber for the day, or a toilet on hire',
    },
  ),
  hard(
    8,
    'Least bendable first',
    'a wire can go round a pipe, a pipe cannot go round a duct, and a false ceiling waits for what runs in it',
    {
      form: 'chain',
      phases: ['move-units', 'framing', 'duct-rough', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage'],
    },
    { form: 'order', before: ['framing'], after: ['pre-hang', 'bulkhead', 'soffit'], within: 'area' },
    {
      form: 'order',
      before: ['reroute', 'duct-rough', 'plumbing-rough', 'gas-rough'],
      after: ['bulkhead', 'soffit'],
      within: 'area',
    },
    { form: 'order', before: ['bulkhead', 'soffit'], after: ['wiring-rough', ...CLOSERS], within: 'area', first: true },
    {
      form: 'order',
      before: [
        'duct-rough',
        'plumbing-rough',
        'gas-rough',
        'wiring-rough',
        'low-voltage',
        'soffit',
        'rough-inspection',
      ],
      after: ['ceiling-grid'],
      within: 'area',
    },
    { form: 'order', before: ['ceiling-grid'], after: ['wiring-finish', 'duct-finish'], within: 'area' },
  ),
  hard(
    9,
    'Everything inside before what covers it',
    'nobody opens a finished wall for a forgotten box',
    { form: 'order', before: ['framing', ...IN_THE_WALL], after: CLOSERS, within: 'area', first: true },
    {
      form: 'order',
      before: TEAR_OUT,
      after: ['framing', ...IN_THE_WALL, 'insulation', ...WALLS_DONE, 'flooring'],
      within: 'area',
      first: true,
    },
    { form: 'order', before: ['floor-cure'], after: ['framing', ...IN_THE_WALL], within: 'area', first: true },
    {
      form: 'order',
      before: ['floor-cure'],
      after: ['waterproofing', 'flooring', 'tiling', 'cabinets', 'pump'],
      within: 'area',
    },
  ),
  hard(
    10,
    'Check, inspect, insulate, inspect, then board',
    'each one looks at what the next one hides',
    { form: 'chain', phases: ['close-in', 'rough-inspection', 'insulation', 'insulation-inspection', 'board'] },
    { form: 'chain', phases: ['close-in', 'rough-inspection', 'insulation', 'insulation-inspection', 'plaster'] },
    { form: 'order', before: ['rough-inspection'], after: ['access-panels', ...TRADES_FINISH], within: 'area' },
    { form: 'order', before: ['access-panels'], after: COVERS, within: 'area' },
  ),
  hard(11, 'Weather-tight before insulation and board', 'wet insulation and swollen board come out again', {
    form: 'sheltered',
    madeBy: ['barrier', 'openings', 'window-in', 'underlay', 'glazing'],
    before: ['insulation', ...COVERS],
  }),
  hard(
    12,
    'An opened roof is tight within a day',
    'one night of rain costs more than the roof',
    { form: 'order', before: ['cover'], after: ['roof-strip'], within: 'area' },
    { form: 'chain', phases: ['roof-strip', 'deck', 'underlay', 'roof-flashings', 'covering', 'gutters'] },
    { form: 'order', before: ['roof-flashings', 'underlay'], after: ['glazing'], within: 'area' },
    {
      form: 'exposure',
      from: 'roof-strip',
      to: 'underlay',
      most: 2,
      unless: 'cover',
      mostThen: 8,
      dry: true,
      cure: 'a tied cover over the opening, or a second roofing crew',
    },
  ),
  hard(35, 'A stripped wall is covered within days', 'what lies under the cladding is not made for the weather', {
    form: 'exposure',
    from: 'strip',
    to: 'barrier',
    most: 16,
    cure: 'sheets hung over the open part, or a shorter length stripped at a time',
  }),
  hard(13, 'No trench open over days off', 'edges fall in and people fall in', {
    form: 'exposure',
    from: 'excavate',
    to: 'backfill',
    most: 10,
    cure: 'a shorter length dug at a time, or fence and plates over the open part',
  }),
  hard(
    14,
    'Dry before the next layer',
    'paint over wet board, plaster or mortar peels',
    { form: 'order', before: ['board'], after: ['tape'], within: 'area' },
    { form: 'order', before: ['tape'], after: ['first-coats'], within: 'area', lag: { halfDays: 2, unit: 'elapsed' } },
    {
      form: 'order',
      before: ['plaster'],
      after: ['first-coats'],
      within: 'area',
      lag: { halfDays: 14, unit: 'elapsed' },
    },
    {
      form: 'order',
      before: ['repoint'],
      after: ['face-paint'],
      within: 'area',
      lag: { halfDays: 14, unit: 'elapsed' },
    },
    { form: 'order', before: ['board', 'tape', 'plaster'], after: ['ceiling-grid'], within: 'area' },
    { form: 'order', before: ['first-coats'], after: ['final-coat'], within: 'area' },
  ),
  hard(
    15,
    'Waterproof, cured and tested before tile',
    'a leak under tile is found a year later, in the ceiling below',
    {
      form: 'order',
      before: ['waterproofing'],
      after: ['flood-test', 'tiling'],
      within: 'area',
      lag: { halfDays: 2, unit: 'elapsed' },
      first: true,
    },
    { form: 'order', before: ['flood-test'], after: ['tiling'], within: 'area' },
    { form: 'order', before: ['board', 'plaster'], after: ['waterproofing'], within: 'area' },
    {
      form: 'order',
      before: ['tiling'],
      after: ['glass', 'plumbing-finish'],
      within: 'area',
      lag: { halfDays: 2, unit: 'elapsed' },
    },
  ),
  hard(
    16,
    'Cabinets, template, worktops, splash',
    'stone is cut to the cabinets as they stand, not as they were drawn',
    { form: 'order', before: ['cabinets'], after: ['template'], within: 'area' },
    { form: 'order', before: ['template'], after: ['worktops'], within: 'area', lag: { halfDays: 20, unit: 'work' } },
    {
      form: 'order',
      before: ['worktops'],
      after: ['tiling', 'plumbing-finish', 'gas-finish', 'appliances'],
      within: 'area',
    },
    { form: 'order', before: ['cabinets'], after: ['riser', 'appliances'], within: 'area' },
    {
      form: 'order',
      before: ['plumbing-finish', 'wiring-finish'],
      after: ['appliances'],
      within: 'area',
    },
    { form: 'order', before: ['appliances'], after: ['gas-finish'], within: 'area' },
    { form: 'order', before: ['wiring-finish'], after: ['pump'], within: 'area' },
  ),
  hard(
    17,
    'Substrate, sheathing, barrier, openings, cladding',
    'every layer laps over the one below and hides it',
    {
      form: 'order',
      before: ['access'],
      after: ['face-protect', 'strip', 'wall-cut', 'substrate', 'openings', 'roof-strip'],
      within: 'area',
    },
    {
      form: 'chain',
      phases: [
        'strip',
        'substrate',
        'repair',
        'rake',
        'repoint',
        'sheathing',
        'barrier',
        'openings',
        'face-trim',
        'cladding',
        'seal',
        'face-paint',
        'refit',
        'strike',
      ],
    },
    { form: 'chain', phases: ['strip', 'wall-cut', 'lintel', 'barrier', 'openings'] },
    { form: 'chain', phases: ['lintel', 'openings'] },
    { form: 'order', before: ['covering', 'glazing', 'gutters'], after: ['strike'], within: 'area' },
  ),
  hard(18, 'Masonry cured before it carries', 'fresh mortar crushes', {
    form: 'order',
    before: ['masonry'],
    after: ['structure'],
    within: 'area',
    lag: { halfDays: 14, unit: 'elapsed' },
  }),
  hard(
    19,
    'A guard wherever an edge is open',
    'a fall from a storey kills; the temporary rail stays until the permanent one',
    {
      form: 'order',
      before: ['guard'],
      after: [...TEAR_OUT, 'stair-out', 'structure', 'roof-strip'],
      within: 'area',
    },
    { form: 'order', before: ['guard'], after: ['framing', 'stair', 'rails'], within: 'area', first: true },
    { form: 'order', before: ['stair-out'], after: ['stair'], within: 'area' },
    {
      form: 'exposure',
      from: 'stair-out',
      to: 'stair',
      most: 8,
      cure: 'the old stair stays until the new one is there, or a tied ladder with a gate',
    },
    { form: 'order', before: ['stair'], after: ['rails'], within: 'area' },
    { form: 'order', before: ['rails'], after: ['snags', 'hand-over', 'strike'], within: 'area', first: true },
  ),
  hard(
    20,
    'Approvals and deliveries before the work that needs them',
    'work without its approval is torn down, and work without its parts stops half-way',
    { form: 'awaited' },
  ),
  hard(
    21,
    'Final inspection before hand-over',
    'nobody may live in it before',
    {
      form: 'job-task',
      task: 'alarms',
      after: ['wiring-finish'],
      before: ['hand-over'],
      where: ['wiring-rough'],
    },
    { form: 'job-task', task: 'start-up', after: ['gas-finish', 'duct-finish', 'move-units'], before: ['hand-over'] },
    {
      form: 'job-task',
      task: 'final-inspection',
      after: FINISHES,
      before: ['hand-over'],
      follows: ['alarms', 'start-up'],
    },
    { form: 'order', before: LOOKED_AT, after: ['snags', 'clean', 'hand-over'], within: 'area', first: true },
    { form: 'chain', phases: ['snags', 'clean', 'hand-over'] },
  ),
  hard(
    28,
    'Walls finished before what is fitted to them',
    'sanding dust and wet paint spoil what is fitted, and nobody paints behind a cabinet',
    {
      form: 'order',
      before: WALLS_DONE,
      after: ['cabinets', 'built-ins', 'stair-out', 'stair', ...TRADES_FINISH],
      within: 'area',
    },
    { form: 'order', before: ['board', 'tape', 'plaster'], after: ['flooring', 'trim', 'tiling'], within: 'area' },
    { form: 'order', before: ['tiling', 'first-coats'], after: ['glass'], within: 'area' },
    { form: 'order', before: ['flooring'], after: ['floor-protect', 'appliances'], within: 'area' },
    {
      form: 'order',
      before: [
        'cabinets',
        'riser',
        'worktops',
        'trim',
        'final-coat',
        'plumbing-finish',
        'wiring-finish',
        'built-ins',
        'glass',
      ],
      after: ['touch-up'],
      within: 'area',
    },
  ),
  hard(
    29,
    'Passages last',
    'whoever carries rubble through a finished hall finishes it twice',
    { form: 'order', before: TEAR_OUT, after: ['first-coats', ...SHOWS_DUST], within: 'passed' },
    { form: 'order', before: ['board', 'tape'], after: SHOWS_DUST, within: 'passed' },
  ),
  hard(
    30,
    'Rooms that become one are finished together',
    'where the wall is gone, dust, paint and floor are one',
    { form: 'order', before: TEAR_OUT, after: ['first-coats', ...SHOWS_DUST], within: 'joined' },
    { form: 'order', before: ['board', 'tape', 'plaster'], after: ['first-coats', ...SHOWS_DUST], within: 'joined' },
    { form: 'order', before: ['first-coats'], after: ['flooring', 'final-coat'], within: 'joined' },
  ),

  hard(34, 'The last coat last', 'what is fitted after the last coat marks it, and has none itself', {
    form: 'order',
    before: ['trim', 'stair', 'built-ins', 'ceiling-grid'],
    after: ['final-coat'],
    within: 'area',
  }),
  hard(33, 'Do not open before you can close', 'an open roof or wall costs more than the days that were won', {
    form: 'closable',
  }),

  soft(
    22,
    'Loud and dusty first, top to bottom, back to front',
    'dirt falls and is carried out, so finished rooms stay clean',
    { form: 'prefer', by: 'loud-and-dusty-first' },
    { form: 'prefer', by: 'top-down' },
    { form: 'prefer', by: 'back-to-front' },
  ),
  soft(
    23,
    'Floors after wet trades, costly things late',
    'what is not there yet cannot be spoiled',
    { form: 'order', before: ['first-coats', 'ceiling-grid'], after: ['flooring'], within: 'area' },
    { form: 'order', before: ['tiling', 'flooring', 'first-coats'], after: ['trim'], within: 'area' },
    { form: 'prefer', by: 'costly-late' },
  ),
  soft(24, 'One visit rather than two', 'each return costs a day of somebody’s travel and set-up', {
    form: 'prefer',
    by: 'same-gate-together',
  }),
  soft(
    25,
    'One bathroom at a time, one sink always',
    'people live here and need one that works',
    { form: 'one-at-a-time', need: 'toilet', first: 'protect', last: 'plumbing-finish' },
    { form: 'one-at-a-time', need: 'sink', first: 'tear-out', last: 'plumbing-finish' },
  ),
  soft(26, 'Loud work in the hours the neighbours know', 'it was promised to them', { form: 'quiet-hours' }),
  soft(27, 'Site set up first', 'store, bins and a dry place to eat save a walk every hour', {
    form: 'job-task',
    task: 'site-setup',
    after: [],
    before: ['clear', 'excavate', 'tear-out', 'access', 'knock-down', 'well-dig'],
  }),
  soft(
    32,
    'A trench over several areas is one',
    'it is looked for, opened and closed once, and no more of it stands open than is worked on',
    { form: 'order', before: ['scan'], after: ['cut'], within: 'level' },
    { form: 'order', before: ['floor-pipe'], after: ['floor-inspection'], within: 'level' },
    { form: 'sections', once: 'locate', dig: 'excavate', lay: 'pipe' },
  ),
  soft(
    31,
    'Punch list and cleaning once, at the end',
    'a room that is cleaned weeks before it is handed over is cleaned twice',
    { form: 'job-task', task: 'finished', after: LOOKED_AT, before: ['snags', 'clean', 'hand-over'] },
  ),
];

/** Rules that save a trip or a second cleaning: they give way before those that somebody lives by. */
export const SAVES: readonly number[] = [24, 31, 32];

/** Not one of the rules: the order in which a track is written, where no rule speaks of two neighbours in it. */
export const USUAL_ORDER: Rule = {
  number: 0,
  strength: 'soft',
  title: 'The usual order',
  reason: 'this is the usual order of the work in one place',
  effects: [],
};
/** An order agreed for one job, with the reason its author gave. */
export const OWN_ORDER: Rule = {
  number: 100,
  strength: 'hard',
  title: 'Agreed for this job',
  reason: 'agreed for this job',
  effects: [],
};
/** What a walk found still to do: rule 9, said of that one thing. */
export const LEFTOVERS: Rule = {
  number: 9,
  strength: 'hard',
  title: 'Left over from a walk',
  reason: 'the walk found it still to do, and this would cover it or hand it over unfinished',
  effects: [],
};
/** Rule 2, said of one service that was found. */
export const SERVICES: Rule = {
  number: 2,
  strength: 'hard',
  title: 'Proved dead, or marked',
  reason: 'nobody has proved whether it is live; what is cut by mistake hurts people',
  effects: [],
};
/** Steps that make services safe, and those that could hit one. */
export const PROVES: readonly Phase[] = ['isolate', 'locate', 'scan'];
export const HITS: readonly Phase[] = [
  ...TEAR_OUT,
  'stair-out',
  'salvage',
  'knock-down',
  'well-dig',
  'clear',
  'excavate',
  'strip',
  'move-units',
];
/** Work that an assumption or a change added: it follows what showed it, and what comes next there waits for it. */
export const ADDED_WORK: Rule = {
  number: 101,
  strength: 'hard',
  title: 'Added to the work',
  reason: 'it was added to the work here',
  effects: [],
};
/** What has to stand, be allowed or be told before the work it serves. */
export const LOGISTICS: Rule = {
  number: 102,
  strength: 'hard',
  title: 'There before it is needed',
  reason: 'the work needs it there',
  effects: [],
};
/** A gate or milestone that somebody set. */
export const GATES: Rule = {
  number: 103,
  strength: 'hard',
  title: 'Brought to one gate',
  reason: 'they were brought to one gate',
  effects: [],
};
/** The parts of one step follow each other. */
export const PARTS: Rule = {
  number: 104,
  strength: 'hard',
  title: 'One part after the other',
  reason: 'it is done in parts',
  effects: [],
};
/** What must never be the other way round, where no rule that holds keeps it (`forbidden`). */
export const NEVER: Rule = {
  number: 105,
  strength: 'hard',
  title: 'Never the other way round',
  reason: 'nobody accepts it the other way round',
  effects: [],
};
/** The order that a method brings. */
export const SCHOOL = 110;
/** Rules of the firm's own are numbered from here. */
export const OWN_RULES = 200;
