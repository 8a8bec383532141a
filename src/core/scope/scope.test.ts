import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCsv, writeCsv } from '../csv';
import { formatFall, parseFall } from '../layout/fall';
import { MEASURES, type Measures } from '../layout/measures';
import { mirror } from '../layout/mirror';
import { readOpeningCsv, writeOpeningCsv } from '../layout/opening-csv';
import { outlineOf } from '../layout/room-outline';
import { measured, type Opening, type RoomShape } from '../layout/shape';
import { readShapeCsv, SHAPE_CSV_EXAMPLE, writeShapeCsv } from '../layout/shape-csv';
import type { Ask } from '../quantities/ask';
import { calculatorNamed, CALCULATORS } from '../quantities/registry';
import { readTyped, writeTyped, type TypedInput } from '../quantities/typed';
import { formatMoney, NO_CURRENCY } from '../units/money';
import { readQuantity } from '../units/quantity';
import { feedsFor, recalculate, usualFeeds } from './feed';
import { findingGap, findingText, type Finding } from './finding';
import { materialsList, materialsTotal, packWord, type Needed } from './materials';
import { costPerYear } from './option';
import { readScopeCsv, SCOPE_CSV_EXAMPLE, writeScopeCsv } from './scope-csv';
import { readScopeLine } from './scope-line';
import { isEmptyDiff, statementDiff, type Statement } from './statement';

describe('a line of scope as it is said', () => {
  it.each([
    [
      'strip the boards 46 m2',
      { stance: 'in', verb: 'strip', subject: 'the boards', quantity: 46, unit: 'm²', trade: 'tear-out' },
    ],
    ['lay drain, 31,5 m', { verb: 'lay', subject: 'drain', quantity: 31.5, unit: 'm' }],
    ['repair mortar 2,500 sq ft', { verb: 'repair', subject: 'mortar', quantity: 2500, unit: 'sq ft' }],
    ["clad the wall 48' x 8'", { verb: 'clad', subject: 'the wall', quantity: 384, unit: 'sq ft' }],
    ['cut the slab 22 ft x 1 ft', { subject: 'the slab', quantity: 22, unit: 'sq ft' }],
    ['dig 12 yd³ of the bank, 12 cy', { subject: '12 yd³ of the bank', quantity: 12, unit: 'yd³' }],
    ['lay Mrs Averill’s drain 48 lf', { subject: 'Mrs Averill’s drain', quantity: 48, unit: 'ft' }],
    ['strip the slates 12 squares', { quantity: 12, unit: 'squares' }],
    ['retrim 4 windows', { verb: 'retrim', subject: 'windows', quantity: 4, unit: 'pieces' }],
    ['replace two dozen bricks', { subject: 'bricks', quantity: 24, unit: 'pieces' }],
    ['replace 1,200 bricks', { subject: 'bricks', quantity: 1200 }],
    ['paint the wall 2½ m', { subject: 'the wall', quantity: 2.5, unit: 'm' }],
    ['replace 3 windows', { verb: 'replace', subject: 'windows', quantity: 3, unit: 'pieces' }],
    ['not: repair the slates', { stance: 'out', verb: 'repair', subject: 'the slates' }],
    ['not included: the garden wall', { stance: 'out', subject: 'the garden wall' }],
    ['live: power to the freezers', { stance: 'keep-live', verb: 'keep live', subject: 'power to the freezers' }],
    ['protect the stair', { stance: 'protect', verb: 'protect', subject: 'the stair' }],
    ['refit: two lamps', { stance: 'refit', verb: 'take down and refit', subject: 'two lamps' }],
    ['take down and refit the post box', { stance: 'refit', subject: 'the post box' }],
    [
      'replace sheathing 12 m² if it is rotten',
      { stance: 'conditional', verb: 'replace', subject: 'sheathing', quantity: 12, dependsOn: 'whether it is rotten' },
    ],
    [
      'repair sills depending on what the scraper finds',
      { stance: 'conditional', verb: 'repair', subject: 'sills', dependsOn: 'what the scraper finds' },
    ],
    ['cut the boards to 2100 mm', { subject: 'the boards to', quantity: 2100, unit: 'mm', verb: 'cut' }],
  ])('%s', (text, expected) => {
    const read = readScopeLine(text);
    expect(read.ok && read.value).toMatchObject(expected);
  });

  it.each([
    'lay drain 0 m',
    'lay drain -3 m',
    'lay drain 1e9 m',
    'lay drain 1,250 m',
    "tile the wall 48' x",
    'dig 1.2.3 yd³',
  ])('leaves no number that it cannot read in the text: %j', (text) =>
    expect(readScopeLine(text)).toMatchObject({ ok: false, problem: { code: 'quantity-unread' } }),
  );

  it.each(['', '   ', 'paint', 'not:', '46 m²'])('asks again about %j', (text) =>
    expect(readScopeLine(text)).toMatchObject({ ok: false, problem: { field: 'line' } }),
  );

  it('is read or refused, whatever is typed, and never loses a quantity under nothing', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const read = readScopeLine(text);
        if (read.ok) expect(read.value.subject.length > 0 && (read.value.quantity ?? 1) > 0).toBe(true);
      }),
    ));
});

const finding = (over: Partial<Finding>): Finding => ({
  id: 'f',
  area: null,
  kind: 'damage',
  subject: 'rot',
  quantity: null,
  unit: '',
  need: '',
  live: null,
  trade: null,
  place: '',
  cause: '',
  remedy: '',
  allowed: null,
  unitPrice: null,
  found: null,
  foundBy: '',
  leadDays: null,
  options: [],
  answer: '',
  answeredBy: '',
  ...over,
});

describe('findings', () => {
  it(
    'say what they lack: a damage its cause and what is done about it, a service whether it is live, a thing kept ' +
      'where',
    () => {
      expect(findingGap(finding({}))).toMatch(/cause/);
      expect(findingGap(finding({ cause: 'soil' }))).toMatch(/nothing is done/);
      expect(findingGap(finding({ cause: 'soil', remedy: 'dig' }))).toBeNull();
      expect(findingGap(finding({ kind: 'service' }))).toMatch(/live/);
      expect(findingText(finding({ kind: 'service', subject: 'old pipe' }))).toMatch(/taken for live/);
      expect(findingGap(finding({ kind: 'salvage' }))).toMatch(/kept/);
      expect(findingText(finding({ kind: 'site-choice', subject: 'valve', options: ['left', 'right'] }))).toBe(
        'valve: left or right',
      );
    },
  );
});

const line = (key: string, text: string, over: object = {}) => ({ key, text, ...over });
const statement = (over: Partial<Statement> = {}): Statement => ({
  job: { name: 'J', address: '', client: '' },
  firm: 'F',
  day: '2027-03-09',
  areas: [],
  depends: [],
  allowances: [],
  selections: [],
  household: [],
  ground: [],
  unwritten: [],
  payments: [],
  sums: null,
  currency: NO_CURRENCY,
  siteChoices: [],
  changes: [],
  dates: [],
  ...over,
});
const area = (...lines: Statement['depends']): Statement['areas'] => [
  { id: 'a', name: 'Hall', place: 'Ground', lines },
];

describe('a later statement', () => {
  it('says what is new, what reads otherwise and what is gone, wherever a line stands', () => {
    const before = statement({ areas: area(line('1', 'strip'), line('2', 'paint')), depends: [line('3', 'dry')] });
    const after = statement({
      areas: area(line('1', 'strip', { stance: 'out' }), line('4', 'tile')),
      depends: [line('3', 'dry')],
    });
    const diff = statementDiff(before, after);
    expect([
      diff.added.map((placed) => placed.key),
      diff.changed.map((entry) => entry.to.key),
      diff.removed.map((placed) => placed.key),
    ]).toEqual([['4'], ['1'], ['2']]);
    expect(diff.removed[0]?.where).toBe('Hall');
  });

  it('changed back again changes nothing, and both ways round say the same', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(
          fc.record({ key: fc.string({ minLength: 1, maxLength: 3 }), text: fc.string({ maxLength: 5 }) }),
          { selector: (entry) => entry.key },
        ),
        fc.uniqueArray(
          fc.record({ key: fc.string({ minLength: 1, maxLength: 3 }), text: fc.string({ maxLength: 5 }) }),
          { selector: (entry) => entry.key },
        ),
        (entry, other) => {
          const [a, b] = [statement({ ground: entry }), statement({ ground: other })];
          expect(isEmptyDiff(statementDiff(a, a))).toBe(true);
          const [there, back] = [statementDiff(a, b), statementDiff(b, a)];
          expect(there.added.map((each) => each.key).sort()).toEqual(back.removed.map((each) => each.key).sort());
          expect(there.changed.length).toBe(back.changed.length);
        },
      ),
    ));
});

describe('materials', () => {
  const needed = (over: Partial<Needed>): Needed => ({
    what: 'board',
    quantity: 3,
    unit: 'sheets',
    unitPrice: 1000,
    price: null,
    supplier: '',
    trade: 'board',
    area: 'Hall',
    needBy: null,
    ...over,
  });
  it('are added up where they are bought alike, and name their areas', () => {
    const list = materialsList(
      [needed({}), needed({ area: 'Study', quantity: 2 }), needed({ unitPrice: null, what: 'tape' })],
      NO_CURRENCY,
    );
    expect(list.find((materialLine) => materialLine.what === 'board')).toMatchObject({
      quantity: 5,
      price: 5000,
      areas: ['Hall', 'Study'],
    });
    expect(materialsTotal(list)).toEqual({ price: 5000, unpriced: 1 });
  });
  it('cost in all what their lines cost', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            what: fc.constantFrom('a', 'b'),
            quantity: fc.integer({ min: 1, max: 50 }),
            unitPrice: fc.integer({ min: 0, max: 9999 }),
          }),
        ),
        (lines) => {
          expect(
            materialsTotal(
              materialsList(
                lines.map((entry) => needed(entry)),
                NO_CURRENCY,
              ),
            ).price,
          ).toBe(lines.reduce((sum, entry) => sum + entry.quantity * entry.unitPrice, 0));
        },
      ),
    ));
});

describe('packs', () => {
  it.each([
    [1, 'cans', 'can'],
    [2, 'cans', 'cans'],
    [1, 'boxes', 'box'],
    [1, 'm', 'm'],
    [1, 'm³', 'm³'],
  ])('%s %s', (quantity, unit, word) => expect(packWord(quantity, unit)).toBe(word));
});

describe('options', () => {
  it('cost in a year what they cost over their life, upkeep included', () => {
    expect(costPerYear({ cost: 612_000, upkeepPerYear: 14_000, lifeYears: 18 })).toBe(48_000);
  });
});

describe('what follows the drawing', () => {
  it('is computed with what the drawing measures, and refused where it measures it no longer', () => {
    const calculation = {
      calculator: 'boxes',
      input: { area: 1, waste: 0, perBox: 2 },
      fed: { area: 'floor' as const },
    };
    expect(recalculate(calculation, { floor: 12 }, 'metric')).toMatchObject({
      ok: true,
      value: { input: { area: 12 }, output: { boxes: 6 }, purchases: [{ quantity: 6 }] },
    });
    expect(recalculate(calculation, {}, 'metric')).toMatchObject({ ok: false, problem: { field: 'area' } });
  });

  it('feeds areas with areas, lengths with lengths, and nothing with what it is not', () => {
    const fits: Record<string, (ask: Ask<unknown>) => boolean> = {
      area: (ask) => ask.kind === 'amount' && ask.unit === 'm²',
      length: (ask) => ask.kind === 'length',
      slope: (ask) => ask.kind === 'amount' && ask.unit === 'parts',
      sections: (ask) => ask.kind === 'list',
      openings: (ask) => ask.kind === 'list',
      legs: (ask) => ask.kind === 'list',
    };
    const fed = CALCULATORS.flatMap((calculator) =>
      Object.entries(calculator.asks).flatMap(([name, ask]) =>
        feedsFor(calculator.asks, name).map((measure) => ({ at: `${calculator.name}.${name}`, ask, measure })),
      ),
    );
    expect(fed.length).toBeGreaterThan(40);
    for (const { at, ask, measure } of fed)
      expect(fits[MEASURES[measure].dimension]?.(ask), `${at} from ${measure}`).toBe(true);
  });

  it.each<[string, Measures, Record<string, string>]>([
    ['paint-cans', { floor: 9, wallsNet: 30 }, { area: 'wallsNet' }],
    ['tiles', { wallsNet: 30, floor: 9 }, { area: 'floor' }],
    ['base-strip', { perimeter: 12_000, skirting: 10_800, height: 2400 }, { length: 'skirting' }],
    ['trench', { drainLength: 31_000, perimeter: 1 }, { length: 'drainLength' }],
    // How long a beam is, how high a niche and how far a stair runs, no outline of a room can say.
    ['lift', { perimeter: 12_000, height: 2400 }, {}],
    ['niche', { perimeter: 12_000, height: 2400 }, {}],
    ['stairs', { perimeter: 12_000, height: 2400 }, {}],
  ])('begins %s with what is likeliest', (name, measures, expected) => {
    expect(usualFeeds(calculatorNamed(name)?.asks ?? {}, measures)).toEqual(expected);
  });
});

describe('what is typed on Bench', () => {
  it.each(CALCULATORS.map((calculator) => [calculator.name, calculator] as const))(
    '%s: its example is read back as it was written, in both systems',
    (_, calculator) => {
      for (const system of ['metric', 'imperial'] as const) {
        const { input, problem } = readTyped(
          calculator.asks,
          writeTyped(calculator.asks, calculator.example, system),
          system,
        );
        expect(problem).toBeUndefined();
        const [mine, theirs] = [calculator.run(input), calculator.run(calculator.example)];
        expect(mine.ok).toBe(theirs.ok);
        if (system === 'metric' && mine.ok && theirs.ok) expect(mine.value).toEqual(theirs.value);
      }
    },
  );

  it('names the field that cannot be read, deep in its list', () => {
    const wall = CALCULATORS.find((calculator) => calculator.name === 'wall-area')!;
    const typed = writeTyped(wall.asks, wall.example, 'metric');
    (typed.sections as TypedInput[])[1]!.width = 'wide';
    expect(readTyped(wall.asks, typed, 'metric').problem).toMatchObject({ field: 'sections[1].width' });
    expect(readTyped(wall.asks, { ...typed, sections: [] }, 'metric').problem).toBeUndefined();
  });
});

const NAMED = new Map([
  ['workshop', 'w'],
  ['east gable', 'e'],
  ['lane face', 'l'],
  ['slate roof', 's'],
]);

describe('lists in and out', () => {
  it('of walls and sections come back as they went', () => {
    const { shapes, problems } = readShapeCsv(SHAPE_CSV_EXAMPLE, 'metric', NAMED);
    expect(problems).toEqual([]);
    expect(shapes.map((shape) => [shape.area, shape.shape.kind])).toEqual([
      ['w', 'room'],
      ['e', 'face'],
    ]);
    const again = readShapeCsv(
      writeShapeCsv(shapes.map((shape) => ({ name: shape.name, shape: shape.shape }))),
      'metric',
      NAMED,
    );
    expect(again.shapes.map((shape) => shape.shape)).toEqual(shapes.map((shape) => shape.shape));
  });

  it.each([
    ['area,part,length\nWorkshop,roof,3 m', 'neither wall nor section'],
    ['area,part,length\nAttic,wall,3 m', 'no area “Attic”'],
    ['area,part,length,height\nWorkshop,wall,long,2 m', 'is not a length'],
    ['area,part\nWorkshop,wall', 'no column “length”'],
    ['area,part,length,height,rise,turn\nWorkshop,wall,3 m,2 m,,270', 'is no turn'],
    ['area,part,length,height\nWorkshop,wall,3 m,2.4 m\nWorkshop,wall,3 m,2.4 m', 'at least three walls'],
  ])('say line and column of what is wrong: %j', (text, words) => {
    const { shapes, problems } = readShapeCsv(text, 'metric', NAMED);
    expect(shapes).toEqual([]);
    expect(
      problems.map((problem) => `${problem.line} ${problem.column ?? ''} ${problem.message}`).join('\n'),
    ).toContain(words);
  });

  it('leave a room out whole of which one wall cannot be read, and keep the others', () => {
    const { shapes, problems } = readShapeCsv(
      'area,part,length,height\nWorkshop,wall,3 m,2.4 m\nWorkshop,wall,?,\nEast gable,section,5 m,3 m',
      'metric',
      NAMED,
    );
    expect(shapes.map((shape) => shape.area)).toEqual(['e']);
    expect(problems[0]).toMatchObject({ line: 3, column: 'length' });
  });

  it('of openings come back as they went, and ask about a door 30 m high', () => {
    const text =
      'area,wall,kind,name,width,height,sill,along,count\nWorkshop,2,door,yard,0.9 m,2.05 m,,1.1 m,1\n' +
      'Workshop,1,door,,0.9 m,30 m,,,1\nWorkshop,1,hole,,1 m,1 m,,,1\nWorkshop,1,window,,1 m,1 m,,,1.5\n';
    const { openings, problems } = readOpeningCsv(text, 'metric', NAMED);
    expect(openings).toMatchObject([{ area: 'w', wall: 1, along: { mm: 1100 } }]);
    expect(problems.map((problem) => [problem.line, problem.column])).toEqual([
      [3, 'height'],
      [4, 'kind'],
      [5, 'count'],
    ]);
    const out = writeOpeningCsv(openings.map((opening) => ({ ...opening, id: 'o', area: 'Workshop' })));
    expect(readOpeningCsv(out, 'metric', NAMED).openings).toEqual(openings);
  });

  it('of scope come back as they went; the good lines are kept beside the bad', () => {
    expect(readScopeCsv(SCOPE_CSV_EXAMPLE, NAMED)).toMatchObject({
      problems: [],
      lines: [
        { area: 'l', quantity: 46 },
        { area: 's', stance: 'out' },
      ],
    });
    const { lines, problems } = readScopeCsv(
      'area,stance,verb,subject,quantity,unit,trade\nWorkshop,in,paint,walls,30,m²,paint\n' +
        'Workshop,perhaps,paint,x,,,\nWorkshop,in,paint,x,-3,m²,\nWorkshop,in,paint,x,3,,\n' +
        'Workshop,in,paint,x,,,wizards\n',
      NAMED,
    );
    expect(lines).toHaveLength(1);
    expect(problems.map((problem) => [problem.line, problem.column])).toEqual([
      [3, 'stance'],
      [4, 'quantity'],
      [5, 'unit'],
      [6, 'trade'],
    ]);
    expect(
      writeScopeCsv([
        {
          area: 'Workshop',
          stance: 'in',
          verb: 'paint',
          subject: 'walls, "all"',
          quantity: 30,
          unit: 'm²',
          trade: 'paint',
          dependsOn: '',
          place: '',
        },
      ]),
    ).toContain('"walls, ""all"""');
  });

  it('disarm what a spreadsheet would run as a formula, and leave figures alone', () => {
    expect(writeCsv(['a'], [['=1+1'], ['-3.5'], ['@x'], [-3]])).toBe(`a\r\n'=1+1\r\n-3.5\r\n'@x\r\n-3\r\n`);
    const cells = ['=1+1', '-3.5', '@x', '- of the hall', '+ two', 'it’s', "'tis"];
    const back = readCsv(
      writeCsv(
        ['a'],
        cells.map((cell) => [cell]),
      ),
      { columns: { a: true }, read: ({ a }) => ({ a }) },
    );
    expect(back).toEqual({ rows: cells.map((a) => ({ a })), problems: [] });
  });

  it('of any text are read or told about, never thrown at', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        for (const read of [
          () => readShapeCsv(text, 'metric', NAMED),
          () => readOpeningCsv(`area,kind,width,height\n${text}`, 'imperial', NAMED),
          () => readScopeCsv(`area,stance,verb,subject\n${text}`, NAMED),
          () => readCsv(text, { columns: { a: false }, read: () => ({}) }),
        ])
          expect(read).not.toThrow();
      }),
    ));
});

describe('a mirror', () => {
  const shape: RoomShape = {
    kind: 'room',
    height: measured(2400),
    spread: false,
    walls: [
      [4000, 90],
      [2000, 90],
      [1500, -90],
      [1000, 90],
      [2500, 90],
      [3000, 90],
    ].map(([mm = 0, turn = 90]) => ({ ...measured(mm), turn })),
  };
  it('keeps area and walls, and is undone by itself', () => {
    const opening: Opening = {
      id: 'o',
      wall: 1,
      kind: 'door',
      name: '',
      width: measured(800),
      height: measured(2000),
      sill: measured(0),
      along: measured(300),
      count: 1,
      hinge: 'left',
      opensIn: true,
      clear: null,
    };
    const once = mirror(shape, [opening], [], 'metric');
    const outline = once.shape.kind === 'room' ? outlineOf(once.shape) : undefined;
    expect(outline?.ok && outline.value.area).toBeCloseTo(10.5, 6);
    expect(once.openings[0]).toMatchObject({ wall: 4, hinge: 'right', along: { mm: 900 } });
    const twice = mirror(once.shape, once.openings, [], 'metric');
    expect(twice.shape).toEqual(shape);
    expect(twice.openings[0]).toMatchObject({ wall: 1, hinge: 'left', along: { mm: 300 } });
  });
});

describe('falls and money', () => {
  it.each([
    ['1:80', 1 / 80],
    ['1 in 40', 1 / 40],
    ['1.25 %', 0.0125],
    ['0.02', 0.02],
    ['1:0', undefined],
    ['steep', undefined],
    ['-1:80', undefined],
  ])('%s', (text, fall) => expect(parseFall(text)).toBe(fall));
  it('come back from what was written', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: -1e9, max: 1e9 }), (ratio, minor) => {
        expect(parseFall(formatFall(1 / ratio))).toBeCloseTo(1 / ratio, 9);
        expect(readQuantity('money', formatMoney(minor, NO_CURRENCY), 'metric', { signed: true })).toEqual({
          ok: true,
          value: minor,
        });
      }),
    ));
});
