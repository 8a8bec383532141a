import fc from 'fast-check';
import type { Link, NotBefore, Task } from '@/core/schedule/network';
import type { TooMuch } from '@/core/schedule/weather';
import { dayOfSlot } from '@/core/units/slot';
import { makePlan, type Plan } from '@/core/schedule/plan';
import type { PlanInput } from '@/core/schedule/plan-input';

export const task = (id: string, over: Partial<Task> = {}): Task => ({
  id,
  job: 'job',
  area: null,
  phase: null,
  work: { kind: 'called', text: id },
  trade: 'carpentry',
  crew: 'crew',
  duration: 2,
  shares: 0,
  state: 'waiting',
  floor: 0,
  calendar: 'days',
  rank: 0,
  ...over,
});
export const link = (before: string, after: string, over: Partial<Link> = {}): Link => ({
  before,
  after,
  kind: 'FS',
  lag: 0,
  lagUnit: 'work',
  strength: 'hard',
  rule: 8,
  reason: 'so it is',
  ...over,
});
/** Much rain in the outlook on these slots. */
export const rainOn = (...slots: number[]): Map<number, TooMuch> =>
  new Map(slots.map((slot) => [slot, { of: 'rain', amount: 9, day: dayOfSlot('2027-03-08', slot) }]));

/** Origin is a Monday. */
export const days = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;

export const input = (over: Partial<PlanInput>): PlanInput => ({
  origin: '2027-03-08',
  tasks: [],
  links: [],
  notBefore: [],
  exposures: [],
  crews: [{ id: 'crew', name: 'Crew', capacity: 1, away: new Set() }],
  calendars: { days, always: () => true },
  jobCalendars: { job: 'days' },
  promises: {},
  ...over,
});
export const planned = (over: Partial<PlanInput>): Plan => {
  const outcome = makePlan(input(over));
  if (!outcome.ok) throw new Error(outcome.problem.message);
  return outcome.value;
};
export const at = (plan: Plan, id: string) => {
  const found = plan.tasks.find((plannedTask) => plannedTask.id === id);
  if (!found) throw new Error(id);
  return found;
};

/** Random networks: links only from lower to higher numbers, so there is no ring. */
export const networks = fc
  .record({
    tasks: fc.array(
      fc.record({
        duration: fc.integer({ min: 0, max: 7 }),
        crew: fc.constantFrom('a', 'b', null),
        area: fc.constantFrom('x', 'y', null),
        shares: fc.constantFrom(1, 2),
        state: fc.constantFrom('waiting', 'waiting', 'waiting', 'under-way', 'done'),
        calendar: fc.constantFrom('days', 'days', 'outdoor', 'always'),
        rank: fc.integer({ min: 0, max: 3 }),
        floor: fc.integer({ min: 0, max: 6 }),
      }),
      { minLength: 1, maxLength: 25 },
    ),
    links: fc.array(
      fc.record({
        from: fc.nat(24),
        to: fc.nat(24),
        kind: fc.constantFrom('FS', 'FS', 'SS', 'FF'),
        lag: fc.integer({ min: 0, max: 5 }),
        lagUnit: fc.constantFrom('work', 'elapsed'),
      }),
      { maxLength: 40 },
    ),
    waits: fc.array(fc.record({ task: fc.nat(24), slot: fc.integer({ min: 0, max: 30 }) }), { maxLength: 4 }),
    away: fc.uniqueArray(fc.nat(40), { maxLength: 12 }),
    plant: fc.uniqueArray(fc.nat(24), { maxLength: 6 }),
    broken: fc.uniqueArray(fc.nat(40), { maxLength: 8 }),
    rain: fc.uniqueArray(fc.nat(40), { maxLength: 12 }),
    capacity: fc.integer({ min: 1, max: 2 }),
    pins: fc.array(fc.record({ task: fc.nat(24), slot: fc.nat(40) }), { maxLength: 2 }),
    open: fc.array(fc.record({ from: fc.nat(24), to: fc.nat(24), most: fc.integer({ min: 1, max: 8 }) }), {
      maxLength: 2,
    }),
  })
  .map((raw): PlanInput => {
    const tasks = raw.tasks.map((entry, number) =>
      task(`t${String(number).padStart(2, '0')}`, {
        ...entry,
        job: number % 2 ? 'odd' : 'even',
        shares: entry.area === null ? 0 : entry.shares,
        duration:
          entry.state === 'done' ? 0 : entry.state === 'under-way' ? Math.max(1, entry.duration) : entry.duration,
        floor: entry.state === 'waiting' ? entry.floor : 0,
        ...(raw.plant.includes(number) && entry.duration > 0 ? { plant: 'digger' } : {}),
        ...(entry.crew === 'a' && number % 3 === 0 ? { crews: raw.capacity } : {}),
      }),
    );
    const rain = rainOn(...raw.rain);
    const id = (number: number): string | undefined => tasks[number]?.id;
    return input({
      tasks,
      links: raw.links.flatMap(({ from, to, ...rest }) => {
        const [before, after] = [id(Math.min(from, to)), id(Math.max(from, to))];
        return before && after && before !== after ? [link(before, after, rest)] : [];
      }),
      notBefore: raw.waits
        .flatMap(({ task: number, slot }): NotBefore[] =>
          id(number)
            ? [{ task: id(number) ?? '', slot, wait: { kind: 'told' as const, text: 'it comes then' }, open: false }]
            : [],
        )
        .concat(
          raw.pins.flatMap(({ task: number, slot }): NotBefore[] =>
            id(number)
              ? [
                  {
                    task: id(number) ?? '',
                    slot,
                    wait: { kind: 'pin', why: 'somebody said so' },
                    open: false,
                    kind: 'pin' as const,
                  },
                ]
              : [],
          ),
        ),
      exposures: raw.open.flatMap(({ from, to, most }) => {
        const [first, last] = [id(Math.min(from, to)), id(Math.max(from, to))];
        return first && last
          ? [{ from: first, to: last, most, rule: 12, reason: 'rain', cure: 'a cover', dry: true as const }]
          : [];
      }),
      calendars: { days, always: () => true, outdoor: (slot) => days(slot) && !rain.has(slot) },
      keptOff: { outdoor: { base: 'days', slots: rain } },
      rain,
      crews: [
        { id: 'a', name: 'A', capacity: raw.capacity, away: new Set(raw.away) },
        { id: 'b', name: 'B', capacity: 1, away: new Set() },
        {
          id: 'digger',
          name: 'the digger',
          capacity: raw.capacity,
          away: new Set(),
          fewer: new Map(raw.broken.map((slot) => [slot, 1])),
        },
      ],
      jobCalendars: { odd: 'days', even: 'days' },
    });
  });
