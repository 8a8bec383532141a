import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseLength } from '../units/length';
import { isAsk, type Ask, type Asks } from './ask';
import type { AnyCalculator } from './calculator';
import { calculate, CALCULATORS } from './registry';

type Input = Record<string, unknown>;
type Path = (string | number)[];

const given = (calculator: AnyCalculator, input: unknown): Input => {
  const outcome = calculator.run(input);
  if (!outcome.ok)
    throw new Error(`${calculator.name}: ${JSON.stringify(outcome.problem)} for ${JSON.stringify(input)}`);
  return outcome.value;
};

/** Every figure of an input, with how it is asked for. */
function figures(asks: Asks, input: Input, at: Path = []): { path: Path; ask: Ask<unknown>; value: number }[] {
  return Object.entries(asks).flatMap(([name, ask]) => figure(ask, input[name], [...at, name]));
}

function figure(ask: Ask<unknown>, value: unknown, path: Path): { path: Path; ask: Ask<unknown>; value: number }[] {
  if (typeof value === 'number') return [{ path, ask, value }];
  if (!Array.isArray(value)) return [];
  return value.flatMap((line: unknown, index) => {
    const of = ask.kind === 'variants' ? ask.variants?.[(line as { kind: string }).kind] : ask.of;
    if (!of) return [];
    return isAsk(of) ? figure(of, line, [...path, index]) : figures(of, line as Input, [...path, index]);
  });
}

function put(input: Input, path: Path, value: unknown): Input {
  const copy = structuredClone(input);
  const last = path.at(-1) ?? '';
  const parent = path
    .slice(0, -1)
    .reduce<Record<string | number, unknown>>((node, key) => node[key] as Record<string | number, unknown>, copy);
  parent[last] = value;
  return copy;
}

const each = CALCULATORS.map((calculator) => [calculator.name, calculator] as const);

describe('the list of calculators', () => {
  it('names none twice, and knows those it was built for', () => {
    const names = CALCULATORS.map((calculator) => calculator.name);
    expect(new Set(names).size).toBe(names.length);
    for (const name of [
      'parse-length',
      'wall-area',
      'cut-list',
      'paint-cans',
      'drain-run',
      'trips',
      'price-change',
      'escape-window',
    ])
      expect(names).toContain(name);
    expect(calculate('no-such', {})).toMatchObject({ ok: false, problem: { code: 'unknown-calculator' } });
  });

  it.each(each)('%s says what it gives for its example, where it comes from, and how', (_, calculator) => {
    const output = given(calculator, calculator.example);
    expect(Object.keys(output).filter((key) => !(key in calculator.gives))).toEqual([]);
    expect(Object.values(calculator.gives).some((give) => give.main)).toBe(true);
    expect(calculator.formula.length).toBeGreaterThan(5);
    expect(calculator.source.length).toBeGreaterThan(5);
    expect(Object.keys(calculator.example).sort()).toEqual(Object.keys(calculator.asks).sort());
  });
});

describe('bad input', () => {
  it.each(each)('%s refuses it, names the field, and never answers NaN', (_, calculator) => {
    for (const { path, ask } of figures(calculator.asks, calculator.example)) {
      for (const bad of [
        NaN,
        Infinity,
        'wide',
        null,
        ask.signed ? undefined : -1,
        ask.kind === 'length' ? 2e6 : 1e12,
      ]) {
        if (bad === undefined && ask.optional) continue;
        const outcome = calculator.run(put(calculator.example, path, bad));
        expect(outcome.ok, `${calculator.name} takes ${String(bad)} for ${path.join('.')}`).toBe(false);
        if (!outcome.ok) expect(outcome.problem.field).toContain(String(path[0]));
      }
    }
    for (const name of Object.keys(calculator.asks)) {
      if (!calculator.asks[name]?.optional)
        expect(
          calculator.run(put(calculator.example, [name], undefined)).ok,
          `${calculator.name} does without ${name}`,
        ).toBe(false);
    }
  });

  it('of any shape is a problem and never an exception', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CALCULATORS),
        fc.anything(),
        fc.dictionary(fc.string(), fc.anything()),
        (calculator, whole, parts) => {
          for (const input of [whole, parts, { ...calculator.example, ...parts }]) {
            const outcome = calculator.run(input);
            if (outcome.ok) expect(JSON.stringify(outcome.value)).not.toMatch(/null|NaN/);
          }
        },
      ),
      { numRuns: 400 },
    ));
});

/** What grows with what: `[calculator, input, outputs that never shrink, outputs that never grow]`. */
const GROWS: [string, string, string[], string[]?][] = [
  ['running-lengths', 'run', ['pieces']],
  ['lengths-over-area', 'area', ['pieces']],
  ['pieces', 'count', ['pieces']],
  ['wall-area', 'sections.0.width', ['gross', 'net']],
  ['wall-area', 'sections.1.gableRise', ['gross', 'net']],
  ['wall-area', 'openings.0.width', ['deducted'], ['net']],
  ['plank-cladding', 'netArea', ['planks']],
  ['plank-cladding', 'waste', ['planks']],
  ['plank-cladding', 'overlap', ['planks'], ['exposure']],
  ['plank-cladding', 'plankLength', [], ['planks']],
  ['course-layout', 'height', ['courses']],
  ['course-layout', 'maxExposure', [], ['courses']],
  ['sheets', 'area', ['sheets']],
  ['sheets', 'waste', ['sheets']],
  ['sheets', 'sheetWidth', [], ['sheets']],
  ['base-strip', 'length', ['sheets']],
  ['paint-cans', 'area', ['litres', 'cost']],
  ['paint-cans', 'coverage', [], ['litres', 'cost']],
  ['boxes', 'area', ['boxes']],
  ['boxes', 'waste', ['boxes']],
  ['boxes', 'perBox', [], ['boxes']],
  ['tiles', 'area', ['tiles']],
  ['tiles', 'waste', ['tiles']],
  ['tiles', 'joint', [], ['tiles']],
  ['stud-wall', 'length', ['studs', 'plateLength']],
  ['stud-wall', 'spacing', [], ['studs']],
  ['stud-wall', 'corners', ['studs']],
  ['opening-frame', 'roughWidth', ['headerLength', 'headerLineal']],
  ['opening-frame', 'plies', ['headerLineal']],
  ['fasteners', 'hangers', []],
  ['lift', 'length', ['mass', 'people']],
  ['lift', 'limitPerPerson', [], ['people']],
  ['concrete', 'shapes.0.thickness', ['volume', 'order', 'bags']],
  ['concrete', 'shapes.1.risers', ['volume']],
  ['concrete', 'waste', ['order', 'bags'], []],
  ['concrete', 'bagYield', [], ['bags']],
  ['rebar', 'runs.0.length', ['bars']],
  ['rebar', 'lap', ['bars']],
  ['footing-steps', 'overlap', ['volume', 'steel']],
  ['footing-steps', 'starters', [], ['uprights']],
  ['drain-fittings', 'legs.0.length', ['pipes', 'couplings', 'chambers']],
  ['drain-fittings', 'branches', ['junctions', 'couplings']],
  ['drain-fittings', 'chamberEvery', [], ['chambers']],
  ['spaced', 'length', ['count']],
  ['spaced', 'maxSpacing', [], ['count']],
  ['trench', 'length', ['excavated', 'bedding', 'away']],
  ['trench', 'depthEnd', ['excavated', 'backfill']],
  ['trench', 'bulking', ['loose', 'away']],
  ['bins', 'items.0.volume', ['volume', 'mass', 'bins']],
  ['bins', 'binVolume', [], ['bins']],
  ['bin-swap', 'perDay', [], ['daysLeft']],
  ['dry-time', 'thickness', ['days']],
  ['drain-run', 'legs.0.length', ['shortBy']],
  ['drain-run', 'headMaxInvert', ['shortBy']],
  ['thermal', 'layers.0.thickness', ['resistance'], ['transmittance']],
  ['roof', 'planArea', ['area', 'bundles']],
  ['roof', 'riseIn12', ['factor', 'area', 'bundles']],
  ['roof', 'waste', ['bundles']],
  ['roof-edges', 'riseIn12', ['verge', 'hip', 'caps']],
  ['roof-edges', 'lap', ['caps', 'valleyPieces', 'eavesPieces']],
  ['roof-edges', 'piece', [], ['caps', 'valleyPieces', 'eavesPieces']],
  ['repointing', 'area', ['jointLength', 'days']],
  ['repointing', 'perDay', [], ['days']],
  ['salvage', 'newArea', ['needed', 'buy'], ['spare']],
  ['salvage', 'recovery', ['recovered'], ['buy']],
  ['salvage', 'waste', ['needed', 'buy']],
  ['bulkhead', 'obstructionDrop', ['drop', 'boardArea'], ['finishedHeight']],
  ['guards', 'drop', []],
  ['escape-window', 'clearWidth', ['area']],
  ['cabinet-run', 'wall', ['gap', 'filler']],
  ['window-well', 'width', ['area']],
  ['door-passage', 'leafWidth', ['passage']],
  ['door-passage', 'stop', [], ['passage']],
  ['sliding-opening', 'leafWidth', ['rough', 'shortBy']],
  ['stairs', 'totalRise', ['risers', 'flight']],
  ['stairs', 'maxRise', [], ['risers']],
  ['get-in', 'mass', ['people', 'hours']],
  ['get-in', 'ways.1.before', ['longest'], ['pieces']],
  ['get-in', 'carry', ['hours']],
  ['furniture', 'roomWidth', ['beside']],
  ['furniture', 'width', [], ['beside']],
  ['lining', 'offLeft.0', ['gain', 'width']],
  ['lining', 'onLeft.0', [], ['gain', 'width']],
  ['corner', 'handleHere', ['fillerNeeded']],
  ['niche', 'airSides', [], ['spareWidth']],
  ['counter-heights', 'worktop', ['counter', 'splashTop'], ['gap']],
  ['remaining-work', 'duration', ['halfDays']],
  ['remaining-work', 'done', [], ['halfDays']],
  ['price-change', 'lines.0.quantity', ['net', 'markup', 'tax', 'total']],
  ['price-change', 'markup', ['total']],
  ['trips', 'tripCost', ['cost']],
  ['trips', 'waitCost', ['cost']],
  ['trips', 'perTrip', [], ['cost']],
  ['cut-list', 'pieces.0.count', ['purchased']],
  ['cut-list', 'kerf', ['bound']],
  ['staggered-wall', 'length', []],
  ['order-by', 'leadDays', [], ['orderBy']],
  ['order-by', 'bufferDays', [], ['orderBy']],
  ['format-length', 'mm', []],
  ['levels', 'footingBelowGround', []],
  ['level-through', 'level', []],
  ['flush', 'left.0', []],
];

describe('more of one thing', () => {
  it('is looked at for every calculator that counts anything', () => {
    const looked = new Set(GROWS.map(([name]) => name));
    expect(CALCULATORS.map((calculator) => calculator.name).filter((name) => !looked.has(name))).toEqual(
      ['vent-duct', 'fill-back', 'parse-length'].sort(
        (a, b) =>
          CALCULATORS.findIndex((calculator) => calculator.name === a) -
          CALCULATORS.findIndex((calculator) => calculator.name === b),
      ),
    );
  });

  it.each(GROWS)('%s: more %s', (name, at, grows, shrinks = []) => {
    const calculator = CALCULATORS.find((anyCalculator) => anyCalculator.name === name)!;
    const path = at.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key));
    const { value, ask } = figures(calculator.asks, calculator.example).find((entry) => entry.path.join('.') === at)!;
    const whole = ask.kind === 'count' || ask.kind === 'money';
    const scaled = (by: number): number =>
      whole ? Math.round(value * by) : ask.kind === 'fraction' ? Math.min(1, value * by) : value * by;
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1.8, noNaN: true }),
        fc.double({ min: 1, max: 1.8, noNaN: true }),
        (entry, other) => {
          const [less, more] = [
            calculator.run(put(calculator.example, path, scaled(Math.min(entry, other)))),
            calculator.run(put(calculator.example, path, scaled(Math.max(entry, other)))),
          ];
          // What no longer fits at all is refused; what is refused with more may not be given with less of it the wrong
          // way round.
          if (!less.ok || !more.ok) return;
          for (const key of grows)
            expect(Number(more.value[key]), key).toBeGreaterThanOrEqual(Number(less.value[key]) - 1e-9);
          for (const key of shrinks) {
            if (typeof less.value[key] === 'string')
              expect((more.value[key] as string) <= less.value[key], key).toBe(true);
            else expect(Number(more.value[key]), key).toBeLessThanOrEqual(Number(less.value[key]) + 1e-9);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('units', () => {
  it.each(each)('%s answers the same for lengths typed in inches', (_, calculator) => {
    const typed = figures(calculator.asks, calculator.example)
      .filter(({ ask }) => ask.kind === 'length')
      .reduce<Input>((input, { path, value }) => {
        const back = parseLength(`${(Math.abs(value) / 25.4).toFixed(13)}"`, 'imperial');
        if (!back.ok) throw new Error(back.problem.message);
        return put(input, path, Math.sign(value) * back.value);
      }, calculator.example);
    const [metric, imperial] = [given(calculator, calculator.example), given(calculator, typed)];
    for (const [key, value] of Object.entries(metric))
      if (typeof value === 'number')
        expect(Math.abs(Number(imperial[key]) - value), key).toBeLessThanOrEqual(Math.max(1, Math.abs(value)) * 1e-9);
  });
});

describe('purchases', () => {
  it.each(each.filter(([, one]) => one.purchases(given(one, one.example), one.example).length > 0))(
    'of %s are whole packs of something that is named',
    (_, calculator) => {
      for (const { what, quantity, unit } of calculator.purchases(
        given(calculator, calculator.example),
        calculator.example,
      )) {
        expect(what.length).toBeGreaterThan(3);
        expect(quantity).toBeGreaterThan(0);
        if (!/^m[³]?$/.test(unit)) expect(Number.isInteger(quantity)).toBe(true);
      }
    },
  );
});
