import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makePlan } from '../schedule/plan';
import type { PlanInput } from '../schedule/plan-input';
import { findLoop } from '../schedule/network';
import { ALWAYS, jobCalendar } from './calendars';
import { broken, FORBIDDEN } from './forbidden';
import { sequenceOf } from './links';
import { METHODS, methodRules, withMethods, type Choices } from './methods';
import { phaseFacts, type Phase } from './phases';
import { NEVER, NEVER_OFF, RULES } from './rules';
import { taskId, type Site, type SiteArea } from './site';
import { tasksOf } from './tasks';
import { TRADE_KEYS } from './trades';
import { halfDaysFor, trackOf, WORK_KEYS, workFacts, type Work } from './works';

const ORIGIN = '2027-03-08';

interface Place {
  works: readonly Work[];
  choices?: Choices;
  over?: Partial<SiteArea>;
}

function areaOf({ works, choices = {}, over = {} }: Place, position: number): SiteArea {
  const kind = workFacts(works[0] ?? 'rebuild').kinds[0] ?? 'room';
  const inside = kind === 'room' || kind === 'wet';
  return {
    id: `a${position}`,
    name: `Area ${position}`,
    kind,
    ...(inside ? { level: { id: 'ground', height: 0, name: 'Ground' } } : {}),
    position,
    passage: false,
    provides: [],
    beside: [],
    shelters: kind === 'face' || kind === 'roof' ? ['ground'] : [],
    track: withMethods(trackOf(works), choices).map((phase) => {
      const halfDays = halfDaysFor(phase, 1, works);
      return { phase, trade: phaseFacts(phase).trade, halfDays, fraction: 0, remaining: halfDays };
    }),
    ...over,
  };
}

function siteOf(places: readonly Place[], over: Partial<Site> = {}): Site {
  const { rules, parted } = methodRules(
    places.map((_, index) => `a${index}`),
    (id) => places[Number(id.slice(1))]?.choices ?? {},
  );
  return {
    id: 'job',
    name: 'Job',
    startDay: ORIGIN,
    livedIn: false,
    areas: places.map(areaOf),
    ownLinks: [],
    leftovers: [],
    extras: [],
    rules: [...RULES, ...rules],
    parted,
    ...over,
  };
}

/** The plan of a job in an empty house, one crew a trade. */
function planOf(site: Site) {
  const { links, exposures, added } = sequenceOf(site);
  const ids = tasksOf(site, added, { origin: ORIGIN, now: 0, crewFor: (trade) => trade });
  const ring = findLoop(
    ids.map(({ id }) => id),
    links,
  );
  expect(ring).toBeUndefined();
  const worked = (slot: number): boolean => Math.floor(slot / 2) % 7 < 5;
  const input: PlanInput = {
    origin: ORIGIN,
    tasks: ids,
    links,
    notBefore: [],
    exposures,
    crews: TRADE_KEYS.map((id) => ({ id, name: id, capacity: 1, away: new Set<number>() })),
    calendars: { [ALWAYS]: () => true, [jobCalendar('job')]: worked },
    jobCalendars: { job: jobCalendar('job') },
    promises: {},
  };
  for (const { calendar } of ids) input.calendars[calendar] ??= worked;
  const plan = makePlan(input);
  if (!plan.ok) throw new Error(plan.problem.message);
  return plan.value;
}

/** Every forbidden order in the plan of a job, in words. */
const wrong = (site: Site): string[] =>
  broken(site, planOf(site).tasks).map(
    ({ step, before, area, other, why }) => `${area} ${step} before ${other} ${before}: ${why}`,
  );

/** Each way of working by itself, and none. */
const WAYS: Choices[] = [
  {},
  ...METHODS.flatMap(({ key, variants }) => variants.map((variant): Choices => ({ [key]: variant.key }))),
];
const PAIRS: Choices[] = WAYS.slice(1).flatMap((one, index) =>
  WAYS.slice(index + 2).flatMap((other) =>
    Object.keys(one)[0] === Object.keys(other)[0] ? [] : [{ ...one, ...other }],
  ),
);
/** Of all pairs of ways one part is tried at a time; `npm run long -- orders` tries all. */
const PART = Number(process.env.ORDER_PARTS ?? 20);
const KINDS: Work[][] = [
  ...WORK_KEYS.filter((work) => work !== 'none').map((work) => [work]),
  ['kitchen', 'open-wall'],
  ['kitchen', 'timber-beam', 'soffits'],
  ['kitchen', 'open-floor', 'gas'],
  ['bathroom', 'sewage-pump'],
  ['bathroom', 'plaster'],
  ['kitchen', 'plaster'],
  ['basement', 'escape-window', 'built-ins'],
  ['basement', 'bar', 'soffits', 'drop-ceiling'],
  ['rebuild', 'stair', 'open-edge'],
  ['reclad', 'window-to-door'],
];

describe('forbidden orders', () => {
  it('are at least eighty, each with its reason, none named twice, and each met by some work', () => {
    expect(FORBIDDEN.length).toBeGreaterThanOrEqual(80);
    const named = FORBIDDEN.map(({ step, before, where }) => `${where}: ${step} < ${before}`);
    expect(named.filter((one, index) => named.indexOf(one) < index)).toEqual([]);
    expect(FORBIDDEN.filter(({ why }) => why.length < 10)).toEqual([]);
    const works = WORK_KEYS.filter((work) => work !== 'none');
    const combined = works.flatMap((one) =>
      works
        .filter((other) => workFacts(one).kinds.some((kind) => workFacts(other).kinds.includes(kind)))
        .map((other) => [one, other]),
    );
    const tracks = [
      ...combined.map((both) => trackOf(both)),
      ...PAIRS.map((way) => withMethods(trackOf(['kitchen']), way)),
      ...KINDS.flatMap((kind) => WAYS.map((way) => withMethods(trackOf(kind), way))),
    ].map((track) => new Set<Phase>(track));
    const met = ({ step, before, where }: (typeof FORBIDDEN)[number]): boolean =>
      where === 'here'
        ? tracks.some((track) => track.has(step) && track.has(before))
        : tracks.some((track) => track.has(step)) && tracks.some((track) => track.has(before));
    expect(FORBIDDEN.filter((pair) => !met(pair)).map(({ step, before }) => `${step} < ${before}`)).toEqual([]);
  });

  it(
    'never come out of a plan, in any kind of room or face, whichever one way of working is chosen',
    { timeout: 30_000 },
    () => {
      for (const works of KINDS)
        for (const way of WAYS)
          expect({ works, way, wrong: wrong(siteOf([{ works, choices: way }])) }).toEqual({ works, way, wrong: [] });
    },
  );

  it('never come out of a plan by any pair of ways either', { timeout: 30_000 }, () => {
    KINDS.forEach((works, kind) => {
      for (const way of PAIRS.filter((_, index) => index % PART === kind % PART))
        expect({ works, way, wrong: wrong(siteOf([{ works, choices: way }])) }).toEqual({ works, way, wrong: [] });
    });
  });

  it('need no guard while all rules hold: each is kept by a rule with a reason of its own', { timeout: 30_000 }, () => {
    const guarded = KINDS.flatMap((works) =>
      [...WAYS, ...PAIRS.filter((_, index) => index % 8 === 0)].flatMap((way) =>
        sequenceOf(siteOf([{ works, choices: way }]))
          .links.filter((link) => link.rule === NEVER.number)
          .map(({ before, after }) => `${before} > ${after}`),
      ),
    );
    expect([...new Set(guarded)]).toEqual([]);
  });
});

const anyWay = fc.constantFrom(...WAYS, ...PAIRS);
interface Roomy {
  works: Work[];
  choices: Choices;
  passage: boolean;
  height: number;
  opens: boolean;
}
const room: fc.Arbitrary<Roomy> = fc.record({
  works: fc.constantFrom(...KINDS),
  choices: anyWay,
  passage: fc.boolean(),
  height: fc.integer({ min: -1, max: 2 }),
  opens: fc.boolean(),
});

/** Places on their levels, some open to the next; those outside have no level. */
function jobOf(places: readonly Roomy[], over: Partial<Site>): Site {
  const site = siteOf(places, over);
  return {
    ...site,
    areas: site.areas.map((area, index) => {
      const { passage = false, height = 0, opens = false } = places[index] ?? {};
      if (!area.level) return { ...area, shelters: area.shelters.length > 0 ? ['l-1', 'l0', 'l1', 'l2'] : [] };
      return {
        ...area,
        passage,
        level: { id: `l${height}`, height, name: '' },
        ...(opens ? { opensTo: [`a${(index + 1) % places.length}`] } : {}),
        provides: passage ? [] : ['toilet'],
      };
    }),
  };
}

describe('whole jobs', () => {
  it('obey them from room to room, whatever ways are chosen where, and whichever rules are switched off', () =>
    fc.assert(
      fc.property(
        fc.array(room, { minLength: 2, maxLength: 7 }),
        fc.subarray(
          RULES.map((rule) => rule.number).filter((number) => !NEVER_OFF.includes(number)),
          { maxLength: 3 },
        ),
        fc.boolean(),
        (places, off, livedIn) => {
          const switches = off.map((rule) => ({ rule, holds: false }));
          expect(wrong(jobOf(places, { livedIn, switches }))).toEqual([]);
        },
      ),
      { numRuns: 1200 / PART },
    ));

  it('are seen by a reader that knows no link: a step that is moved before another is found', () => {
    const site = siteOf([{ works: ['kitchen'] }]);
    const plan = planOf(site);
    const at = (phase: Phase) => plan.tasks.find((task) => task.id === taskId('a0', phase));
    const moved = plan.tasks.map((task) =>
      task.phase === 'cabinets' ? { ...task, start: 0, finish: task.finish - task.start } : task,
    );
    expect(broken(site, moved).map(({ before }) => before)).toContain('tape');
    expect(at('cabinets')?.start).toBeGreaterThanOrEqual(at('first-coats')?.finish ?? Infinity);
  });
});
