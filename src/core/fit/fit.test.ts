import { describe, expect, it } from 'vitest';
import { calculate } from '../quantities/registry';
import { sayAnswer, sayResult } from '../quantities/say';
import { calculatorNamed } from '../quantities/registry';
import { give } from '../quantities/ask';

/** Cases worked out by hand: a calculator, its input on top of its example, and what must come out. */
const CASES: [string, Record<string, unknown>, Record<string, unknown>][] = [
  // A leaf of 826 with 40 of thickness and a stop of 12 leaves 774.
  ['door-passage', {}, { passage: 774, passes: true, swings: true, reach: false }],
  ['door-passage', { leafWidth: 726, leastPassage: 700 }, { passage: 674, passes: false }],
  ['door-passage', { roomDepth: 800 }, { swings: false }],
  // A pocket takes the leaf twice, a folding pair each leaf once, and 25 more.
  ['sliding-opening', {}, { rough: 1549, fits: true, shortBy: 0 }],
  ['sliding-opening', { kind: 'folding', leaves: 2 }, { rough: 1549 }],
  ['sliding-opening', { wallFree: 1500 }, { fits: false, shortBy: 49 }],
  // 2680 in steps of at most 196: fourteen of 191.43; thirteen treads of 260.
  ['stairs', {}, { risers: 14, flight: 3380, fits: true, treadOk: true, landingOk: true }],
  ['stairs', { run: 3300, landing: 880, tread: 250 }, { fits: true, treadOk: false, landingOk: false }],
  ['stairs', { run: 3000 }, { fits: false }],
  ['furniture', {}, { beside: 725, foot: 1300, fits: true }],
  ['furniture', { stands: 'corner' }, { beside: 1450 }],
  ['furniture', { stands: 'island', least: 700 }, { foot: 650, fits: false }],
  [
    'counter-heights',
    {},
    { counter: 850, splashTop: 1350, gap: 550, gapOk: true, splashFits: true, socketClear: true },
  ],
  ['counter-heights', { splash: 560, socket: 880 }, { splashFits: false, socketClear: false }],
  [
    'level-through',
    {},
    {
      fits: true,
      heights: [
        { room: 'hall', height: 1050 },
        { room: 'day room', height: 1082 },
        { room: 'kitchen', height: 1032 },
      ],
    },
  ],
  ['level-through', { most: 1080 }, { fits: false }],
  // 37 off and 80 on one side, 20 off and 12.5 on the other: 35.5 lost over 4.1 m.
  ['lining', {}, { gain: -35.5, width: 2804.5, area: -0.14555, wideEnough: true }],
  ['lining', { offLeft: [120], onLeft: [], leastWidth: 3000 }, { gain: 127.5, wideEnough: false }],
  ['lining', { offLeft: [], onLeft: [], offRight: [], onRight: [] }, { gain: 0, width: 2840 }],
  ['window-well', {}, { area: 1.14, passes: true, ladder: true }],
  ['window-well', { projection: 900, depth: 1000 }, { passes: false, ladder: false }],
  // 50 days for the first 50 mm and two a mm for the rest.
  ['dry-time', {}, { days: 80, readyOn: '2027-06-03' }],
  ['dry-time', { cold: 'cold' }, { days: 160 }],
  ['dry-time', { of: 'two-coat', thickness: 15 }, { days: 11 }],
  ['dry-time', { of: 'joint' }, { days: 1, readyOn: '2027-03-16' }],
  // 3.9 m³ of room at 1.1 a day: three days, full on Friday, called for two before.
  ['bin-swap', {}, { daysLeft: 3, fullOn: '2027-03-12', callBy: '2027-03-10' }],
  ['bin-swap', { filled: 1 }, { daysLeft: 0, fullOn: '2027-03-09', callBy: '2027-03-09' }],
  [
    'bin-swap',
    { filled: 0, perDay: 1, noticeDays: 0, today: '2027-03-08' },
    { fullOn: '2027-03-14', callBy: '2027-03-12' },
  ],
  ['fill-back', {}, { may: 'no' }],
  ['fill-back', { bears: false }, { may: 'yes' }],
  ['fill-back', { fill: 'stone' }, { may: 'yes' }],
  ['fill-back', { fill: 'swelling', bears: false }, { may: 'no' }],
  ['fill-back', { fill: 'stone', drawing: true }, { may: 'only engineered fill, tested' }],
  // From the ground to the first step is a riser too, and from the last to the floor.
  [
    'levels',
    {
      marks: [
        { name: 'ground', kind: 'ground', level: -24 * 25.4 },
        { name: 'first', kind: 'step', level: -14 * 25.4 },
        { name: 'second', kind: 'step', level: -7 * 25.4 },
        { name: 'floor', kind: 'floor', level: 0 },
      ],
    },
    { ok: false },
  ],
  ['drain-run', { legs: [{ length: 5000, fall: 0 }] }, { gravity: false, tooFlat: ['leg 1: level'] }],
  ['drain-run', { legs: [{ length: 5000, fall: 0.001 }] }, { gravity: false }],
  ['drain-run', { pipe: 50, legs: [{ length: 5000, fall: 0.0125 }] }, { gravity: false }],
  ['levels', {}, { ok: false, range: 540 }],
  [
    'levels',
    {
      marks: [
        { name: 'floor', kind: 'floor', level: 0 },
        { name: 'yard', kind: 'ground', level: -200 },
      ],
    },
    { ok: true, problems: [] },
  ],
  [
    'levels',
    {
      marks: [
        { name: 'floor', kind: 'floor', level: 0 },
        { name: 'yard', kind: 'ground', level: 40 },
      ],
    },
    { problems: ['Yard is 40 mm above floor; it should be 150 mm below.'] },
  ],
  [
    'levels',
    { marks: [0, 170, 345].map((level, index) => ({ name: `s${index}`, kind: 'step', level })), stepsAlike: 4 },
    { problems: ['The steps differ by more than 4 mm, the first and the last among them: from 170 mm to 175 mm.'] },
  ],
  [
    'levels',
    {
      marks: [
        { name: 'drain', kind: 'invert', level: -800 },
        { name: 'footing', kind: 'footing', level: -600 },
      ],
    },
    {
      problems: [
        'Drain lies under footing: digging for it can take away what the footing stands on; ask the engineer.',
      ],
    },
  ],
  // The larger handle and the play; what a blind cabinet leaves open beside its neighbour.
  ['corner', {}, { fillerNeeded: 50, fillerOk: true, reach: 500, pullOut: 40, switchOk: true }],
  ['corner', { filler: 40 }, { fillerOk: false }],
  ['corner', { switchAt: 690 }, { switchOk: false }],
  ['niche', {}, { spareWidth: 15, spareHeight: 15, spareDepth: 0, fits: true, opens: true }],
  ['niche', { airTop: 50, free: 600 }, { spareHeight: -10, fits: false, opens: false }],
  ['guards', { drop: 762 }, { guardNeeded: false, guardOk: true }],
  ['guards', { drop: 763, guardHeight: 900 }, { guardNeeded: true, guardOk: false }],
  ['guards', { risers: 4, handrailHeight: 970 }, { handrailNeeded: true, handrailOk: false }],
  ['escape-window', { rules: 'us-model', clearHeight: 950, clearWidth: 560, sill: 1000 }, { passes: true }],
  ['escape-window', { rules: 'us-model', clearHeight: 940, clearWidth: 560, gradeFloor: false }, { fails: ['area'] }],
  ['escape-window', { rules: 'us-model', clearHeight: 940, clearWidth: 560, gradeFloor: true }, { passes: true }],
  ['escape-window', { clearWidth: 440, sill: 1110 }, { passes: false, fails: ['width', 'sill'] }],
  ['vent-duct', {}, { ok: true, smallestDiameterIn: 6 }],
  ['vent-duct', { elbows: 12 }, { ok: false, smallestDiameterIn: 7 }],
  ['vent-duct', { flowCfm: 300, duct: 'flex', straightFt: 200 }, { ok: false, smallestDiameterIn: null }],
  ['drain-run', {}, { inverts: [-1240, -1085, -932.5], gravity: true, shortBy: 0 }],
  ['drain-run', { headMaxInvert: -1000 }, { gravity: false, shortBy: 67.5 }],
  ['flush', {}, { packer: 4, pack: 'right' }],
  ['flush', { left: [18, 3] }, { packer: 0, pack: 'none' }],
  ['bulkhead', {}, { drop: 247.5, finishedHeight: 2232.5, rungs: 8, clears: true }],
  // 3640 less 3500, shared by two ends.
  ['cabinet-run', {}, { gap: 140, filler: 70, fits: true }],
  ['cabinet-run', { rightEnd: 'open' }, { filler: 140, fits: false }],
  ['cabinet-run', { items: [2000, 2000], leftEnd: 'open', rightEnd: 'open' }, { gap: -360, fits: false }],
];

describe('whether it fits', () => {
  it.each(CASES)('%s with %j', (name, over, expected) => {
    const outcome = calculate(name, { ...calculatorNamed(name)?.example, ...over });
    expect(outcome.ok ? outcome.value : outcome.problem).toMatchObject(
      Object.fromEntries(
        Object.entries(expected).map(([key, value]) => [
          key,
          typeof value === 'number' ? (expect.closeTo(value, 6) as unknown) : value,
        ]),
      ),
    );
  });

  it.each<[string, Record<string, unknown>, string]>([
    [
      'levels',
      {
        marks: [
          { name: 'a', kind: 'floor', level: 0 },
          { name: 'a', kind: 'ground', level: -200 },
        ],
      },
      'marks[1].name',
    ],
    ['vent-duct', { diameterIn: 4.5 }, 'diameterIn'],
    ['vent-duct', { flowCfm: 301 }, 'flowCfm'],
    ['trench', { pipeDiameter: 600 }, 'width'],
    ['trench', { depthStart: 200, depthEnd: 200 }, 'depthStart'],
    ['plank-cladding', { overlap: 180 }, 'overlap'],
    ['course-layout', { minExposure: 200 }, 'minExposure'],
    ['base-strip', { stripHeight: 1300 }, 'stripHeight'],
    ['rebar', { lap: 6000 }, 'lap'],
    ['wall-area', { deduct: 'large' }, 'largeFrom'],
    ['wall-area', { openings: [{ width: 9000, height: 9000, count: 2 }] }, 'openings'],
    ['cut-list', { pieces: [{ length: 5000, count: 1 }] }, 'pieces[0].length'],
  ])('%s refuses %j beside its field', (name, over, field) =>
    expect(calculate(name, { ...calculatorNamed(name)?.example, ...over })).toMatchObject({
      ok: false,
      problem: { field },
    }),
  );
});

describe('results in words', () => {
  it.each<[Parameters<typeof give>[0], unknown, string, string]>([
    ['length', 2248, '2248 mm', `7' 4 1/2"`],
    ['level', -95.25, '−95 mm', '−3 3/4"'],
    ['area', 12.345, '12.35 m²', '132.9 sq ft'],
    ['count', 7, '7', '7'],
    ['money', 123456, '1\u00a0234.56', '1\u00a0234.56'],
    ['flag', true, 'yes', 'yes'],
    ['fraction', 0.125, '12.5 %', '12.5 %'],
    ['levels', [-100, 50], '−100 mm → 50 mm', `−3 15/16" → 1 15/16"`],
    ['texts', [], 'nothing', 'nothing'],
    ['number', null, 'none', 'none'],
    ['mass', 1234.56, '1234.6 kg', '2721.7 lb'],
    ['day', '2027-03-09', 'Tue 9 Mar', 'Tue 9 Mar'],
  ])('%s %j', (kind, value, metric, imperial) => {
    expect(sayResult(give(kind, 'it'), value, 'metric')).toBe(metric);
    expect(sayResult(give(kind, 'it'), value, 'imperial')).toBe(imperial);
  });

  it('name the main figures of an answer', () => {
    const drain = calculatorNamed('drain-run');
    const outcome = drain?.run(drain.example);
    expect(drain && outcome?.ok ? sayAnswer(drain, outcome.value, 'metric') : '').toBe(
      'inverts −1240 mm → −1085 mm → −933 mm, runs by gravity: yes',
    );
  });
});

describe('an answer that is a sentence', () => {
  it('says lengths as the job measures', () => {
    const { run, example } = calculatorNamed('levels')!;
    const told = (system: 'metric' | 'imperial'): string => JSON.stringify(run(example, system));
    expect(told('metric')).toMatch(/\d mm/);
    expect(told('imperial')).not.toMatch(/ mm/);
    expect(told('imperial')).toMatch(/in|\\"/);
  });
});
