import { describe, expect, it } from 'vitest';
import type { Point } from './point';
import { isWithin } from './within';

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
});
