import { inUsualOrder, type Phase } from './phases';
import { SCHOOL, type Effect, type Rule } from './rules';

/**
 * Choices in which practitioners differ and both are right somewhere. A job picks a variant, a room may differ; a variant
 * adds steps or leaves some out, asks for other times, and brings an order of its own. Nothing picked is the usual
 * order of the tracks.
 */
export interface Method {
  key: MethodKey;
  title: string;
  variants: readonly [Variant, Variant];
}

export interface Variant {
  key: string;
  label: string;
  /** What it costs and what it is good for. */
  why: string;
  /** Steps it brings to areas that have one of `with`. */
  adds?: readonly { phase: Phase; with: readonly Phase[] }[];
  /** Steps that areas then do without, where they have one of `with`. */
  drops?: readonly { phase: Phase; with: readonly Phase[] }[];
  /** Times as long. */
  stretch?: readonly { phase: Phase; factor: number }[];
  /** Every step of so many half-days or more takes another half-day for every so many. */
  cleanUp?: number;
  order?: readonly Effect[];
  /** Neighbours in a rule's chain that this variant parts. */
  parts?: readonly (readonly [Phase, Phase])[];
}

export const SCHOOL_KEYS = [
  'cabinets-paint',
  'floor-cabinets',
  'trim-cladding',
  'old-cladding',
  'over-cabinets',
  'tear-out',
  'wall-finish',
  'entrance-door',
  'clean-up',
  'ceilings',
] as const;
export type MethodKey = (typeof SCHOOL_KEYS)[number];

const after = (before: readonly Phase[], then: readonly Phase[]): Effect => ({
  form: 'order',
  before,
  after: then,
  within: 'area',
});

export const METHODS: readonly Method[] = [
  {
    key: 'cabinets-paint',
    title: 'Cabinets and paint',
    variants: [
      {
        key: 'cabinets-first',
        label: 'cabinets, then paint while worktops are made',
        why: 'nothing is painted twice; the painter waits for the cabinets',
        order: [after(['cabinets'], ['final-coat']), after(['template'], ['final-coat'])],
      },
      {
        key: 'paint-first',
        label: 'paint first, touch up after',
        why: 'the painter is free of the cabinet date and works in an empty room; a touch-up comes at the end',
        adds: [{ phase: 'touch-up', with: ['cabinets'] }],
        order: [
          after(['final-coat'], ['cabinets']),
          after(['cabinets', 'worktops', 'trim', 'plumbing-finish'], ['touch-up']),
        ],
      },
    ],
  },
  {
    key: 'floor-cabinets',
    title: 'Floor and cabinets',
    variants: [
      {
        key: 'floor-first',
        label: 'floor wall to wall first',
        why: 'cabinets can be moved later without a hole in the floor; the floor has to be covered',
        adds: [{ phase: 'floor-protect', with: ['cabinets'] }],
        order: [after(['flooring'], ['floor-protect', 'cabinets']), after(['floor-protect'], ['cabinets'])],
      },
      {
        key: 'cabinets-first',
        label: 'cabinets first, floor to them',
        why: 'less floor and nothing to protect; the floor waits for the cabinets and is tied to their date',
        order: [after(['cabinets'], ['flooring'])],
      },
    ],
  },
  {
    key: 'trim-cladding',
    title: 'Outside trim and cladding',
    variants: [
      {
        key: 'trim-first',
        label: 'trim first, boards butt to it, sealed joint',
        why: 'straight edges to cut to, and every joint has to be sealed',
        order: [after(['face-trim'], ['cladding'])],
      },
      {
        key: 'boards-first',
        label: 'boards first with a gap, trim laps over',
        why: 'quick to clad and forgiving of cuts; thicker trim, less to seal',
        parts: [['face-trim', 'cladding']],
        order: [after(['openings'], ['cladding']), after(['cladding'], ['face-trim']), after(['face-trim'], ['seal'])],
      },
    ],
  },
  {
    key: 'old-cladding',
    title: 'Old cladding',
    variants: [
      {
        key: 'strip',
        label: 'strip and inspect',
        why: 'rot is found early and the wall behind is seen; more tear-out and bins',
      },
      {
        key: 'overlay',
        label: 'overlay what is sound',
        why: 'days and bins saved; what is behind stays an assumption',
        drops: [
          { phase: 'strip', with: ['cladding'] },
          { phase: 'sheathing', with: ['cladding'] },
          { phase: 'barrier', with: ['cladding'] },
        ],
      },
    ],
  },
  {
    key: 'over-cabinets',
    title: 'Over wall cabinets',
    variants: [
      {
        key: 'bulkhead',
        label: 'a bulkhead, cabinets hang from it',
        why: 'framed now, and the cabinets find a level line',
        adds: [{ phase: 'bulkhead', with: ['cabinets'] }],
        order: [after(['framing'], ['bulkhead']), after(['bulkhead'], ['wiring-rough', 'close-in', 'board'])],
      },
      {
        key: 'riser',
        label: 'cabinets or a riser to the ceiling',
        why: 'nothing to frame now, joinery later',
        adds: [{ phase: 'riser', with: ['cabinets'] }],
        order: [after(['cabinets'], ['riser'])],
      },
    ],
  },
  {
    key: 'tear-out',
    title: 'Tear-out',
    variants: [
      { key: 'fast', label: 'fast, to the bin', why: 'the fewest days and the most bins' },
      {
        key: 'careful',
        label: 'careful, parts salvaged',
        why: 'days more, bins fewer, and less to buy again',
        stretch: [
          { phase: 'tear-out', factor: 1.6 },
          { phase: 'strip', factor: 1.4 },
        ],
      },
    ],
  },
  {
    key: 'wall-finish',
    title: 'Finish of walls',
    variants: [
      {
        key: 'plaster',
        label: 'two-coat plaster',
        why: 'flat under raking light and hard; a week to dry',
        adds: [{ phase: 'plaster', with: ['board'] }],
        drops: [
          { phase: 'tape', with: ['tape'] },
          { phase: 'board', with: ['board'] },
        ],
      },
      {
        key: 'board',
        label: 'board and tape',
        why: 'dry in days; joints show where the light is low',
        adds: [
          { phase: 'board', with: ['plaster'] },
          { phase: 'tape', with: ['plaster'] },
        ],
        drops: [{ phase: 'plaster', with: ['plaster'] }],
      },
    ],
  },
  {
    key: 'entrance-door',
    title: 'Entrance door',
    variants: [
      { key: 'early', label: 'set early, for security', why: 'the house locks; the door has to be covered' },
      {
        key: 'late',
        label: 'last, so that nobody damages it',
        why: 'a temporary door has to be hung and taken out again',
        adds: [
          { phase: 'temporary-door', with: ['openings'] },
          { phase: 'entrance-door', with: ['openings'] },
        ],
        order: [
          after(['openings'], ['temporary-door']),
          after(['temporary-door', 'seal', 'face-paint', 'refit'], ['entrance-door']),
          after(['entrance-door'], ['strike']),
        ],
      },
    ],
  },
  {
    key: 'clean-up',
    title: 'Clean-up',
    variants: [
      {
        key: 'daily',
        label: 'broom-clean every day',
        why: 'people live or pass here; about a tenth of every day',
        cleanUp: 8,
      },
      {
        key: 'weekly',
        label: 'once a week',
        why: 'only where nobody lives or passes; about half a day a fortnight',
        cleanUp: 20,
      },
    ],
  },
  {
    key: 'ceilings',
    title: 'Ceilings under services',
    variants: [
      { key: 'fixed', label: 'fixed', why: 'one flat ceiling, opened when something leaks' },
      {
        key: 'panels',
        label: 'accessible panels or grid',
        why: 'valves and joints can be reached; frames are set before the board',
        adds: [{ phase: 'access-panels', with: ['plumbing-rough', 'duct-rough'] }],
        order: [
          after(['access-panels'], ['board', 'plaster']),
          after(['rough-inspection', 'close-in'], ['access-panels']),
        ],
      },
    ],
  },
];

export type Choices = Partial<Record<MethodKey, string>>;

export const variantOf = (method: Method, key: string | undefined): Variant | undefined =>
  method.variants.find((variant) => variant.key === key);

/** The variants that were picked. */
const variantsOf = (choices: Choices): { method: Method; variant: Variant }[] =>
  METHODS.flatMap((method) => {
    const variant = variantOf(method, choices[method.key]);
    return variant ? [{ method, variant }] : [];
  });

/** The steps of an area as the methods that hold there would have them. */
export function withMethods(track: readonly Phase[], choices: Choices): Phase[] {
  let phases = [...track];
  for (const { variant } of variantsOf(choices)) {
    const had = new Set(phases);
    const met = (list: readonly Phase[]): boolean => list.some((phase) => had.has(phase));
    const adds = (variant.adds ?? []).filter((entry) => met(entry.with)).map((entry) => entry.phase);
    const drops = new Set((variant.drops ?? []).filter((entry) => met(entry.with)).map((entry) => entry.phase));
    phases = inUsualOrder([...phases.filter((phase) => !drops.has(phase)), ...adds]);
  }
  return phases;
}

/** Half-days of a step as the methods would have it, from what it would take by itself. */
export function halfDaysWithMethods(phase: Phase, halfDays: number, choices: Choices): number {
  let result = halfDays;
  for (const { variant } of variantsOf(choices))
    for (const one of variant.stretch ?? []) if (one.phase === phase) result *= one.factor;
  return Math.max(1, Math.round(result));
}

/** Half-days that cleaning up adds to work that lasts so long. */
export function cleanUpOf(halfDays: number, choices: Choices): number {
  const every = variantsOf(choices).find(({ variant }) => variant.cleanUp !== undefined)?.variant.cleanUp;
  return every === undefined ? 0 : Math.floor(halfDays / every);
}

/**
 * The order that the chosen variants bring, as rules that hold in the areas that chose them, and the neighbours they part.
 * @param choicesIn what counts in each area
 */
export function methodRules(
  areas: readonly string[],
  choicesIn: (area: string) => Choices,
): { rules: Rule[]; parted: Set<string> } {
  const parted = new Set<string>();
  const found = new Map<string, { rule: Rule; only: Set<string> }>();
  for (const area of areas) {
    for (const { method, variant } of variantsOf(choicesIn(area))) {
      for (const [before, then] of variant.parts ?? []) parted.add(`${area}:${before}>${then}`);
      if (!variant.order) continue;
      const key = `${method.key} ${variant.key}`;
      const known = found.get(key) ?? {
        only: new Set<string>(),
        rule: {
          number: SCHOOL + SCHOOL_KEYS.indexOf(method.key),
          strength: 'hard',
          title: method.title,
          reason: `so it was chosen: ${variant.label}`,
          effects: variant.order,
        },
      };
      known.only.add(area);
      found.set(key, known);
    }
  }
  return { rules: [...found.values()].map(({ rule, only }) => ({ ...rule, only })), parted };
}
