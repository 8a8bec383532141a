import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ceilingOver, wallHeight, wallSurface, wallTop } from '../ceiling';
import { dragged } from '../drag';
import { planOf } from '../room-plan';
import { wallElevation } from '../elevation';
import { measuresOf } from '../measures';
import { checkArea, checkPlan } from '../plan-fit';
import { outlineOf, rectangle } from '../room-outline';
import {
  measured,
  usualFixture,
  type Fixture,
  type FixtureKind,
  type Opening,
  type RoomShape,
  type RunShape,
} from '../shape';
import { tapeSheet, tilesOf } from '../tape-marks';
import { parseLength } from '../../units/length';
import { usualTerms } from './finding';

const INCH = 25.4;
const box = (width: number, length: number, over: Partial<RoomShape> = {}): RoomShape => ({
  kind: 'room',
  height: measured(2600),
  spread: false,
  walls: rectangle(measured(width), measured(length)),
  ...over,
});
const corners = (shape: RoomShape) => {
  const outline = outlineOf(shape);
  if (!outline.ok) throw new Error(outline.problem.message);
  return outline.value.corners;
};
const thing = (
  kind: FixtureKind,
  name: string,
  at: Partial<Record<string, number>>,
  over: Partial<Fixture> = {},
): Fixture => {
  const { wall = 0, along = 0, width = 600, depth = 600, away = 0, bottom = 0, front = 0, handle = 0 } = at;
  return {
    ...usualFixture(kind),
    ...{ id: name, kind, name, wall, along: measured(along), width: measured(width), depth: measured(depth) },
    ...{ away: measured(away), bottom: measured(bottom), front: measured(front), handle: measured(handle) },
    ...over,
  };
};
const window = (
  name: string,
  at: { wall?: number; along: number; width?: number; sill?: number; height?: number },
): Opening => ({
  ...{
    id: name,
    kind: 'window',
    name,
    wall: at.wall ?? 0,
    along: measured(at.along),
    width: measured(at.width ?? 1000),
  },
  ...{ height: measured(at.height ?? 1200), sill: measured(at.sill ?? 900), count: 1, hinge: 'left', opensIn: false },
  clear: null,
});
const TERMS = usualTerms('metric', false, false);
const said = (shape: RoomShape, openings: Opening[], fixtures: Fixture[], key: string, terms = TERMS): string =>
  checkPlan(shape, openings, fixtures, terms)
    .filter((finding) => finding.key.startsWith(key))
    .map(({ tone, text }) => `${tone}: ${text}`)
    .join(' | ');

describe('things in a room', () => {
  it('may hang over what stands, and not in it', () => {
    const base = thing('cabinet', 'base', { along: 500 });
    const hung = thing('cabinet', 'hung', { along: 500, depth: 350, bottom: 1400 });
    expect(said(box(4000, 3000), [], [base, hung], 'base on hung')).toBe('');
    const low = { ...hung, bottom: measured(800) };
    expect(said(box(4000, 3000), [], [base, low], 'base on hung')).toBe('bad: Base and hung stand in the same place.');
  });

  it('stand free, with aisles to what faces them and to the run behind', () => {
    const run = thing('cabinet', 'run', { wall: 0, along: 500, width: 2400 });
    const island = thing('cabinet', 'island', { wall: 0, along: 900, width: 1600, depth: 900, away: 1500 });
    const range = thing('appliance', 'range', { wall: 2, along: 1500, width: 900 });
    const of = (key: string, fixtures: Fixture[]): string => said(box(4000, 4000), [], fixtures, key);
    expect(of('aisle run island', [run, island])).toBe('good: 900 mm to walk between run and island.');
    expect(of('aisle island range', [island, range])).toBe('good: 1000 mm to walk between island and range.');
    // The island stands between both: their own distance is no aisle.
    expect(of('aisle run range', [run, island, range])).toBe('');
    expect(of('aisle run island', [run, { ...island, away: measured(1400) }])).toBe(
      'bad: 800 mm to walk between run and island; at least 900 mm are wanted.',
    );
  });

  it('reach through no ceiling and no slope, and leave room for a head', () => {
    const sloped = box(4000, 3000, { slopes: [{ wall: 0, low: measured(1200), run: measured(1500) }] });
    const tall = thing('cabinet', 'larder', { along: 500 }, { tall: measured(2100) });
    expect(said(box(4000, 3000), [], [tall], 'larder ceiling')).toBe('');
    expect(said(sloped, [], [tall], 'larder ceiling')).toBe('bad: Larder reaches 900 mm above the ceiling there.');
    const duct = thing('duct', 'duct', { along: 0, width: 4000, depth: 300, bottom: 1950 });
    expect(said(box(4000, 3000), [], [duct], 'duct head')).toMatch(/^bad: Under duct only 1950 mm are free; 2000 mm/);
  });

  it('cover no window, though they may stand under it', () => {
    const openings = [window('yard', { along: 500 })];
    const of = (at: Partial<Record<string, number>>): string =>
      said(box(4000, 3000), openings, [thing('cabinet', 'box', { along: 600, ...at })], 'box covers');
    expect(of({ bottom: 1400, depth: 350 })).toBe('bad: Box covers part of yard.');
    expect(of({})).toBe('');
    expect(of({ bottom: 1400, along: 1500 })).toBe('');
  });

  it('before a door are in the way only as near and as low as one passes', () => {
    const door: Opening = { ...window('door', { along: 500, width: 900, sill: 0, height: 2030 }), kind: 'passage' };
    const of = (at: Partial<Record<string, number>>): string =>
      said(box(4000, 3000), [door], [thing('cabinet', 'box', { along: 600, ...at })], 'box before');
    expect(of({})).toBe('bad: Box stands before door.');
    expect(of({ bottom: 2100 })).toBe('');
    expect(of({ away: 1200 })).toBe('');
  });
});

describe('a run', () => {
  it('is not filled towards the corner where another run goes on', () => {
    const mine = [
      thing('cabinet', 'a', { wall: 0, along: 150, width: 1500 }),
      thing('cabinet', 'b', { wall: 0, along: 1650, width: 1700 }),
    ];
    const theirs = thing('cabinet', 'c', { wall: 1, along: 0, width: 900, handle: 35 });
    const opening = mine.map((one) => ({ ...one, handle: measured(35) }));
    const of = (key: string): string => said(box(4000, 3000), [], [...opening, theirs], key);
    expect(of('run 0')).toBe('ask: Run of 2 on wall 1: 150 mm at the left; wide for a filler: exchange a cabinet.');
    expect(of('corner 0')).toBe('good: In the corner after wall 1, 50 mm stand between b and c.');
    const wide = opening.map((one) => (one.id === 'b' ? { ...one, width: measured(1730) } : one));
    expect(said(box(4000, 3000), [], [...wide, theirs], 'corner 0')).toBe(
      'bad: In the corner after wall 1, 20 mm stand between b and c; doors and handles want 50 mm.',
    );
  });

  it('says which door a wall or a deeper neighbour keeps from opening', () => {
    const beside = (along: number): string =>
      said(box(4000, 3000), [], [thing('cabinet', 'door', { along, handle: 35 }, { hinge: 'left' })], 'door door');
    expect(beside(10)).toMatch(/^bad: The door of door does not open square: its handle meets the wall/);
    expect(beside(40)).toBe('');
    const fridge = thing('appliance', 'fridge', { along: 640, depth: 720 });
    const cabinet = thing('cabinet', 'end', { along: 40, handle: 35 }, { hinge: 'right' });
    expect(said(box(4000, 3000), [], [cabinet, fridge], 'end door')).toMatch(/its handle meets fridge/);
  });
});

describe('what is seen to be in line', () => {
  it('is a bed on a window, a door on a window across, and one sill through a room', () => {
    const windows = [window('yard', { wall: 0, along: 1500 }), window('lane', { wall: 0, along: 2700, sill: 930 })];
    const bed = thing('bed', 'bed', { wall: 0, along: 1260, width: 1500, depth: 2000 });
    expect(said(box(4000, 4000), windows, [bed], 'bed centre')).toBe('ask: Bed is 10 mm right of the middle of yard.');
    expect(said(box(4000, 4000), windows, [], 'line of sills')).toBe(
      'ask: The window sills are not in one line: yard 900 mm, lane 930 mm.',
    );
    const door: Opening = {
      ...window('door', { wall: 2, along: 1600, width: 800, sill: 0, height: 2030 }),
      kind: 'passage',
    };
    expect(said(box(4000, 4000), windows, [], 'door on')).toBe('');
    expect(said(box(4000, 4000), [...windows, door], [], 'door on yard')).toBe('good: Door is centred on yard.');
  });

  it('is a window over a window on a face', () => {
    const face = {
      kind: 'face' as const,
      sections: [{ width: measured(6000), height: measured(5600), gableRise: measured(0) }],
    };
    const pair = [window('lower', { along: 1000 }), window('upper', { along: 1040, sill: 3600 })];
    expect(checkArea(face, pair, [], TERMS).map(({ text }) => text)).toContain(
      'Upper is 40 mm right of the middle of lower.',
    );
  });
});

describe('the way out', () => {
  it('is asked what stands below it', () => {
    const out: Opening = {
      ...window('yard', { along: 1000, sill: 900 }),
      clear: { width: measured(600), height: measured(900) },
    };
    const sleeping = { ...TERMS, sleeping: true };
    const of = (bottom: number, tall: number): string =>
      said(
        box(4000, 3000),
        [out],
        [thing('bed', 'bed', { along: 900, bottom }, { tall: measured(tall) })],
        'escape',
        sleeping,
      );
    expect(said(box(4000, 3000), [out], [], 'escape', sleeping)).toMatch(/^good: Yard is a way out/);
    expect(of(0, 600)).toMatch(/^ask: .*bed stands below it/);
    expect(of(0, 1100)).toMatch(/^bad: Bed bars the way out by yard/);
  });
});

describe('a drain', () => {
  it.each([
    [1 / 100, 50, /^bad: Leg 1 falls .* does not run by itself. The flattest usual fall of a pipe of 50 mm is 1:48/],
    [1 / 40, 50, /^good/],
    [1 / 100, 160, /^good/],
    [0, undefined, /^bad: Leg 1 is level/],
  ])('of fall %d in a pipe of %s mm', (fall, pipe, words) => {
    const run: RunShape = {
      ...{ kind: 'run', outletInvert: measured(-1000), headMaxInvert: measured(0) },
      legs: [{ length: measured(6000), fall }],
      ...(pipe === undefined ? {} : { pipe: measured(pipe) }),
    };
    const [first] = checkArea(run, [], [], TERMS);
    expect(`${first?.tone}: ${first?.text}`).toMatch(words);
  });
});

describe('a sloped ceiling', () => {
  const attic = box(4000, 3000, {
    slopes: [
      { wall: 0, low: measured(1000), run: measured(1500) },
      { wall: 2, low: measured(1000), run: measured(1500) },
    ],
  });
  it('makes walls lower and gables of the others, and openings are held against it', () => {
    const [eaves, gable] = [wallTop(attic, corners(attic), 0), wallTop(attic, corners(attic), 1)];
    expect(eaves.map(({ y }) => y)).toEqual([1000, 1000]);
    expect(Math.max(...gable.map(({ y }) => y))).toBeCloseTo(2600, 6);
    expect(wallHeight(gable, 1400, 1600)).toBeCloseTo(1000 + (1600 * 1400) / 1500, 6);
    // Two walls of 4 × 1 m, two gables of 3 m: 1 m at the eaves, 2.6 m in the middle.
    const { wallsGross } = measuresOf(attic, []) as { wallsGross: number };
    expect(wallsGross).toBeCloseTo(2 * 4 + 2 * 3 * 1.8, 6);
    const tall = window('dormer', { wall: 0, along: 1000 });
    expect(said(attic, [tall], [], 'dormer opening-higher')).toMatch(/the wall is 1000 mm high there/);
    const [walls] = (wallElevation('Attic', attic, [], [], 1, 'metric')?.strokes ?? []).filter(
      ({ layer, form }) => layer === 'walls' && form === 'path',
    );
    expect(walls).toMatchObject({ points: expect.arrayContaining([{ x: 1500, y: 2600 }]) });
  });

  it('is nowhere higher than the room and nowhere lower than its lowest wall, whatever the slopes', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            wall: fc.integer({ min: 0, max: 3 }),
            low: fc.integer({ min: 0, max: 2600 }),
            run: fc.integer({ min: 1, max: 6000 }),
          }),
          { maxLength: 4 },
        ),
        fc.record({ x: fc.integer({ min: 0, max: 4000 }), y: fc.integer({ min: -3000, max: 0 }) }),
        (slopes, point) => {
          const shape = box(4000, 3000, {
            slopes: slopes.map(({ wall, low, run }) => ({ wall, low: measured(low), run: measured(run) })),
          });
          const high = ceilingOver(shape, corners(shape), point);
          expect(high).toBeLessThanOrEqual(2600 + 1e-6);
          expect(high).toBeGreaterThanOrEqual(Math.min(2600, ...slopes.map(({ low }) => low)) - 1e-6);
          for (const wall of [0, 1, 2, 3])
            expect(wallSurface(wallTop(shape, corners(shape), wall))).toBeLessThanOrEqual(2600 * 4000 + 1);
        },
      ),
    ));
});

describe('a thing that is pulled', () => {
  it('stays on its wall, and its place is what would have been typed', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('metric' as const, 'imperial' as const),
        fc.integer({ min: 0, max: 3 }),
        fc.record({ x: fc.integer({ min: -5000, max: 5000 }), y: fc.integer({ min: -5000, max: 5000 }) }),
        (system, wall, by) => {
          const shape = box(160 * INCH, 120 * INCH);
          const length = shape.walls[wall]!.mm;
          const moved = dragged(shape, corners(shape), thing('cabinet', 'box', { wall, along: 500 }), by, system);
          expect(moved.along.mm).toBeGreaterThanOrEqual(0);
          expect(moved.along.mm).toBeLessThanOrEqual(length - 600 + 1e-6);
          expect(moved.away.mm).toBeGreaterThanOrEqual(0);
          const atEnd = moved.along.mm > length - 600 - 13;
          for (const place of [moved.away, ...(atEnd ? [] : [moved.along])]) {
            const read = parseLength(place.typed, system);
            expect(read.ok && read.value).toBeCloseTo(place.mm, 6);
          }
        },
      ),
    ));
});

describe('what is taped on the floor', () => {
  const shape = box(4000, 3000);
  const island = thing('cabinet', 'island', { wall: 0, along: 1000, width: 1600, depth: 900, away: 1100 });
  it('is each corner from two walls, and the diagonals that show it is square', () => {
    const sheet = tapeSheet(shape, [], [island]);
    expect(sheet?.marks.map(({ from }) => from.map(({ wall, mm }) => [wall, Math.round(mm)]))).toEqual([
      [
        [0, 1100],
        [3, 1000],
      ],
      [
        [0, 1100],
        [1, 1400],
      ],
      [
        [0, 2000],
        [1, 1400],
      ],
      [
        [0, 2000],
        [3, 1000],
      ],
    ]);
    expect(sheet?.things[0]?.diagonal).toBeCloseTo(Math.hypot(1600, 900), 9);
    expect(sheet?.diagonals).toEqual([
      { from: 0, to: 2, mm: 5000 },
      { from: 1, to: 3, mm: 5000 },
    ]);
  });

  it('at full size carries all of its outline and nothing else, whatever its size', () =>
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 2600 }), fc.integer({ min: 20, max: 2600 }), (width, depth) => {
        const { tiles, columns, rows } = tilesOf(
          { width: measured(width), depth: measured(depth) },
          { width: 170, height: 225 },
        );
        const length = tiles
          .flatMap(({ lines }) => lines)
          .reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.y - from.y), 0);
        const twice = (width % 170 === 0 ? depth : 0) + (depth % 225 === 0 ? width : 0);
        expect(length).toBeGreaterThanOrEqual(2 * (width + depth) - 1e-6);
        expect(length).toBeLessThanOrEqual(2 * (width + depth) + twice + 1e-6);
        expect(tiles.length).toBeLessThanOrEqual(columns * rows);
      }),
    ));
});

describe('the ceiling plan', () => {
  it('shows what runs overhead with what is free under it, and nothing that stands but posts', () => {
    const [duct, bed, post] = [
      thing('duct', 'duct', { along: 0, width: 4000, depth: 300, bottom: 2200 }),
      thing('bed', 'bed', { along: 500 }),
      thing('post', 'post', { along: 2000, width: 150, depth: 150, away: 1200 }),
    ];
    const plan = planOf('Den', box(4000, 3000), [], [duct, bed, post], 'metric', 'ceiling');
    const about = new Set(plan?.strokes.map((stroke) => stroke.about));
    expect([about.has('duct'), about.has('bed'), about.has('post')]).toEqual([true, false, true]);
    expect(JSON.stringify(plan?.strokes)).toContain('under it 2200 mm');
  });
});
