import type { Trade } from './trades';

/**
 * One step of work in an area. The order of this list is the usual order of every track; an area takes
 * the phases its scope needs. Half-days are the firm's starting figures for an ordinary room or face
 * (measured rates replace them walk by walk), not an estimate for any one job.
 */
interface PhaseFacts {
  /** As a tradesperson says it. */
  label: string;
  /** As a client understands it, for updates: completes "… is done". */
  /** The label where there is little room, like a rung of a ladder. */
  short?: string;
  plain: string;
  trade: Trade;
  /** Half-days for an area of size 1; half-days of waiting for those of `nobody`. */
  halfDays: number;
  /** What it waits for where it is a hold point and not work. */
  hold?: 'inspection' | 'close-in' | 'client' | 'water-test';
  /** Time passes on every day of the week: curing, soaking. */
  elapsed?: true;
  covers?: true;
  dusty?: true;
  wet?: true;
  loud?: true;
  outdoor?: true;
  /** Another compatible phase may share the room at the same time. */
  shares?: true;
  /** A lay person sees no change in the room. */
  hidden?: true;
  /** Comes only where a method brings it. */
  byMethod?: true;
}

const PHASES = {
  // around a tear-out
  access: { label: 'scaffold up', plain: 'the scaffold', trade: 'roofing', halfDays: 2, outdoor: true },
  cover: { label: 'tarp ready', plain: 'the rain cover', trade: 'roofing', halfDays: 1, outdoor: true },
  locate: {
    label: 'find buried services',
    short: 'locate',
    plain: 'finding what lies underground',
    trade: 'ground',
    halfDays: 1,
    outdoor: true,
    hidden: true,
  },
  protect: { label: 'protect', plain: 'covering up against dust', trade: 'tear-out', halfDays: 1 },
  'face-protect': {
    label: 'protect, disconnect',
    short: 'protect',
    plain: 'protecting the outside',
    trade: 'roofing',
    halfDays: 1,
    outdoor: true,
  },
  guard: { label: 'temporary rail', short: 'rail', plain: 'the temporary guard rail', trade: 'carpentry', halfDays: 1 },
  isolate: {
    label: 'shut off services',
    short: 'shut off',
    plain: 'making the old services safe',
    trade: 'wiring',
    halfDays: 1,
    hidden: true,
  },
  'tear-out': {
    label: 'tear-out',
    plain: 'taking out the old',
    trade: 'tear-out',
    halfDays: 4,
    dusty: true,
    loud: true,
  },
  reroute: { label: 'move duct', plain: 'moving the duct', trade: 'air', halfDays: 2, hidden: true },
  // floor opening
  scan: { label: 'scan slab', plain: 'looking for cables in the floor', trade: 'ground', halfDays: 1, hidden: true },
  cut: {
    label: 'cut slab',
    plain: 'cutting the floor',
    trade: 'ground',
    halfDays: 2,
    dusty: true,
    loud: true,
    wet: true,
  },
  'break-out': {
    label: 'break out',
    plain: 'breaking out the floor',
    trade: 'ground',
    halfDays: 2,
    dusty: true,
    loud: true,
  },
  'floor-pipe': {
    label: 'pipe in floor',
    plain: 'the pipes under the floor',
    trade: 'plumbing',
    halfDays: 2,
    hidden: true,
  },
  'floor-inspection': {
    label: 'floor inspection',
    short: 'inspection',
    plain: 'the inspection of the pipes in the floor',
    trade: 'nobody',
    halfDays: 1,
    hold: 'inspection',
    hidden: true,
  },
  fill: {
    label: 'fill in layers',
    short: 'fill',
    plain: 'filling the floor',
    trade: 'ground',
    halfDays: 1,
    covers: true,
    hidden: true,
  },
  'floor-pour': {
    label: 'pour slab',
    plain: 'pouring the floor',
    trade: 'ground',
    halfDays: 1,
    covers: true,
    wet: true,
  },
  'floor-cure': {
    label: 'slab cures',
    plain: 'letting the floor harden',
    trade: 'nobody',
    halfDays: 6,
    elapsed: true,
    hidden: true,
  },
  // structure
  support: { label: 'props in', plain: 'the temporary props', trade: 'structure', halfDays: 1 },
  pad: { label: 'pads', plain: 'the concrete pads', trade: 'ground', halfDays: 2, wet: true, hidden: true },
  masonry: {
    label: 'rebuild masonry',
    short: 'masonry',
    plain: 'rebuilding the wall ends',
    trade: 'structure',
    halfDays: 3,
    wet: true,
  },
  structure: { label: 'set beam', plain: 'the beam', trade: 'structure', halfDays: 3, loud: true },
  pack: { label: 'pack tight', plain: 'packing the beam tight', trade: 'structure', halfDays: 1, hidden: true },
  release: { label: 'props out', plain: 'taking the props away', trade: 'structure', halfDays: 1 },
  // inside the walls
  framing: { label: 'framing', plain: 'the new wall frames', trade: 'carpentry', halfDays: 4, loud: true },
  bulkhead: {
    label: 'bulkhead',
    plain: 'the frame over the cabinets',
    trade: 'carpentry',
    halfDays: 1,
    byMethod: true,
  },
  'duct-rough': { label: 'ducts', plain: 'the air ducts', trade: 'air', halfDays: 2, hidden: true, shares: true },
  'plumbing-rough': {
    label: 'pipes',
    plain: 'the pipes inside the walls',
    trade: 'plumbing',
    halfDays: 3,
    hidden: true,
    shares: true,
  },
  'gas-rough': { label: 'gas pipe', plain: 'the gas pipe', trade: 'gas', halfDays: 1, hidden: true },
  'wiring-rough': {
    label: 'wires',
    plain: 'the wires inside the walls',
    trade: 'wiring',
    halfDays: 3,
    hidden: true,
    shares: true,
  },
  'low-voltage': {
    label: 'low voltage',
    plain: 'the data and bell wires',
    trade: 'wiring',
    halfDays: 1,
    hidden: true,
    shares: true,
  },
  'pre-hang': {
    label: 'fit pocket doors',
    short: 'pocket doors',
    plain: 'trying what moves inside the walls',
    trade: 'finish',
    halfDays: 1,
    hidden: true,
  },
  'close-in': {
    label: 'check before cover',
    short: 'check',
    plain: 'our check inside the walls before they are closed',
    trade: 'nobody',
    halfDays: 1,
    hold: 'close-in',
    hidden: true,
  },
  'rough-inspection': {
    label: 'rough inspections',
    short: 'inspection',
    plain: 'the inspection before walls are closed',
    trade: 'nobody',
    halfDays: 1,
    hold: 'inspection',
    hidden: true,
  },
  insulation: { label: 'insulation', plain: 'the insulation', trade: 'insulation', halfDays: 2, covers: true },
  'insulation-inspection': {
    label: 'insulation inspection',
    short: 'inspection',
    plain: 'the inspection of the insulation',
    trade: 'nobody',
    halfDays: 1,
    hold: 'inspection',
    hidden: true,
  },
  'access-panels': {
    label: 'access panels',
    short: 'panels',
    plain: 'the frames of the access panels',
    trade: 'finish',
    halfDays: 1,
    hidden: true,
    byMethod: true,
  },
  // closed walls
  board: { label: 'board', plain: 'the wall boards', trade: 'board', halfDays: 3, covers: true, dusty: true },
  tape: { label: 'tape', plain: 'smoothing the joints', trade: 'board', halfDays: 4, dusty: true, wet: true },
  plaster: { label: 'plaster', plain: 'the plaster', trade: 'plaster', halfDays: 4, wet: true, covers: true },
  'first-coats': { label: 'first coats', plain: 'the first coats of paint', trade: 'paint', halfDays: 3, wet: true },
  waterproofing: {
    label: 'waterproofing',
    short: 'waterproof',
    plain: 'the waterproof layer',
    trade: 'tile',
    halfDays: 2,
    wet: true,
    covers: true,
    hidden: true,
  },
  'flood-test': {
    label: 'flood test',
    plain: 'the test with standing water',
    trade: 'nobody',
    halfDays: 2,
    hold: 'water-test',
    elapsed: true,
    hidden: true,
  },
  flooring: { label: 'flooring', plain: 'the floor', trade: 'flooring', halfDays: 3, covers: true },
  'floor-protect': {
    label: 'floor covered',
    short: 'cover floor',
    plain: 'covering the new floor',
    trade: 'finish',
    halfDays: 1,
    byMethod: true,
  },
  cabinets: { label: 'cabinets', plain: 'the cabinets', trade: 'cabinets', halfDays: 4 },
  riser: {
    label: 'riser to the ceiling',
    short: 'riser',
    plain: 'closing the gap over the cabinets',
    trade: 'cabinets',
    halfDays: 1,
    byMethod: true,
  },
  template: { label: 'template', plain: 'measuring for the worktops', trade: 'stone', halfDays: 1, hidden: true },
  worktops: { label: 'worktops', plain: 'the worktops', trade: 'stone', halfDays: 1 },
  tiling: { label: 'tiling', plain: 'the tiles', trade: 'tile', halfDays: 5, wet: true, covers: true },
  trim: { label: 'doors and trim', short: 'trim', plain: 'doors and trim', trade: 'finish', halfDays: 3 },
  'final-coat': { label: 'final coat', plain: 'the last coat of paint', trade: 'paint', halfDays: 2, wet: true },
  'plumbing-finish': {
    label: 'finish plumbing',
    short: 'plumbing',
    plain: 'taps and basins',
    trade: 'plumbing',
    halfDays: 2,
  },
  'wiring-finish': {
    label: 'finish electric',
    short: 'electric',
    plain: 'sockets and lights',
    trade: 'wiring',
    halfDays: 2,
    shares: true,
  },
  'duct-finish': {
    label: 'registers and grilles',
    short: 'grilles',
    plain: 'the air grilles',
    trade: 'air',
    halfDays: 1,
    shares: true,
  },
  glass: { label: 'glass, hardware', short: 'glass', plain: 'glass and handles', trade: 'glass', halfDays: 1 },
  'touch-up': { label: 'touch-up', plain: 'touching up the paint', trade: 'paint', halfDays: 1, byMethod: true },
  // outside face
  strip: {
    label: 'strip',
    plain: 'taking off the old cladding',
    trade: 'roofing',
    halfDays: 4,
    outdoor: true,
    loud: true,
  },
  substrate: {
    label: 'look behind',
    plain: 'looking at what was behind it',
    trade: 'carpentry',
    halfDays: 1,
    outdoor: true,
  },
  repair: { label: 'repair', plain: 'repairing what was rotten', trade: 'carpentry', halfDays: 2, outdoor: true },
  sheathing: {
    label: 'sheathing',
    plain: 'the new outer boards',
    trade: 'carpentry',
    halfDays: 3,
    outdoor: true,
    covers: true,
  },
  barrier: {
    label: 'barrier, flashings',
    short: 'flashings',
    plain: 'the weather layer',
    trade: 'roofing',
    halfDays: 3,
    outdoor: true,
    covers: true,
  },
  openings: {
    label: 'windows, doors',
    short: 'windows',
    plain: 'the windows',
    trade: 'glass',
    halfDays: 3,
    outdoor: true,
  },
  'temporary-door': {
    label: 'temporary door',
    short: 'door',
    plain: 'a door for the time of the work',
    trade: 'carpentry',
    halfDays: 1,
    outdoor: true,
    byMethod: true,
  },
  'face-trim': { label: 'outside trim', plain: 'the outside trim', trade: 'roofing', halfDays: 2, outdoor: true },
  cladding: {
    label: 'cladding',
    plain: 'the cladding',
    trade: 'roofing',
    halfDays: 6,
    outdoor: true,
    covers: true,
    loud: true,
  },
  seal: { label: 'seal', plain: 'sealing the joints', trade: 'roofing', halfDays: 1, outdoor: true },
  'face-paint': {
    label: 'paint outside',
    plain: 'painting the outside',
    trade: 'paint',
    halfDays: 5,
    outdoor: true,
    wet: true,
  },
  refit: {
    label: 'put back lamps, taps',
    short: 'put back',
    plain: 'putting lamps, taps and vents back',
    trade: 'finish',
    halfDays: 1,
    outdoor: true,
  },
  'entrance-door': {
    label: 'entrance door',
    short: 'door',
    plain: 'the entrance door',
    trade: 'glass',
    halfDays: 1,
    outdoor: true,
    byMethod: true,
  },
  // roof
  'roof-strip': {
    label: 'open roof',
    plain: 'opening the roof',
    trade: 'roofing',
    halfDays: 2,
    outdoor: true,
    loud: true,
  },
  deck: {
    label: 'deck and rafters',
    short: 'deck',
    plain: 'the roof timbers',
    trade: 'carpentry',
    halfDays: 2,
    outdoor: true,
  },
  underlay: {
    label: 'underlay',
    plain: 'making the roof watertight',
    trade: 'roofing',
    halfDays: 1,
    outdoor: true,
    covers: true,
  },
  'roof-flashings': {
    label: 'flashings',
    plain: 'sealing the edges of the roof',
    trade: 'roofing',
    halfDays: 2,
    outdoor: true,
  },
  covering: {
    label: 'covering',
    plain: 'the roof covering',
    trade: 'roofing',
    halfDays: 4,
    outdoor: true,
    covers: true,
  },
  gutters: { label: 'gutters', plain: 'the gutters', trade: 'roofing', halfDays: 1, outdoor: true },
  glazing: { label: 'roof glazing', plain: 'the roof glazing', trade: 'glass', halfDays: 4, outdoor: true },
  strike: { label: 'scaffold down', plain: 'taking the scaffold away', trade: 'roofing', halfDays: 1, outdoor: true },
  // ground and drains
  clear: { label: 'clear', plain: 'clearing the ground', trade: 'ground', halfDays: 1, outdoor: true },
  excavate: { label: 'excavate', plain: 'digging', trade: 'ground', halfDays: 3, outdoor: true, loud: true },
  pipe: { label: 'pipe', plain: 'laying the drain', trade: 'ground', halfDays: 3, outdoor: true },
  'ground-inspection': {
    label: 'water test',
    plain: 'the water test of the drain',
    trade: 'nobody',
    halfDays: 1,
    hold: 'water-test',
    outdoor: true,
  },
  pour: {
    label: 'surround',
    plain: 'the concrete around the drain',
    trade: 'ground',
    halfDays: 1,
    outdoor: true,
    wet: true,
    covers: true,
  },
  cure: {
    label: 'cures',
    plain: 'letting the concrete harden',
    trade: 'nobody',
    halfDays: 4,
    elapsed: true,
    outdoor: true,
    hidden: true,
  },
  backfill: {
    label: 'backfill',
    plain: 'filling the trench',
    trade: 'ground',
    halfDays: 2,
    outdoor: true,
    covers: true,
  },
  'switch-over': {
    label: 'switch over',
    plain: 'changing over to the new drain',
    trade: 'plumbing',
    halfDays: 1,
    outdoor: true,
  },
  reinstate: {
    label: 'make good ground',
    short: 'make good',
    plain: 'putting the ground back',
    trade: 'ground',
    halfDays: 2,
    outdoor: true,
  },
  // the end
  rails: { label: 'rails', plain: 'the permanent rails', trade: 'metal', halfDays: 2 },
  snags: { label: 'punch list', plain: 'the last small repairs', trade: 'finish', halfDays: 1 },
  clean: { label: 'clean', plain: 'the cleaning', trade: 'cleaning', halfDays: 1 },
  'hand-over': { label: 'hand-over', plain: 'handing the room over', trade: 'nobody', halfDays: 1, hold: 'client' },
} as const satisfies Record<string, PhaseFacts>;

export type Phase = keyof typeof PHASES;
export const PHASE_KEYS = Object.keys(PHASES) as Phase[];

const place = new Map(PHASE_KEYS.map((key, index) => [key, index]));

export const isPhase = (text: string): text is Phase => Object.hasOwn(PHASES, text);
/** Its label where there is little room. */
export const shortLabel = (phase: Phase): string => phaseFacts(phase).short ?? phaseFacts(phase).label;
export const phaseFacts = (phase: Phase): PhaseFacts => PHASES[phase];
/** Its place in the usual order, from 0. */
export const phaseOrder = (phase: Phase): number => place.get(phase) ?? 0;
export const inUsualOrder = (phases: Iterable<Phase>): Phase[] =>
  [...new Set(phases)].sort((a, b) => phaseOrder(a) - phaseOrder(b));
