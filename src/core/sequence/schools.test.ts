import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findLoop } from '../schedule/network';
import { sequenceOf } from './links';
import { phaseFacts } from './phases';
import { RULES } from './rules';
import { cleanUpOf, withMethods, halfDaysWithMethods, methodRules, METHODS, type Choices } from './methods';
import { taskId, type Site, type SiteArea } from './site';
import { trackOf, WORK_KEYS, workFacts, type Work } from './works';

const choices = fc
  .record(
    Object.fromEntries(
      METHODS.map((method) => [
        method.key,
        fc.constantFrom(undefined, ...method.variants.map((variant) => variant.key)),
      ]),
    ),
    { requiredKeys: [] },
  )
  .map((raw) => Object.fromEntries(Object.entries(raw).filter(([, variant]) => variant !== undefined)) as Choices);
const works = fc.uniqueArray(fc.constantFrom(...WORK_KEYS.filter((work) => work !== 'none')), {
  minLength: 1,
  maxLength: 3,
});

const area = (id: string, of: readonly Work[], chosen: Choices): SiteArea => ({
  id,
  name: id,
  kind: workFacts(of[0] ?? 'rebuild').kinds[0] ?? 'room',
  position: 0,
  passage: false,
  provides: [],
  beside: [],
  shelters: [],
  track: withMethods(trackOf(of), chosen).map((phase) => ({
    phase,
    trade: phaseFacts(phase).trade,
    halfDays: 1,
    fraction: 0,
    remaining: 1,
  })),
});
const siteOf = (areas: SiteArea[], chosen: Record<string, Choices>): Site => {
  const { rules, parted } = methodRules(
    areas.map((room) => room.id),
    (id) => chosen[id] ?? {},
  );
  return {
    id: 'job',
    name: 'Job',
    startDay: '2027-03-08',
    livedIn: false,
    areas,
    ownLinks: [],
    leftovers: [],
    extras: [],
    rules: [...RULES, ...rules],
    parted,
  };
};

describe('ways of working', () => {
  it('never send work round in a ring, whatever is chosen where, and keep every chosen order', () =>
    fc.assert(
      fc.property(works, works, choices, choices, (here, there, mine, theirs) => {
        const site = siteOf([area('here', here, mine), area('there', there, theirs)], { here: mine, there: theirs });
        const { links, added } = sequenceOf(site);
        const ids = [
          ...site.areas.flatMap((room) => room.track.map((step) => taskId(room.id, step.phase))),
          ...added.map((task) => task.id),
        ];
        expect(findLoop(ids, links)).toBeUndefined();
        for (const rule of site.rules?.slice(RULES.length) ?? [])
          for (const effect of rule.effects) {
            if (effect.form !== 'order') continue;
            for (const one of site.areas.filter((each) => rule.only?.has(each.id)))
              for (const before of effect.before)
                for (const after of effect.after) {
                  if (
                    !one.track.some((step) => step.phase === before) ||
                    !one.track.some((step) => step.phase === after)
                  )
                    continue;
                  expect(
                    links.some(
                      (link) =>
                        link.before === taskId(one.id, before) &&
                        link.after === taskId(one.id, after) &&
                        link.strength === 'hard',
                    ),
                  ).toBe(true);
                }
          }
      }),
      { numRuns: 300 },
    ));

  it('leave a track as it was where nothing is chosen, and every variant of every method does something somewhere', () => {
    const everything = WORK_KEYS.map((work) => trackOf([work]));
    for (const track of everything) expect(withMethods(track, {})).toEqual(track);
    for (const method of METHODS) {
      const [one, other] = method.variants.map((variant) => {
        const chosen = { [method.key]: variant.key } as Choices;
        return JSON.stringify([
          everything.map((track) => withMethods(track, chosen)),
          variant.order ?? [],
          variant.parts ?? [],
          halfDaysWithMethods('tear-out', 10, chosen),
          cleanUpOf(40, chosen),
        ]);
      });
      expect([method.key, one === other]).toEqual([method.key, false]);
    }
  });

  it('say their examples: a touch-up, a covered floor, an overlay, a temporary door, a tenth of a day', () => {
    expect(withMethods(trackOf(['kitchen']), { 'cabinets-paint': 'paint-first' })).toContain('touch-up');
    expect(withMethods(trackOf(['kitchen']), { 'floor-cabinets': 'floor-first' })).toContain('floor-protect');
    expect(withMethods(trackOf(['reclad']), { 'old-cladding': 'overlay' })).not.toContain('strip');
    expect(withMethods(trackOf(['windows']), { 'entrance-door': 'late' })).toEqual(
      expect.arrayContaining(['temporary-door', 'entrance-door']),
    );
    expect(withMethods(trackOf(['rebuild']), { 'wall-finish': 'plaster' })).toEqual(
      expect.not.arrayContaining(['board', 'tape']),
    );
    expect(halfDaysWithMethods('tear-out', 5, { 'tear-out': 'careful' })).toBe(8);
    expect([
      cleanUpOf(16, { 'clean-up': 'daily' }),
      cleanUpOf(16, { 'clean-up': 'weekly' }),
      cleanUpOf(16, {}),
    ]).toEqual([2, 0, 0]);
  });

  it('let boards go before trim where that was chosen, although a rule has trim first', () => {
    const chosen: Choices = { 'trim-cladding': 'boards-first' };
    const { links } = sequenceOf(siteOf([area('face', ['reclad'], chosen)], { face: chosen }));
    const has = (before: string, after: string): boolean =>
      links.some((link) => link.before === `face:${before}` && link.after === `face:${after}`);
    expect([has('face-trim', 'cladding'), has('cladding', 'face-trim'), has('openings', 'cladding')]).toEqual([
      false,
      true,
      true,
    ]);
  });
});
