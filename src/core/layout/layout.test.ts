import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkOpening } from './check-openings';
import { drawingOf } from './drawing';
import { planOf } from './room-plan';
import { swingOf } from './footprint';
import { mirror } from './mirror';
import { measuresOf } from './measures';
import { moveWall } from './move-wall';
import type { PlanTerms } from './fit/finding';
import { readOpeningCsv } from './opening-csv';
import { groundOf, overlap } from './fit/ground';
import { brokenBy, checkArea, checkPlan } from './plan-fit';
import { distance, inside } from './point';
import { outlineOf, rectangle, wallsOf } from './room-outline';
import { measured, usualFixture, type FaceShape, type Opening, type Fixture, type RoomShape, type Wall } from './shape';
import { svgOf } from './svg';

const wall = (mm: number, turn = 90): Wall => ({ ...measured(mm), turn });
const room = (walls: Wall[], spread = false): RoomShape => ({ kind: 'room', height: measured(2400), walls, spread });
const box = (width: number, length: number): RoomShape => room(rectangle(measured(width), measured(length)));
/** An L: 4 m by 3 m with a corner of 1.5 by 1 m out of it. */
const ELL = room([wall(4000), wall(2000), wall(1500, -90), wall(1000), wall(2500), wall(3000)]);
const opening = (over: Partial<Opening> = {}): Opening => ({
  id: 'o',
  wall: 0,
  kind: 'door',
  name: '',
  width: measured(800),
  height: measured(2000),
  sill: measured(0),
  along: measured(500),
  count: 1,
  hinge: 'left',
  opensIn: true,
  clear: null,
  ...over,
});
const thing = (over: Partial<Fixture> = {}): Fixture => ({
  id: 'p',
  wall: 2,
  kind: 'bed',
  name: 'bed',
  along: measured(500),
  width: measured(1500),
  depth: measured(2000),
  front: measured(0),
  ...usualFixture('bed'),
  ...over,
});
const TERMS: PlanTerms = {
  system: 'metric',
  sleeping: false,
  atGrade: false,
  rules: 'uk-guide',
  leastPassage: 700,
  leastAisle: 900,
  headRoom: 2000,
};
const texts = (
  shape: RoomShape,
  openings: Opening[],
  fixtures: Fixture[] = [],
  over: Partial<PlanTerms> = {},
  tone = 'bad',
): string[] =>
  checkPlan(shape, openings, fixtures, { ...TERMS, ...over })
    .filter((finding) => finding.tone === tone)
    .map((finding) => finding.text);

describe('a room by its walls', () => {
  it('has the area and the corners of a rectangle', () => {
    const outline = outlineOf(box(4000, 3000));
    expect(outline).toMatchObject({ ok: true, value: { area: 12, perimeter: 14000 } });
    expect(outline.ok && outline.value.closing).toBeCloseTo(0, 6);
  });

  it('may have outer corners', () => {
    expect(outlineOf(ELL)).toMatchObject({ ok: true, value: { area: 10.5, perimeter: 14000 } });
  });

  it('shows what is missing to close it, and shares it out where asked', () => {
    const open = room([wall(4000), wall(3000), wall(3980), wall(2990)]);
    const outline = outlineOf(open);
    expect(outline.ok && Math.round(outline.value.closing)).toBe(22);
    const shared = outlineOf({ ...open, spread: true });
    if (!outline.ok || !shared.ok) throw new Error('neither closes');
    const lengths = wallsOf(shared.value.corners, [], 'metric').map((entry) => entry.mm);
    expect(Math.max(...lengths.map((mm, index) => Math.abs(mm - (open.walls[index]?.mm ?? 0))))).toBeLessThan(10);
    expect(shared.value.area).toBeGreaterThan(11.9);
  });

  it.each([
    [
      'crosses itself',
      [wall(4000), wall(3000), wall(2000), wall(4000, -90), wall(2000, 90), wall(1000)],
      /do not come back|crosses wall/,
    ],
    ['cannot close', [wall(4000), wall(3000), wall(1000), wall(3000)], /2?\d{3} mm are missing|mm are missing/],
    ['has two walls', [wall(4000), wall(4000)], /at least three walls/],
    ['was read the wrong way round', [wall(4000, -90), wall(3000, -90), wall(4000, -90), wall(3000, -90)], /clockwise/],
    ['folds back', [wall(4000, 180), wall(2000, -90), wall(10), wall(2000)], /crosses|come back|clockwise/],
    [
      'is a figure of eight',
      [wall(3000, 90), wall(3000, 135), wall(4242.64, -135), wall(3000, -90), wall(3000, -135), wall(4242.64)],
      /crosses wall/,
    ],
  ])('that %s is refused in words', (_, walls, words) => {
    const outline = outlineOf(room(walls));
    expect(outline.ok ? '' : outline.problem.message).toMatch(words);
  });

  it('of any right angles keeps area and perimeter when its corners are walked again', () =>
    fc.assert(
      fc.property(fc.integer({ min: 500, max: 9000 }), fc.integer({ min: 500, max: 9000 }), (width, length) => {
        const outline = outlineOf(box(width, length));
        if (!outline.ok) throw new Error(outline.problem.message);
        const again = outlineOf(room(wallsOf(outline.value.corners, [], 'metric')));
        expect(again.ok && again.value.area).toBeCloseTo((width * length) / 1e6, 6);
      }),
    ));
});

describe('a wall that is moved', () => {
  it('gives one room what it takes from the other', () =>
    fc.assert(
      fc.property(fc.integer({ min: -900, max: 900 }), fc.integer({ min: 0, max: 3 }), (by, which) => {
        const [mine, theirs] = [
          moveWall(box(4000, 3000), [], [], which, by, 'metric'),
          moveWall(box(4000, 3000), [], [], (which + 2) % 4, -by, 'metric'),
        ];
        if (!mine.ok || !theirs.ok) throw new Error('neither may fail');
        expect(mine.value.gain).toBeCloseTo(-theirs.value.gain, 9);
        expect(mine.value.gain).toBeCloseTo((by * (which % 2 === 0 ? 4000 : 3000)) / 1e6, 9);
      }),
    ));

  it('leaves every opening where it is in the house', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -700, max: 900 }),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 3 }),
        (by, moved, of) => {
          fc.pre(moved !== of);
          const shape = box(4000, 3000);
          const door = opening({ wall: of, along: measured(900) });
          const after = moveWall(shape, [door], [], moved, by, 'metric');
          if (!after.ok) throw new Error(after.problem.message);
          const place = (
            given: RoomShape,
            entry: Opening,
            from: { x: number; y: number },
          ): { x: number; y: number } => {
            const outline = outlineOf(given);
            if (!outline.ok || !entry.along) throw new Error('no outline');
            const hinge = swingOf(outline.value.corners, entry)?.hinge ?? { x: 0, y: 0 };
            return { x: hinge.x + from.x, y: hinge.y + from.y };
          };
          // Outlines begin at their own first corner: moving wall 1 or 4 moves that corner in the house.
          const origin = { x: moved === 3 ? -by : 0, y: moved === 0 ? by : 0 };
          const [was, is] = [
            place(shape, door, { x: 0, y: 0 }),
            place(after.value.shape, after.value.openings[0]!, origin),
          ];
          expect(distance(was, is)).toBeLessThan(0.2);
        },
      ),
    ));

  it('may not go further than its neighbours are long', () => {
    expect(moveWall(box(4000, 3000), [], [], 0, -3100, 'metric')).toMatchObject({
      ok: false,
      problem: { code: 'wall-vanishes' },
    });
  });
});

describe('openings', () => {
  const gable: FaceShape = {
    kind: 'face',
    sections: [{ width: measured(4000), height: measured(2500), gableRise: measured(1600) }],
  };
  it.each<[Partial<Opening>, RegExp | null]>([
    [{}, null],
    [{ height: measured(30_000) }, /door 30000 mm high cannot be meant/],
    [{ width: measured(3000), kind: 'window', height: measured(900) }, null],
    [{ width: measured(4500), kind: 'window', height: measured(900) }, /4500 mm wide, and its wall only 4000 mm/],
    [{ along: measured(3500) }, /ends 300 mm past the end/],
    [{ height: measured(2300), sill: measured(300) }, /top would be at 2600 mm, and the wall is 2400 mm/],
    [{ wall: 7 }, /no wall 8/],
  ])('%j', (over, words) => {
    const problems = checkOpening(box(4000, 3000), opening(over), [], 'metric');
    if (words) expect(problems.map((problem) => problem.message).join()).toMatch(words);
    else expect(problems).toEqual([]);
  });

  it('may rise into a gable in its middle and not at its side', () => {
    const window = opening({ kind: 'window', width: measured(600), height: measured(800), sill: measured(2600) });
    expect(checkOpening(gable, { ...window, along: measured(1700) }, [], 'metric')).toEqual([]);
    expect(checkOpening(gable, { ...window, along: measured(200) }, [], 'metric')[0]?.code).toBe(
      'opening-higher-than-wall',
    );
  });

  it('may stand over each other, but not on each other', () => {
    const low = opening({ id: 'a', kind: 'window', width: measured(900), height: measured(600), sill: measured(300) });
    expect(checkOpening(box(4000, 3000), { ...low, id: 'b', sill: measured(1000) }, [low], 'metric')).toEqual([]);
    expect(checkOpening(box(4000, 3000), { ...low, id: 'b', along: measured(1200) }, [low], 'metric')[0]?.code).toBe(
      'openings-overlap',
    );
  });
});

describe('what a drawing measures', () => {
  it('of a room and of a face with its gable', () => {
    const door = opening();
    expect(measuresOf(box(4000, 3000), [door])).toMatchObject({
      floor: 12,
      perimeter: 14000,
      skirting: 13200,
      wallsGross: 33.6,
      wallsNet: 32,
      wallsNetLarge: 32,
    });
    const face: FaceShape = {
      kind: 'face',
      sections: [
        { width: measured(9000), height: measured(3000), gableRise: measured(0) },
        { width: measured(4000), height: measured(3000), gableRise: measured(2000) },
      ],
    };
    expect(measuresOf(face, [])).toMatchObject({ faceGross: 43, width: 13000 });
  });

  it('never falls under nothing, however many openings', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (count) => {
        expect(Number(measuresOf(box(3000, 3000), [opening({ count })]).wallsNet)).toBeGreaterThanOrEqual(0);
      }),
    ));
});

describe('the plan', () => {
  it('finds what a door swings into, what stands in the way, and who cannot get round the bed', () => {
    expect(texts(box(4000, 3000), [opening()], [])).toEqual([]);
    expect(
      texts(
        box(4000, 3000),
        [opening()],
        [thing({ wall: 0, name: 'chest', along: measured(1310), width: measured(500), depth: measured(500) })],
      ),
    ).toEqual([]);
    expect(
      texts(
        box(4000, 3000),
        [opening({ hinge: 'right' })],
        [thing({ wall: 0, name: 'chest', along: measured(600), width: measured(500), depth: measured(500) })],
      ).join(),
    ).toMatch(/swings into chest.*stands before door in wall 1/);
    expect(texts(box(4000, 3000), [], [thing({ front: measured(1100) })]).join()).toMatch(
      /1100 mm are wanted; a wall is nearer/,
    );
    expect(
      texts(
        box(4000, 3000),
        [],
        [
          thing(),
          thing({ id: 'q', name: 'desk', wall: 3, along: measured(0), width: measured(1200), depth: measured(2200) }),
        ],
      ).join(),
    ).toMatch(/same place/);
    expect(texts(box(4000, 3000), [opening({ width: measured(700), along: measured(50) })]).join()).toMatch(
      /lets 648 mm pass; 700 mm are wanted/,
    );
    expect(texts(box(700, 3000), [opening({ wall: 1, width: measured(800) })]).join()).toMatch(/leaf meets a wall/);
  });

  it('reads a run of cabinets off its wall, with what is left at its ends', () => {
    const cabinet = (id: string, along: number, width: number) =>
      thing({
        id,
        name: id,
        kind: 'cabinet',
        wall: 0,
        along: measured(along),
        width: measured(width),
        depth: measured(600),
      });
    const run = (along: number, second = 2870) =>
      checkPlan(box(4000, 3000), [], [cabinet('a', along, 1000), cabinet('b', along + 1000, second)], TERMS).find(
        (finding) => finding.key === 'run 0',
      );
    expect(run(65)).toMatchObject({ tone: 'good', text: 'Run of 2 on wall 1: 65 mm at the left, 65 mm at the right.' });
    expect(run(10)).toMatchObject({
      tone: 'ask',
      text: expect.stringContaining('share it out, 65 mm at each end') as string,
    });
    expect(run(10, 2770)).toMatchObject({ tone: 'ask', text: expect.stringContaining('exchange a cabinet') as string });
  });

  it('asks a pocket door for its pocket', () => {
    const pocket = opening({ kind: 'pocket', hinge: 'right', along: measured(500) });
    expect(texts(box(4000, 3000), [pocket], [], {}, 'good').join()).toMatch(/has its pocket/);
    expect(texts(box(4000, 3000), [{ ...pocket, hinge: 'left' }]).join()).toMatch(/325 mm too short there/);
    expect(
      texts(box(4000, 3000), [
        pocket,
        opening({ id: 'w', kind: 'window', sill: measured(900), height: measured(900), along: measured(1500) }),
      ]).join(),
    ).toMatch(/slides into the wall where window in wall 1 is/);
  });

  it('asks a drain whether it runs, and a face whether its openings fit', () => {
    const run = (head: number, fall = 0.01) =>
      checkArea(
        {
          kind: 'run',
          outletInvert: measured(-1000),
          headMaxInvert: measured(head),
          legs: [{ length: measured(20_000), fall }],
        },
        [],
        [],
        TERMS,
      );
    expect(run(-700).map((finding) => finding.tone)).toEqual(['good', 'ask']);
    expect(run(-900)[0]?.text).toMatch(/100 mm too high: it needs a pump/);
    for (const [fall, text] of [
      [0, 'Leg 1 is level: it does not run by itself.'],
      [0.001, 'Leg 1 falls 1:1000: it does not run by itself.'],
    ] as const)
      expect(run(-700, fall)[0]).toMatchObject({ tone: 'bad', text: expect.stringContaining(text) as unknown });
    expect(
      checkArea(
        { kind: 'face', sections: [{ width: measured(2000), height: measured(2400), gableRise: measured(0) }] },
        [opening({ along: measured(1500) })],
        [],
        TERMS,
      )[0],
    ).toMatchObject({ tone: 'bad' });
  });

  it('asks for a way out of rooms where somebody sleeps', () => {
    const window = opening({ kind: 'window', sill: measured(900), height: measured(1000) });
    const clear = (width: number, height: number) => ({ clear: { width: measured(width), height: measured(height) } });
    expect(texts(box(4000, 3000), [], [], { sleeping: true }).join()).toMatch(/no window to get out by/);
    expect(texts(box(4000, 3000), [window], [], { sleeping: true }, 'ask').join()).toMatch(/not known yet/);
    expect(texts(box(4000, 3000), [{ ...window, ...clear(400, 900) }], [], { sleeping: true }).join()).toMatch(
      /fails by width/,
    );
    expect(texts(box(4000, 3000), [{ ...window, ...clear(500, 900) }], [], { sleeping: true }, 'good').join()).toMatch(
      /is a way out by UK guidance/,
    );
  });

  it('tells what a moved wall breaks and what it cures', () => {
    const bed = thing({ front: measured(900) });
    const shape = box(4000, 3000);
    const moved = moveWall(shape, [], [bed], 0, -300, 'metric');
    if (!moved.ok) throw new Error(moved.problem.message);
    const [before, after] = [
      checkPlan(shape, [], [bed], TERMS),
      checkPlan(moved.value.shape, [], moved.value.fixtures, TERMS),
    ];
    expect(brokenBy(before, after).breaks.map((broken) => broken.key)).toEqual(['p front']);
    expect(brokenBy(after, before).cures.map((cure) => cure.key)).toEqual(['p front']);
  });

  it('knows floors that overlap from those that touch', () =>
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), (dx) => {
        const square = (x: number) => [
          { x, y: 0 },
          { x: x + 1000, y: 0 },
          { x: x + 1000, y: 1000 },
          { x, y: 1000 },
        ];
        expect(overlap(groundOf(square(0)), groundOf(square(dx)))).toBe(Math.abs(dx) < 999);
        expect(inside(square(0), { x: dx, y: 500 })).toBe(dx >= 0 && dx <= 1000);
      }),
    ));
});

describe('drawings', () => {
  it('of every shape are drawn within their bounds and as SVG without a stray sign', () => {
    const shapes = [
      box(4000, 3000),
      {
        kind: 'face',
        sections: [{ width: measured(4000), height: measured(2500), gableRise: measured(1600) }],
      } as const,
      { kind: 'roof', width: measured(8000), length: measured(6000), riseIn12: 7 } as const,
      {
        kind: 'run',
        outletInvert: measured(-1200),
        headMaxInvert: measured(-500),
        legs: [{ length: measured(12000), fall: 0.0125 }],
      } as const,
    ];
    for (const shape of shapes) {
      const drawing = drawingOf(
        'A & B <c>',
        shape as RoomShape,
        [opening({ kind: 'window', sill: measured(600), height: measured(900) })],
        [],
        'metric',
      );
      expect(drawing).toBeDefined();
      const svg = svgOf(drawing!);
      expect(svg).toContain('A &#38; B &#60;c&#62;');
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
    }
  });
});

describe('a list of openings that is partly bad (D15)', () => {
  it('names each line that does not go with its wall, by its column, and takes the others', () => {
    const list = [
      'area,wall,kind,name,width,height,sill,along,count',
      'Den,1,window,good,900,1200,900,500,1',
      'Den,9,window,no wall,900,1200,900,500,1',
      'Den,2,window,too high,900,2600,900,500,1',
      'Den,1,window,over the first,900,1200,900,800,1',
      'Loft,1,window,not drawn,900,1200,900,500,1',
    ].join('\n');
    const named = new Map([
      ['den', 'den'],
      ['loft', 'loft'],
    ]);
    const drawn = new Map([['den', { shape: box(4000, 3000), openings: [] }]]);
    const { openings, problems } = readOpeningCsv(list, 'metric', named, drawn);
    expect(openings.map(({ name }) => name)).toEqual(['good']);
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [3, 'wall'],
      [4, 'height'],
      [5, 'along'],
      [6, 'area'],
    ]);
  });
});

describe('a job in feet and inches (D23)', () => {
  it('is told feet and inches: what is missing of its walls, and where mirrored openings are', () => {
    const open = outlineOf({ ...box(4000, 3000), walls: [wall(4000), wall(3000), wall(1000), wall(3000)] }, 'imperial');
    expect(open.ok ? '' : open.problem.message).toMatch(/9' 10 1\/8" are missing/);
    const [turned] = mirror(
      box(4876.8, 3000),
      [opening({ along: measured(1219.2), width: measured(609.6) })],
      [],
      'imperial',
    ).openings;
    expect(turned?.along).toEqual({ mm: expect.closeTo(3048, 6) as number, typed: `10' 0"` });
  });

  it('has labels on short walls that can be read', () => {
    const bay = room([wall(4000, 90), wall(300, -90), wall(200, 90), wall(2700, 90), wall(4200, 90), wall(3000, 90)]);
    const labels = planOf('Den', bay, [], [], 'metric')?.strokes.filter(
      (stroke) => stroke.form === 'text' && /^wall|^\d/.test(stroke.text),
    );
    const heights = (labels ?? []).map((stroke) => (stroke.form === 'text' ? stroke.height : 0));
    expect(Math.min(...heights)).toBe(Math.max(...heights));
  });
});
