import type { Phase } from '../sequence/phases';
import type { Site, SiteArea } from '../sequence/site';
import { isHouseholdNeed, type HouseholdNeed } from '../sites/household-needs';
import type { Slot } from '../units/slot';

/** A piece of work of the job where it is planned, or was done. */
export interface LivingTask {
  area: string | null;
  phase: Phase | null;
  state: 'waiting' | 'under-way' | 'done';
  start: Slot;
  finish: Slot;
}

/** Something that stands in for a need meanwhile: a toilet hired, a fridge in the hall. */
export interface Provision {
  id: string;
  need: HouseholdNeed;
  words: string;
  from: Slot;
  /** The first slot on which it is gone; null while it stays. */
  until: Slot | null;
}

/** A time in which the household has a need nowhere in the house, and what stands in for it in a part of it. */
export interface Gap {
  need: HouseholdNeed;
  /** Rooms in which it usually is. */
  areas: string[];
  from: Slot;
  /** null where nothing planned gives it back. */
  until: Slot | null;
  /** Which work takes it, by area and phase; none where it was gone from the beginning. */
  by: { area: string; phase: Phase } | null;
  provision: Provision | null;
}

/** Half-days on which something is off while somebody works on it. */
export interface Outage {
  slot: Slot;
  area: string;
  phase: Phase;
  what: string;
}

/** What takes a need from a room for good, until it is given back, and what gives it back. */
const OPENS: readonly Phase[] = ['move-units', 'tear-out', 'knock-down', 'break-out', 'cut', 'pit'];
const TAKES: Record<HouseholdNeed, { takes: readonly Phase[]; gives: readonly Phase[] }> = {
  toilet: { takes: OPENS, gives: ['plumbing-finish'] },
  shower: { takes: OPENS, gives: ['glass', 'plumbing-finish'] },
  bath: { takes: OPENS, gives: ['plumbing-finish'] },
  sink: { takes: OPENS, gives: ['plumbing-finish'] },
  cooking: { takes: OPENS, gives: ['appliances', 'gas-finish'] },
  'cold food': { takes: OPENS, gives: ['appliances', 'cabinets'] },
  laundry: { takes: OPENS, gives: ['appliances', 'plumbing-finish'] },
  heat: { takes: OPENS, gives: ['duct-finish', 'gas-finish', 'plumbing-finish'] },
  'hot water': { takes: OPENS, gives: ['plumbing-finish', 'gas-finish'] },
  'way in': {
    takes: ['entrance-door', 'floor-pour', 'break-out'],
    gives: ['entrance-door', 'floor-cure', 'floor-pour'],
  },
  beds: { takes: ['move-units', 'tear-out', 'protect', 'first-coats'], gives: ['final-coat', 'flooring', 'trim'] },
  parking: { takes: ['excavate', 'clear', 'access'], gives: ['reinstate', 'backfill', 'strike'] },
};

/** Work in a room that is used again in the evening, but not while it goes on. */
const DISTURBS: readonly Phase[] = [
  'waterproofing',
  'tiling',
  'flooring',
  'floor-cure',
  'plumbing-finish',
  'pour',
  'cure',
];

/** What comes last takes nothing from anybody. */
const LAST: readonly Phase[] = ['snags', 'clean', 'hand-over'];

interface Span {
  from: Slot;
  until: Slot;
  by: { area: string; phase: Phase } | null;
}

const FOR_EVER = Number.MAX_SAFE_INTEGER;

/**
 * When the household has a need nowhere, need by need in the order of time; nothing where nobody lives there.
 * @param tasks of the job, done ones too; slots from today on
 */
export function gapsOf(site: Site, tasks: readonly LivingTask[], provisions: readonly Provision[]): Gap[] {
  if (!site.livedIn) return [];
  const needs = [...new Set(site.areas.flatMap((area) => [...area.provides, ...(area.brings ?? [])]))].filter(
    isHouseholdNeed,
  );
  return needs
    .flatMap((need) => {
      const places = site.areas.filter((area) => has(area, need));
      const out = places.map((area) => spansOut(area, need, tasks)).reduce(both);
      return out.flatMap((span) => withProvisions(need, places, span, provisions));
    })
    .sort((a, b) => a.from - b.from || (a.need < b.need ? -1 : 1));
}

const has = (area: SiteArea, need: string): boolean =>
  area.provides.includes(need) || (area.brings?.includes(need) ?? false);

/** When a need is not to be had in one room. */
function spansOut(area: SiteArea, need: HouseholdNeed, tasks: readonly LivingTask[]): Span[] {
  const here = tasks.filter((task) => task.area === area.id && task.phase !== null);
  const { takes, gives } = TAKES[need];
  const of = (phases: readonly Phase[]): LivingTask[] => here.filter(({ phase }) => phase && phases.includes(phase));
  const [takers, givers] = [of(takes), of(gives)];
  const rest = here.filter(({ phase, state }) => state !== 'done' && phase && !LAST.includes(phase));
  const last = (list: readonly LivingTask[]): Slot => Math.max(0, ...list.map(({ finish }) => finish));
  // Where what gives it back is not in the plan, all other work there has to be over.
  const back = givers.length > 0 ? givers.filter(({ state }) => state !== 'done') : rest;
  const isNew = !area.provides.includes(need);
  if (isNew || takers.length > 0) {
    if (!isNew && givers.length > 0 && back.length === 0 && takers.every(({ state }) => state === 'done')) return [];
    const begun = isNew || takers.some(({ state }) => state !== 'waiting');
    const first = [...takers].filter(({ state }) => state === 'waiting').sort((a, b) => a.start - b.start)[0];
    const from = begun ? 0 : (first?.start ?? 0);
    const until = back.length > 0 ? last(back) : begun && !isNew ? 0 : FOR_EVER;
    const by = begun || !first?.phase ? null : { area: area.id, phase: first.phase };
    return until > from ? [{ from, until, by }] : [];
  }
  return merged(
    of(DISTURBS)
      .filter(({ state }) => state !== 'done')
      .map(({ start, finish, phase }) => ({ from: start, until: finish, by: phase ? { area: area.id, phase } : null })),
  );
}

function merged(spans: readonly Span[]): Span[] {
  const result: Span[] = [];
  for (const span of [...spans].sort((a, b) => a.from - b.from)) {
    const last = result.at(-1);
    if (last && span.from <= last.until) last.until = Math.max(last.until, span.until);
    else if (span.until > span.from) result.push({ ...span });
  }
  return result;
}

/** When it is to be had in neither of two places; what took the later one is what took it. */
function both(one: readonly Span[], other: readonly Span[]): Span[] {
  return one.flatMap((a) =>
    other.flatMap((b) => {
      const [from, until] = [Math.max(a.from, b.from), Math.min(a.until, b.until)];
      return until > from ? [{ from, until, by: a.from >= b.from ? a.by : b.by }] : [];
    }),
  );
}

/** A gap in parts: with what stands in, and without. */
function withProvisions(
  need: HouseholdNeed,
  places: readonly SiteArea[],
  { from, until, by }: Span,
  provisions: readonly Provision[],
): Gap[] {
  const mine = provisions.filter((one) => one.need === need).sort((a, b) => a.from - b.from);
  const areas = places.map(({ id }) => id);
  const gap = (start: Slot, end: Slot, provision: Provision | null): Gap[] =>
    end > start
      ? [{ need, areas, from: start, until: end === FOR_EVER ? null : end, by: start === from ? by : null, provision }]
      : [];
  const parts: Gap[] = [];
  let at = from;
  for (const one of mine) {
    const [start, end] = [Math.max(at, one.from), Math.min(until, one.until ?? FOR_EVER)];
    if (end <= start) continue;
    parts.push(...gap(at, start, null), ...gap(start, end, one));
    at = end;
  }
  return [...parts, ...gap(at, until, null)];
}

/** Needs without which nobody should have to sleep there, or that are not to be missed at any time of the day. */
const NIGHTLY: readonly HouseholdNeed[] = ['toilet', 'cold food', 'beds'];
const ALWAYS_NEEDED: readonly HouseholdNeed[] = ['way in'];
/** Where none of them runs there is no water in the house. */
const WATER: readonly HouseholdNeed[] = ['sink', 'shower', 'bath'];

/** How many nights a time without something reaches over: what is back by the evening costs none. */
export const nightsOf = ({ from, until }: Pick<Gap, 'from' | 'until'>, end: Slot): number =>
  Math.max(0, Math.floor((Math.min(until ?? end, end) - 1) / 2) - Math.floor(from / 2));

/** What a household should not be left with: a night without a toilet, water, cold food or beds, no way in at any time. */
export interface HouseholdConflict {
  need: HouseholdNeed | 'water';
  from: Slot;
  until: Slot | null;
  nights: number;
  by: Gap['by'];
}

/** @param end the last slot of the plan: what nothing gives back is counted until then */
export function conflictsOf(site: Site, gaps: readonly Gap[], end: Slot): HouseholdConflict[] {
  const bare = gaps.filter(({ provision }) => provision === null);
  const single = bare.flatMap((gap): HouseholdConflict[] => {
    const nights = nightsOf(gap, end);
    const counts = ALWAYS_NEEDED.includes(gap.need) || (NIGHTLY.includes(gap.need) && nights > 0);
    return counts ? [{ need: gap.need, from: gap.from, until: gap.until, nights, by: gap.by }] : [];
  });
  const dry = WATER.filter((need) => site.areas.some((area) => has(area, need))).map((need) =>
    bare
      .filter((gap) => gap.need === need)
      .map(({ from, until, by }): Span => ({ from, until: until ?? FOR_EVER, by })),
  );
  const water = dry.length === 0 ? [] : dry.reduce(both);
  return [
    ...single,
    ...water.flatMap((span): HouseholdConflict[] => {
      const until = span.until === FOR_EVER ? null : span.until;
      const nights = nightsOf({ from: span.from, until }, end);
      return nights > 0 ? [{ need: 'water', from: span.from, until, nights, by: span.by }] : [];
    }),
  ].sort((a, b) => a.from - b.from);
}

const OFF: Partial<Record<Phase, string>> = {
  isolate: 'no power and no water there',
  'switch-over': 'no drain: no toilet, nothing down the sink',
  'gas-rough': 'no gas',
  'gas-finish': 'no gas',
};

/** Half-days to come on which something is off because somebody works on it, the first of them first. */
export const outagesOf = (tasks: readonly (LivingTask & { slots: readonly Slot[] })[]): Outage[] =>
  tasks
    .flatMap(({ area, phase, state, slots }) => {
      const what = phase && OFF[phase];
      return !what || area === null || state === 'done' ? [] : slots.map((slot) => ({ slot, area, phase, what }));
    })
    .filter(({ slot }) => slot >= 0)
    .sort((a, b) => a.slot - b.slot);
