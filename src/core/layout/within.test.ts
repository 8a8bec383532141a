import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inside, type Point } from './point';
import { isWithin, TOUCHING } from './within';

const INCH = 25.4;
/** A room turned about, so that no corner lies on a whole figure. */
const turned = (points: readonly Point[], by: number): Point[] =>
  points.map(({ x, y }) => ({ x: x * Math.cos(by) - y * Math.sin(by), y: x * Math.sin(by) + y * Math.cos(by) }));

/** A rectangle with a bay in its far wall and a chimney breast in its near one. */
const room = (wide: number, deep: number, bay: number, chimney: number): Point[] => [
  { x: 0, y: 0 },
  { x: 0, y: deep },
  { x: wide * 0.25, y: deep },
  { x: wide * 0.35, y: deep + bay },
  { x: wide * 0.65, y: deep + bay },
  { x: wide * 0.75, y: deep },
  { x: wide, y: deep },
  { x: wide, y: 0 },
  { x: wide * 0.6, y: 0 },
  { x: wide * 0.6, y: chimney },
  { x: wide * 0.4, y: chimney },
  { x: wide * 0.4, y: 0 },
];
const box = (x: number, y: number, wide: number, deep: number): Point[] => [
  { x, y },
  { x: x + wide, y },
  { x: x + wide, y: y + deep },
  { x, y: y + deep },
];

/** From a point to the nearest of a side, by halving the side towards it. */
function toSide(point: Point, from: Point, to: Point): number {
  const far = ({ x, y }: Point): number => Math.hypot(point.x - x, point.y - y);
  let [a, b] = [from, to];
  for (let halved = 0; halved < 24; halved += 1) {
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    if (far(a) < far(b)) b = middle;
    else a = middle;
  }
  return far(a);
}

/** The plain twin: looks along the sides of both, and tells how far either is on the wrong side. */
function wrongBy(corners: readonly Point[], floor: readonly Point[]): number {
  const points = (shape: readonly Point[], step: number): Point[] =>
    shape.flatMap((from, at) => {
      const to = shape[(at + 1) % shape.length] ?? from;
      const count = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / step));
      return Array.from({ length: count }, (_, index) => ({
        x: from.x + ((to.x - from.x) * index) / count,
        y: from.y + ((to.y - from.y) * index) / count,
      }));
    });
  const nearest = (point: Point, shape: readonly Point[]): number =>
    Math.min(...shape.map((from, at) => toSide(point, from, shape[(at + 1) % shape.length] ?? from)));
  const out = points(floor, 40).map((point) => (inside(corners, point) ? 0 : nearest(point, corners)));
  const into = points(corners, 12).map((point) => (inside(floor, point) ? nearest(point, floor) : 0));
  return Math.max(...out, ...into);
}

describe('a floor inside a room', () => {
  it('fits to the wall in rooms of sixteenths of an inch, and in bays', () => {
    const [wide, deep] = [(10 * 12 + 3 + 1 / 16) * INCH, (12 * 12 + 5 + 3 / 16) * INCH];
    const odd = [
      { x: 0, y: 0 },
      { x: 0, y: deep },
      { x: wide, y: deep },
      { x: wide, y: 0 },
    ];
    expect(isWithin(odd, box(wide - 60 * INCH, 0, 60 * INCH, 80 * INCH))).toBe(true);
    expect(isWithin(odd, box(wide - 60 * INCH + 3, 0, 60 * INCH, 80 * INCH))).toBe(false);
    for (const by of [0, 0.3, Math.PI / 4, 1.9])
      expect(
        isWithin(turned(room(5402.3, 3300.7, 601, 300), by), turned(box(5402.3 - 1500, 3300.7 - 2000, 1500, 2000), by)),
      ).toBe(true);
  });

  it('is none through a wall that stands out, though all its corners are inside', () => {
    expect(isWithin(room(5000, 3000, 600, 300), box(1800, 100, 1600, 500))).toBe(false);
    expect(isWithin(room(5000, 3000, 600, 300), box(1800, 300, 1600, 500))).toBe(true);
  });

  it('is judged as by looking along every side, but for a band round the limit', () => {
    const sixteenths = (least: number, most: number) =>
      fc.integer({ min: least * 16, max: most * 16 }).map((count) => (count / 16) * INCH);
    fc.assert(
      fc.property(
        fc.record({
          wide: sixteenths(100, 220),
          deep: sixteenths(90, 200),
          bay: sixteenths(6, 40),
          chimney: sixteenths(4, 24),
        }),
        fc.record({
          x: fc.double({ min: -0.05, max: 0.9, noNaN: true }),
          y: fc.double({ min: -0.05, max: 1, noNaN: true }),
        }),
        fc.record({ wide: sixteenths(12, 80), deep: sixteenths(12, 80) }),
        fc.double({ min: 0, max: 6.2, noNaN: true }),
        ({ wide, deep, bay, chimney }, at, thing, by) => {
          const corners = turned(room(wide, deep, bay, chimney), by);
          const floor = turned(box(at.x * wide, at.y * deep, thing.wide, thing.deep), by);
          const wrong = wrongBy(corners, floor);
          // The twin looks only every so often: near the limit it does not know.
          if (Math.abs(wrong - TOUCHING) <= 5) return;
          expect(isWithin(corners, floor)).toBe(wrong <= TOUCHING);
        },
      ),
      { numRuns: 150 },
    );
  });
});
