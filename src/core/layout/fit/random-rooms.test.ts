import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clash, liesIn } from '../../../../tests/support/plain-fit';
import { footprint } from '../footprint';
import type { Point } from '../point';
import { checkPlan } from '../plan-fit';
import { outlineOf, wallsOf } from '../room-outline';
import { measured, usualFixture, type Fixture, type Opening, type RoomShape } from '../shape';
import { usualTerms } from './finding';
import { frontOf, sweep } from './ground';

const INCH = 25.4;
const ROOMS = Number(process.env.FIT_ROOMS ?? 25);

const sixteenths = (least: number, most: number) =>
  fc.integer({ min: least * 16, max: most * 16 }).map((count) => (count / 16) * INCH);
const part = fc.double({ min: 0, max: 1, noNaN: true });

/** A rectangle with a bay in its far wall and a chimney breast in its near one, or an L, turned about. */
const corners = fc
  .record({
    wide: sixteenths(100, 220),
    deep: sixteenths(90, 200),
    bay: sixteenths(6, 40),
    chimney: sixteenths(4, 24),
    ell: fc.boolean(),
    by: fc.double({ min: 0, max: 6.2, noNaN: true }),
  })
  .map(({ wide, deep, bay, chimney, ell, by }): Point[] => {
    const points: [number, number][] = ell
      ? [
          [0, 0],
          [0, deep],
          [wide * 0.55, deep],
          [wide * 0.55, deep * 0.6],
          [wide, deep * 0.6],
          [wide, 0],
        ]
      : [
          [0, 0],
          [0, deep],
          [wide * 0.25, deep],
          [wide * 0.35, deep + bay],
          [wide * 0.65, deep + bay],
          [wide * 0.75, deep],
          [wide, deep],
          [wide, 0],
          [wide * 0.6, 0],
          [wide * 0.6, chimney],
          [wide * 0.4, chimney],
          [wide * 0.4, 0],
        ];
    return points.map(([x, y]) => ({
      x: x * Math.cos(by) - y * Math.sin(by),
      y: x * Math.sin(by) + y * Math.cos(by),
    }));
  });

const things = fc.array(
  fc.record({
    wall: part,
    at: part,
    wide: sixteenths(12, 72),
    deep: sixteenths(12, 80),
    away: fc.oneof(fc.constant(0), sixteenths(10, 60)),
    front: sixteenths(12, 40),
    hung: fc.boolean(),
  }),
  { minLength: 1, maxLength: 4 },
);
const doors = fc.array(fc.record({ wall: part, at: part, wide: sixteenths(24, 36), left: fc.boolean() }), {
  maxLength: 2,
});

const drawn = fc.record({ corners, things, doors }).map(({ corners: given, things: some, doors: leaves }) => {
  const shape: RoomShape = { kind: 'room', height: measured(2600), spread: false, walls: wallsOf(given, [], 'metric') };
  const count = shape.walls.length;
  const wallAt = (at: number): number => Math.min(count - 1, Math.floor(at * count));
  const onWall = (wall: number, at: number, width: number): number =>
    Math.max(0, (shape.walls[wall]?.mm ?? 0) - width) * at;
  const fixtures = some.map((thing, index): Fixture => {
    const wall = wallAt(thing.wall);
    return {
      ...usualFixture('other'),
      id: `t${index}`,
      kind: 'other',
      name: `thing ${index}`,
      wall,
      along: measured(onWall(wall, thing.at, thing.wide)),
      width: measured(thing.wide),
      depth: measured(thing.deep),
      away: measured(thing.away),
      bottom: measured(thing.hung ? 1400 : 0),
      tall: measured(700),
      front: measured(thing.front),
    };
  });
  const openings = leaves.map((leaf, index): Opening => {
    const wall = wallAt(leaf.wall);
    const size = { width: measured(leaf.wide), height: measured(2030), sill: measured(0) };
    return {
      ...{ id: `d${index}`, wall, kind: 'door', name: `door ${index}`, ...size, count: 1, clear: null, opensIn: true },
      along: measured(onWall(wall, leaf.at, leaf.wide)),
      hinge: leaf.left ? 'left' : 'right',
    };
  });
  return { shape, fixtures, openings };
});

describe('any room', () => {
  it(
    'is judged as its plain twin judges it, but for a band of 2 mm round the limit',
    () => {
      const told = { judged: 0, unsure: 0 };
      fc.assert(
        fc.property(drawn, ({ shape, fixtures, openings }) => {
          const outline = outlineOf(shape);
          if (!outline.ok) throw new Error(outline.problem.message);
          const room = outline.value.corners;
          const bad = new Set(
            checkPlan(shape, openings, fixtures, usualTerms('metric', false, false))
              .filter(({ tone }) => tone === 'bad')
              .map(({ key }) => key),
          );
          const holds = (key: string, should: boolean | undefined): void => {
            told.judged += 1;
            if (should === undefined) told.unsure += 1;
            else expect({ key, bad: bad.has(key) }).toEqual({ key, bad: should });
          };
          const not = (is: boolean | undefined): boolean | undefined => (is === undefined ? undefined : !is);
          const floors = fixtures.map((thing) => footprint(room, thing));
          const stands = floors.map((floor) => liesIn(room, floor));
          const alike = (one: Fixture, other: Fixture): boolean => one.bottom.mm === other.bottom.mm;
          for (const [at, thing] of fixtures.entries()) {
            const [floor, lies] = [floors[at] ?? [], stands[at]];
            holds(`${thing.id} inside`, not(lies));
            if (!lies) continue;
            for (const [index, other] of fixtures.entries())
              if (index > at && alike(thing, other))
                holds(`${thing.id} on ${other.id}`, clash(floor, floors[index] ?? []));
            const front = frontOf(room, thing);
            const before = [
              not(liesIn(room, front)),
              ...fixtures.flatMap((other, index) => (index === at ? [] : [clash(front, floors[index] ?? [])])),
            ];
            holds(`${thing.id} front`, before.includes(true) ? true : before.includes(undefined) ? undefined : false);
          }
          for (const door of openings) {
            const leaf = sweep(room, door) ?? [];
            const free = liesIn(room, leaf);
            holds(`${door.id} swing wall`, not(free));
            if (free)
              for (const [index, thing] of fixtures.entries())
                holds(`${door.id} swing ${thing.id}`, clash(leaf, floors[index] ?? []));
          }
        }),
        { numRuns: ROOMS },
      );
      // A twin that never knew would agree with anything.
      expect(told.unsure).toBeLessThan(told.judged / 4);
    },
    20_000 + ROOMS * 1_000,
  );
});
