import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Stroke } from '../layout/stroke';
import { LETTER_PART } from '../layout/stroke';
import { formatLength } from '../units/length';
import type { InWall } from '../walks/observation';
import { wallSizes } from './wall-sizes';

const UNIT = 100;
const thing = (along: number, height: number, length = 0, rise = 0): InWall => ({
  what: 'box',
  wall: 0,
  text: '',
  along,
  height,
  length,
  rise,
});
const wordsIn = (strokes: readonly Stroke[]) => strokes.flatMap((stroke) => (stroke.form === 'text' ? [stroke] : []));
const said = (things: readonly InWall[]): string[] =>
  wordsIn(wallSizes(things, UNIT, 'metric')).map(({ text }) => text);

describe('the sizes beside what is in a wall', () => {
  it('say how far a thing is from the left corner and how high it begins', () => {
    expect(said([thing(1200, 900, 600, 200)])).toEqual([formatLength(1200, 'metric'), formatLength(900, 'metric')]);
  });

  it('are left to the list where they have no room: in the corner, on the floor, one over the other', () => {
    expect(said([thing(0, 0, 600, 200)])).toEqual([]);
    expect(said([thing(120, 900)])).toEqual([formatLength(900, 'metric')]);
    // The cable that goes up from a box begins where the box is: its sizes would stand in those of the box.
    const [box, cable] = [thing(1200, 1100), thing(1200, 1130, 0, 900)];
    expect(said([box, cable]).slice(0, 2)).toEqual(said([box]));
  });

  it('are true, can be read, and never stand in each other, whatever is in the wall', () => {
    const drawn = fc.array(
      fc.tuple(fc.nat(6000), fc.nat(2600), fc.constantFrom(0, 0, 80, 600), fc.constantFrom(0, 0, 80, 900)),
      { maxLength: 14 },
    );
    fc.assert(
      fc.property(drawn, (list) => {
        const things = list.map(([along, height, length, rise]) => thing(along, height, length, rise));
        const words = wordsIn(wallSizes(things, UNIT, 'metric'));
        const distances = new Set(things.flatMap(({ along, height }) => [along, height]));
        const boxes = words.map(({ at, text, height, turn }) => {
          const [long, deep] = [(LETTER_PART * text.length * height) / 2, height / 2];
          return turn === 0 ? { at, across: long, up: deep } : { at, across: deep, up: long };
        });
        for (const { text, height } of words) {
          expect([...distances].map((mm) => formatLength(mm, 'metric'))).toContain(text);
          expect(height).toBeGreaterThanOrEqual(UNIT / 2);
        }
        boxes.forEach((one, index) => {
          for (const other of boxes.slice(index + 1))
            expect(
              Math.abs(one.at.x - other.at.x) >= one.across + other.across - 1e-6 ||
                Math.abs(one.at.y - other.at.y) >= one.up + other.up - 1e-6,
            ).toBe(true);
        });
      }),
      { numRuns: 200 },
    );
  });
});
