import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findLoop, type Link } from '../schedule/network';
import type { AreaKind } from '../sites/area';
import { sequenceOf } from './links';
import { inUsualOrder, phaseFacts, PHASE_KEYS, type Phase } from './phases';
import { rankOf } from './preference';
import { RULES } from './rules';
import { taskId, type Site, type SiteArea } from './site';
import { jobCalendar } from './calendars';
import { tasksOf } from './tasks';
import { trackOf, WORK_KEYS, workFacts, worksFor } from './works';

const ground = { id: 'ground', height: 0, name: 'Ground' };
const area = (id: string, phases: readonly Phase[], over: Partial<SiteArea> = {}): SiteArea => ({
  id,
  name: id,
  kind: 'room',
  level: ground,
  position: 0,
  passage: false,
  provides: [],
  beside: [],
  shelters: [],
  track: inUsualOrder(phases).map((phase) => ({
    phase,
    trade: phaseFacts(phase).trade,
    halfDays: 2,
    fraction: 0,
    remaining: 2,
  })),
  ...over,
});
const outside = (id: string, kind: AreaKind, phases: readonly Phase[], over: Partial<SiteArea> = {}): SiteArea => {
  const { level: _, ...rest } = area(id, phases, { kind, ...over });
  return rest;
};
const site = (areas: SiteArea[], over: Partial<Site> = {}): Site => ({
  id: 'job',
  name: 'Job',
  startDay: '2027-03-08',
  livedIn: false,
  areas,
  ownLinks: [],
  leftovers: [],
  extras: [],
  ...over,
});
const linksOf = (entry: Site): Link[] => sequenceOf(entry).links;
const find = (links: Link[], before: string, after: string): Link | undefined =>
  links.find((link) => link.before === before && link.after === after);

/** For every rule that makes links: the smallest house in which it speaks, and the link it must make. */
const SPOKEN: [number, Site, string, string, Partial<Link>?][] = [
  [1, site([area('a', ['protect', 'cut'])]), 'a:protect', 'a:cut'],
  [1, site([area('hall', ['protect'], { passage: true }), area('a', ['tear-out'])]), 'hall:protect', 'a:tear-out'],
  [1, site([outside('f', 'face', ['face-protect', 'strip'])]), 'f:face-protect', 'f:strip'],
  [2, site([area('a', ['isolate', 'tear-out'])]), 'a:isolate', 'a:tear-out'],
  [
    3,
    site([area('a', ['structure'], { beside: ['b'] }), area('b', ['support'], { beside: ['a'] })]),
    'b:support',
    'a:structure',
  ],
  [3, site([area('a', ['release', 'framing'])]), 'a:release', 'a:framing'],
  [
    4,
    site([area('a', ['structure'], { beside: ['b'] }), area('b', ['reroute'], { beside: ['a'] })]),
    'b:reroute',
    'a:structure',
  ],
  [5, site([area('a', ['pad', 'structure'])]), 'a:pad', 'a:structure', { lag: 14, lagUnit: 'elapsed' }],
  [6, site([outside('g', 'ground', ['locate', 'excavate'])]), 'g:locate', 'g:excavate'],
  [6, site([area('a', ['floor-inspection', 'fill'])]), 'a:floor-inspection', 'a:fill'],
  [
    7,
    site([outside('high', 'ground', ['pipe'], { position: 1 }), outside('low', 'ground', ['pipe', 'switch-over'])]),
    'low:pipe',
    'high:pipe',
  ],
  [
    7,
    site([outside('high', 'ground', ['pipe'], { position: 1 }), outside('low', 'ground', ['pipe', 'switch-over'])]),
    'high:pipe',
    'low:switch-over',
  ],
  [
    7,
    site([
      outside('low', 'ground', ['pipe', 'backfill']),
      outside('high', 'ground', ['pipe', 'switch-over'], { position: 1 }),
      outside('slope', 'ground', ['excavate', 'backfill'], { position: 2 }),
    ]),
    'low:backfill',
    'high:switch-over',
  ],
  [8, site([area('a', ['duct-rough', 'plumbing-rough'])]), 'a:duct-rough', 'a:plumbing-rough'],
  [9, site([area('a', ['wiring-rough', 'board'])]), 'a:wiring-rough', 'a:board'],
  [10, site([area('a', ['insulation', 'insulation-inspection', 'board'])]), 'a:insulation-inspection', 'a:board'],
  [
    11,
    site([outside('f', 'face', ['barrier'], { shelters: ['ground'] }), area('a', ['board'])]),
    'f:barrier',
    'job:tight:ground',
  ],
  [
    11,
    site([outside('f', 'face', ['barrier'], { shelters: ['ground'] }), area('a', ['board'])]),
    'job:tight:ground',
    'a:board',
  ],
  [12, site([outside('r', 'roof', ['cover', 'roof-strip'])]), 'r:cover', 'r:roof-strip'],
  [14, site([area('a', ['tape', 'first-coats'])]), 'a:tape', 'a:first-coats', { lag: 2, lagUnit: 'elapsed' }],
  [14, site([area('a', ['plaster', 'first-coats'])]), 'a:plaster', 'a:first-coats', { lag: 14, lagUnit: 'elapsed' }],
  [
    14,
    site([outside('f', 'face', ['repoint', 'face-paint'])]),
    'f:repoint',
    'f:face-paint',
    { lag: 14, lagUnit: 'elapsed' },
  ],
  [15, site([area('a', ['waterproofing', 'flood-test', 'tiling'])]), 'a:flood-test', 'a:tiling'],
  [16, site([area('a', ['template', 'worktops'])]), 'a:template', 'a:worktops', { lag: 20, lagUnit: 'work' }],
  [17, site([outside('f', 'face', ['barrier', 'openings'])]), 'f:barrier', 'f:openings'],
  [17, site([outside('f', 'face', ['access', 'strip'])]), 'f:access', 'f:strip'],
  [18, site([area('a', ['masonry', 'structure'])]), 'a:masonry', 'a:structure', { lag: 14, lagUnit: 'elapsed' }],
  [19, site([area('a', ['guard', 'framing'])]), 'a:guard', 'a:framing'],
  [21, site([area('a', ['wiring-finish', 'hand-over'])]), 'job:final-inspection', 'a:hand-over'],
  [23, site([area('a', ['first-coats', 'flooring'])]), 'a:first-coats', 'a:flooring', { strength: 'soft' }],
  [
    25,
    site(
      [
        area('one', ['protect', 'plumbing-finish'], { provides: ['toilet'] }),
        area('two', ['protect'], { provides: ['toilet'], position: 1 }),
      ],
      { livedIn: true },
    ),
    'one:plumbing-finish',
    'two:protect',
    { strength: 'soft' },
  ],
  [
    7,
    site([area('bath', ['floor-pipe']), area('pump', ['pit', 'floor-pipe'], { position: 1 })]),
    'pump:floor-pipe',
    'bath:floor-pipe',
  ],
  [28, site([area('a', ['first-coats', 'cabinets'])]), 'a:first-coats', 'a:cabinets'],
  [28, site([area('a', ['tape', 'flooring'])]), 'a:tape', 'a:flooring'],
  [
    29,
    site([area('a', ['tear-out']), area('hall', ['first-coats'], { passage: true })]),
    'a:tear-out',
    'hall:first-coats',
  ],
  [30, site([area('a', ['wall-out', 'tape']), area('b', ['flooring'], { opensTo: ['a'] })]), 'a:tape', 'b:flooring'],
  [34, site([area('a', ['trim', 'final-coat'])]), 'a:trim', 'a:final-coat'],
  [31, site([area('a', ['trim']), area('b', ['snags'])]), 'job:finished', 'b:snags', { strength: 'soft' }],
  [32, site([area('a', ['scan']), area('b', ['cut'])]), 'a:scan', 'b:cut', { strength: 'soft' }],
  [
    32,
    site([
      outside('low', 'ground', ['locate', 'excavate', 'pipe']),
      outside('high', 'ground', ['locate', 'excavate', 'pipe'], { position: 1 }),
    ]),
    'low:pipe',
    'high:excavate',
    { strength: 'soft' },
  ],
  [27, site([outside('g', 'ground', ['excavate'])]), 'job:site-setup', 'g:excavate', { strength: 'soft' }],
];

describe('the rules', () => {
  it.each(SPOKEN)('%i: makes its link, with its strength and its reason', (number, entry, before, after, over = {}) => {
    const rule = RULES.find((each) => each.number === number);
    expect(find(linksOf(entry), before, after)).toMatchObject({
      rule: number,
      strength: rule?.strength,
      reason: rule?.reason,
      ...over,
    });
  });

  it('are all there, each with a reason, and each that makes links is spoken of here', () => {
    expect(RULES.map((rule) => rule.number).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 35 }, (_, index) => index + 1),
    );
    expect(RULES.every((rule) => rule.reason.length > 10)).toBe(true);
    const making = RULES.filter((rule) =>
      rule.effects.some(
        (effect) => !['prefer', 'quiet-hours', 'awaited', 'closable', 'exposure'].includes(effect.form),
      ),
    ).map((rule) => rule.number);
    expect(making.filter((number) => !SPOKEN.some(([spoken]) => spoken === number))).toEqual([]);
  });

  it('12, 13, 35: say how long a roof, a trench and a wall may stay open, and what would cure it', () => {
    const { exposures } = sequenceOf(
      site([
        outside('r', 'roof', ['roof-strip', 'underlay']),
        outside('c', 'roof', ['cover', 'roof-strip', 'underlay']),
        outside('g', 'ground', ['excavate', 'backfill']),
        outside('f', 'face', ['strip', 'barrier']),
      ]),
    );
    expect(exposures.map(({ rule, from, most }) => [rule, from, most])).toEqual([
      [12, 'r:roof-strip', 2],
      [12, 'c:roof-strip', 8],
      [35, 'f:strip', 16],
      [13, 'g:excavate', 10],
    ]);
    expect(exposures.every((exposure) => exposure.cure.length > 10)).toBe(true);
  });

  it('22, 23, 24: loud before quiet, high before low, far before near, costly last', () => {
    const upper = area('up', [], { level: { id: 'u', height: 1, name: 'Upper' } });
    const low = area('low', []);
    expect(rankOf(low, 'tear-out')).toBeLessThan(rankOf(low, 'first-coats'));
    expect(rankOf(upper, 'first-coats')).toBeLessThan(rankOf(low, 'first-coats'));
    expect(rankOf(area('far', [], { position: 5 }), 'first-coats')).toBeLessThan(rankOf(low, 'first-coats'));
    expect(rankOf(low, 'first-coats')).toBeLessThan(rankOf(low, 'flooring'));
  });

  it('25: leaves an empty house its freedom', () => {
    const [, one] = SPOKEN.find(([number]) => number === 25) ?? [];
    expect(one && find(linksOf({ ...one, livedIn: false }), 'one:plumbing-finish', 'two:protect')).toBeUndefined();
  });

  it('26: keeps loud work to the half of the day that was announced', () => {
    const loud = site([area('a', ['tear-out', 'first-coats'])], { loudHalf: 'morning' });
    const terms = { origin: '2027-03-08', now: 0, crewFor: () => 'crew' };
    expect(tasksOf(loud, [], terms).map((task) => task.calendar)).toEqual([jobCalendar('job', 'loud'), 'job:job']);
    expect(tasksOf({ ...loud, loudHalf: undefined }, [], terms)[0]?.calendar).toBe('job:job');
  });
});

describe('the sequence of a job', () => {
  it('lets a soft order give way where it would close a ring, never a hard one', () => {
    const areas = [area('a', ['first-coats', 'flooring'])];
    const own = [
      {
        id: 'o',
        before: { area: 'a', phase: 'flooring' as const },
        after: { area: 'a', phase: 'first-coats' as const },
        reason: 'the floor is old and will be sanded',
      },
    ];
    const links = linksOf(site(areas, { ownLinks: own }));
    expect(find(links, 'a:flooring', 'a:first-coats')?.reason).toBe('the floor is old and will be sanded');
    expect(find(links, 'a:first-coats', 'a:flooring')).toBeUndefined();
    const against = {
      id: 'h',
      before: { area: 'a', phase: 'board' as const },
      after: { area: 'a', phase: 'wiring-rough' as const },
      reason: 'no',
    };
    const hard = site([area('a', ['wiring-rough', 'board'])], { ownLinks: [against] });
    expect(findLoop(['a:wiring-rough', 'a:board'], linksOf(hard))).toHaveLength(2);
  });

  it('puts what a walk found still to do before what would cover it', () => {
    const leftovers = [{ id: 'x', area: 'a', text: 'backing', trade: 'carpentry' as const }];
    expect(
      find(linksOf(site([area('a', ['wiring-rough', 'close-in', 'board'])], { leftovers })), 'item:x', 'a:close-in'),
    ).toMatchObject({ rule: 9, strength: 'hard' });
    expect(find(linksOf(site([area('a', ['clean', 'snags'])], { leftovers })), 'item:x', 'a:snags')).toBeDefined();
  });

  it('has no ring and no link to nowhere, whatever is to be done where', () => {
    const works = fc.array(
      fc.record({
        kind: fc.constantFrom<AreaKind>('room', 'wet', 'face', 'roof', 'ground', 'outbuilding'),
        pick: fc.array(fc.nat(30), { minLength: 1, maxLength: 3 }),
        passage: fc.boolean(),
        beside: fc.nat(6),
        done: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 7 },
    );
    fc.assert(
      fc.property(works, fc.boolean(), (rows, livedIn) => {
        const areas = rows.map((row, at): SiteArea => {
          const list = worksFor(row.kind);
          const track = trackOf(row.pick.flatMap((number) => list[number % list.length] ?? []));
          const make =
            row.kind === 'room' || row.kind === 'wet'
              ? area
              : (id: string, phases: readonly Phase[], over: Partial<SiteArea>) => outside(id, row.kind, phases, over);
          const one = make(`a${at}`, track, {
            kind: row.kind,
            position: at,
            passage: row.passage,
            provides: row.kind === 'wet' ? ['toilet'] : [],
            beside: row.beside < rows.length && row.beside !== at ? [`a${row.beside}`] : [],
            shelters: ['ground'],
          });
          return {
            ...one,
            track: one.track.map((step, index) => ({ ...step, fraction: index < one.track.length * row.done ? 1 : 0 })),
          };
        });
        const { links, added } = sequenceOf(site(areas, { livedIn }));
        const ids = [
          ...areas.flatMap((room) => room.track.map((step) => taskId(room.id, step.phase))),
          ...added.map((task) => task.id),
        ];
        expect(findLoop(ids, links)).toBeUndefined();
        expect(links.filter((link) => !ids.includes(link.before) || !ids.includes(link.after))).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
});

describe('works and their tracks', () => {
  it.each(WORK_KEYS)('%s brings phases in the usual order, once each', (work) => {
    const track = trackOf([work, work]);
    expect(track).toEqual(
      inUsualOrder(workFacts(work).phases).filter((phase) => work !== 'plaster' || phase !== 'board'),
    );
    expect(PHASE_KEYS.filter((phase) => track.includes(phase))).toEqual(track);
  });

  it('join: a wet room whose slab is opened has one floor pipe and one tiling', () => {
    const track = trackOf(['bathroom', 'open-floor']);
    expect(track.indexOf('floor-cure')).toBeLessThan(track.indexOf('framing'));
    expect(new Set(track).size).toBe(track.length);
    expect(trackOf(['rebuild', 'plaster'])).not.toContain('board');
  });
});
