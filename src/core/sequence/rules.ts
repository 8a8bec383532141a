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

type Within =
  | 'area'
  /** this area and those on the other side of its walls */
  | 'beside'
  /** `before` in passages of the same level, `after` in any area there */
  | 'route'
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
  /** In areas that have the phase: the lowest first, then upstream; `then` waits for all of them. */
  | { form: 'along-fall'; phase: Phase; then: Phase }
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
  /** Areas that provide the need are worked one after another where people live in. */
  | { form: 'one-at-a-time'; need: string; first: Phase; last: Phase }
  /** A task of the whole job, before or after the phases named. */
  | { form: 'job-task'; task: JobTask; after: readonly Phase[]; before: readonly Phase[] }
  /** No links: which of two tasks that could both go takes the crew first. */
  | { form: 'prefer'; by: Preference }
  /** Loud phases keep to the half of the day that the neighbours were told. */
  | { form: 'quiet-hours' };

export type Preference = 'loud-and-dusty-first' | 'top-down' | 'back-to-front' | 'costly-late' | 'same-gate-together';
export type JobTask = 'site-setup' | 'final-inspection';

const IN_THE_WALL = ['duct-rough', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage', 'pre-hang'] as const;
const CLOSERS = ['close-in', 'rough-inspection', 'insulation', 'board', 'plaster'] as const;
const COVERS = ['board', 'plaster'] as const;
const FINISHES = ['wiring-finish', 'plumbing-finish', 'duct-finish', 'rails', 'glass', 'trim'] as const;

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
    { form: 'order', before: ['protect'], after: ['tear-out', 'cut'], within: 'area' },
    { form: 'order', before: ['protect'], after: ['tear-out'], within: 'route' },
    { form: 'order', before: ['face-protect'], after: ['strip', 'substrate', 'openings'], within: 'area', first: true },
  ),
  hard(2, 'Services dead before tear-out', 'live services hurt people, and the household needs what must stay on', {
    form: 'order',
    before: ['isolate'],
    after: ['tear-out', 'cut', 'framing', 'plumbing-rough', 'wiring-rough'],
    within: 'area',
    first: true,
  }),
  hard(
    3,
    'Props before a bearing wall, until released',
    'the load must always stand on something; its designer releases the props',
    { form: 'order', before: ['support'], after: ['masonry', 'structure'], within: 'beside' },
    { form: 'chain', phases: ['support', 'structure', 'pack', 'release'] },
    { form: 'order', before: ['release'], after: ['framing', ...COVERS], within: 'area', first: true },
  ),
  hard(4, 'Ducts and drains out of the beam’s path', 'the beam needs the space they are in', {
    form: 'order',
    before: ['reroute'],
    after: ['structure'],
    within: 'beside',
  }),
  hard(5, 'Pads cured before they are loaded', 'green concrete carries nothing', {
    form: 'order',
    before: ['pad'],
    after: ['structure'],
    within: 'area',
    lag: { halfDays: 14, unit: 'elapsed' },
  }),
  hard(
    6,
    'Locate before digging, inspect before pouring',
    'what is hidden in the ground kills, and what is poured over cannot be seen',
    { form: 'order', before: ['locate'], after: ['clear', 'excavate'], within: 'area', first: true },
    {
      form: 'chain',
      phases: ['scan', 'cut', 'break-out', 'floor-pipe', 'floor-inspection', 'fill', 'floor-pour', 'floor-cure'],
    },
    { form: 'chain', phases: ['excavate', 'pipe', 'ground-inspection', 'pour', 'cure', 'backfill'] },
  ),
  hard(
    7,
    'The fall decides the drain',
    'pipes are laid from the lowest point up, and the house keeps its old drain until the one switch-over',
    { form: 'along-fall', phase: 'pipe', then: 'switch-over' },
    { form: 'order', before: ['ground-inspection', 'backfill'], after: ['switch-over'], within: 'job' },
    { form: 'order', before: ['switch-over'], after: ['reinstate'], within: 'area' },
    {
      form: 'exposure',
      from: 'switch-over',
      to: 'switch-over',
      most: 2,
      cure: 'a second plumber for the day, or a toilet on hire',
    },
  ),
  hard(8, 'Least bendable first', 'a wire can go round a pipe, a pipe cannot go round a duct', {
    form: 'chain',
    phases: ['framing', 'duct-rough', 'plumbing-rough', 'gas-rough', 'wiring-rough', 'low-voltage'],
  }),
  hard(
    9,
    'Everything inside before what covers it',
    'nobody opens a finished wall for a forgotten box',
    { form: 'order', before: IN_THE_WALL, after: CLOSERS, within: 'area', first: true },
    {
      form: 'order',
      before: ['floor-cure'],
      after: ['framing', 'waterproofing', 'flooring', 'tiling'],
      within: 'area',
      first: true,
    },
  ),
  hard(
    10,
    'Check, inspect, insulate, inspect, then board',
    'each one looks at what the next one hides',
    { form: 'chain', phases: ['close-in', 'rough-inspection', 'insulation', 'insulation-inspection', 'board'] },
    { form: 'order', before: ['insulation-inspection', 'rough-inspection'], after: ['plaster'], within: 'area' },
  ),
  hard(11, 'Weather-tight before insulation and board', 'wet insulation and swollen board come out again', {
    form: 'sheltered',
    madeBy: ['barrier', 'openings', 'underlay', 'glazing'],
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
    'paint over wet board or plaster peels',
    { form: 'order', before: ['board'], after: ['tape'], within: 'area' },
    { form: 'order', before: ['tape'], after: ['first-coats'], within: 'area', lag: { halfDays: 2, unit: 'elapsed' } },
    {
      form: 'order',
      before: ['plaster'],
      after: ['first-coats'],
      within: 'area',
      lag: { halfDays: 14, unit: 'elapsed' },
    },
    { form: 'chain', phases: ['first-coats', 'final-coat'] },
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
    { form: 'order', before: ['worktops'], after: ['tiling', 'plumbing-finish'], within: 'area' },
  ),
  hard(
    17,
    'Substrate, sheathing, barrier, openings, cladding',
    'every layer laps over the one below and hides it',
    {
      form: 'order',
      before: ['access'],
      after: ['face-protect', 'strip', 'substrate', 'openings', 'roof-strip'],
      within: 'area',
      first: true,
    },
    {
      form: 'chain',
      phases: [
        'strip',
        'substrate',
        'repair',
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
      after: ['tear-out', 'structure', 'roof-strip', 'framing', 'rails'],
      within: 'area',
      first: true,
    },
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
    { form: 'job-task', task: 'final-inspection', after: FINISHES, before: ['hand-over'] },
    { form: 'chain', phases: ['snags', 'clean', 'hand-over'] },
  ),

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
    { form: 'order', before: ['first-coats', 'tape', 'plaster'], after: ['flooring'], within: 'area' },
    { form: 'order', before: ['tiling', 'flooring'], after: ['trim'], within: 'area' },
    { form: 'prefer', by: 'costly-late' },
  ),
  soft(24, 'One visit rather than two', 'each return costs a day of somebody’s travel and set-up', {
    form: 'prefer',
    by: 'same-gate-together',
  }),
  soft(25, 'One bathroom at a time', 'people live here and need one that works', {
    form: 'one-at-a-time',
    need: 'toilet',
    first: 'protect',
    last: 'plumbing-finish',
  }),
  soft(26, 'Loud work in the hours the neighbours know', 'it was promised to them', { form: 'quiet-hours' }),
  soft(27, 'Site set up first', 'store, bins and a dry place to eat save a walk every hour', {
    form: 'job-task',
    task: 'site-setup',
    after: [],
    before: ['clear', 'excavate', 'tear-out', 'access'],
  }),
];

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
/** The order that a method brings. */
export const SCHOOL = 110;
/** Rules of the firm's own are numbered from here. */
export const OWN_RULES = 200;
