/** How the job measures. Both systems are understood wherever one types. */
export type UnitSystem = 'metric' | 'imperial';

/** What can be measured; each is kept in one unit, whichever it is typed in. */
export type QuantityKind =
  /** mm, m², m³, kg */
  | 'length'
  | 'area'
  | 'volume'
  | 'mass'
  /** Integer minor units. */
  | 'money'
  | 'count'
  /** Height by length. */
  | 'fall'
  /** Thermal resistance, m²K/W; conductivity, W/mK; transmittance of a built wall, W/m²K. */
  | 'resistance'
  | 'conductivity'
  | 'transmittance'
  /** kg/m³ */
  | 'density'
  /** What a can of paint covers, m²/L; what can be poured, L. */
  | 'coverage'
  | 'liquid'
  /** m³/h */
  | 'airflow';

export const FOOT = 304.8;
export const INCH = 25.4;
export const SQUARE_FOOT = 0.09290304;
const CUBIC_FOOT = 0.028316846592;
const POUND = 0.45359237;
const GALLON = 3.785411784;
/** ft²·°F·h/BTU in m²K/W. */
const R_VALUE = 0.1761101838;

export interface Unit {
  /** As it is written; the first way of typing it unless said. */
  name?: string;
  /** As it is typed, in small letters and plain signs. */
  typed: readonly string[];
  /** How much of the unit in which the kind is kept. */
  is: number;
  /** Parts of thousands are not written in it: `1,250` is a thousand and more. */
  whole?: true;
}

/** What has units of its own. */
export type MeasuredKind = Exclude<QuantityKind, 'money' | 'count' | 'fall'>;

/** Units by kind. The figures are exact by definition (international foot and pound, US gallon) but for the R-value. */
export const UNITS: Record<MeasuredKind, readonly Unit[]> = {
  length: [
    { typed: ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], is: 1, whole: true },
    { typed: ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'], is: 10 },
    { typed: ['m', 'metre', 'metres', 'meter', 'meters', 'lm', 'rm', 'running metres', 'running meters'], is: 1000 },
    { typed: ['km'], is: 1_000_000 },
    {
      name: 'ft',
      typed: [
        "'",
        'ft',
        'feet',
        'foot',
        'lf',
        'lin ft',
        'lineal feet',
        'linear feet',
        'linear ft',
        'running feet',
        'rf',
      ],
      is: FOOT,
      whole: true,
    },
    { name: 'in', typed: ['"', 'in', 'inch', 'inches'], is: INCH, whole: true },
    { typed: ['yd', 'yds', 'yard', 'yards'], is: 3 * FOOT, whole: true },
  ],
  area: [
    {
      typed: ['m²', 'm2', 'sqm', 'sq m', 'square m', 'square metre', 'square metres', 'square meter', 'square meters'],
      is: 1,
    },
    {
      name: 'sq ft',
      typed: ['ft²', 'ft2', 'sf', 'sqft', 'sq ft', 'sq feet', 'square ft', 'square foot', 'square feet'],
      is: SQUARE_FOOT,
      whole: true,
    },
    { typed: ['in²', 'in2', 'sq in', 'square inches'], is: SQUARE_FOOT / 144, whole: true },
    { typed: ['yd²', 'yd2', 'sy', 'sq yd', 'sq yds', 'square yard', 'square yards'], is: 9 * SQUARE_FOOT, whole: true },
    { name: 'squares', typed: ['square', 'squares', 'sq', 'sqs'], is: 100 * SQUARE_FOOT, whole: true },
    { typed: ['cm²', 'cm2'], is: 1e-4 },
    { typed: ['ha', 'hectare', 'hectares'], is: 10_000 },
  ],
  volume: [
    { typed: ['m³', 'm3', 'cbm', 'cu m', 'cubic metre', 'cubic metres', 'cubic meter', 'cubic meters'], is: 1 },
    {
      typed: ['yd³', 'yd3', 'cy', 'cyd', 'cu yd', 'cu yds', 'cubic yard', 'cubic yards', 'yard', 'yards', 'yd', 'yds'],
      is: 27 * CUBIC_FOOT,
      whole: true,
    },
    { typed: ['ft³', 'ft3', 'cf', 'cu ft', 'cubic foot', 'cubic feet'], is: CUBIC_FOOT, whole: true },
    { name: 'L', typed: ['l', 'litre', 'litres', 'liter', 'liters'], is: 0.001 },
    { typed: ['gal', 'gallon', 'gallons'], is: GALLON / 1000, whole: true },
  ],
  liquid: [
    { typed: ['l', 'litre', 'litres', 'liter', 'liters'], is: 1 },
    { typed: ['ml'], is: 0.001, whole: true },
    { typed: ['gal', 'gallon', 'gallons'], is: GALLON, whole: true },
    { typed: ['qt', 'quart', 'quarts'], is: GALLON / 4, whole: true },
    { typed: ['pt', 'pint', 'pints'], is: GALLON / 8, whole: true },
    { typed: ['fl oz'], is: GALLON / 128, whole: true },
    { typed: ['m³', 'm3'], is: 1000 },
  ],
  mass: [
    { typed: ['kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms'], is: 1 },
    { typed: ['g', 'gram', 'grams'], is: 0.001, whole: true },
    { typed: ['t', 'tonne', 'tonnes', 'metric ton', 'metric tons'], is: 1000 },
    { typed: ['lb', 'lbs', 'pound', 'pounds', '#'], is: POUND, whole: true },
    { typed: ['oz', 'ounce', 'ounces'], is: POUND / 16, whole: true },
    { typed: ['short ton', 'short tons', 'us ton', 'us tons'], is: 2000 * POUND, whole: true },
  ],
  resistance: [
    { typed: ['m²k/w', 'm2k/w', 'm² k/w', 'm2 k/w', 'rsi'], is: 1 },
    { typed: ['r', 'r-value', 'ft²·°f·h/btu', 'ft2 f h/btu'], is: R_VALUE, whole: true },
  ],
  density: [
    { typed: ['kg/m³', 'kg/m3'], is: 1 },
    { typed: ['lb/ft³', 'lb/ft3', 'lbs/ft3', 'lbs/ft³', 'pcf', 'lb/cu ft'], is: POUND / CUBIC_FOOT, whole: true },
    { typed: ['g/cm³', 'g/cm3', 't/m³', 't/m3'], is: 1000 },
  ],
  airflow: [
    { typed: ['m³/h', 'm3/h', 'cmh'], is: 1 },
    { typed: ['l/s'], is: 3.6 },
    { typed: ['cfm', 'ft³/min', 'ft3/min', 'cu ft per minute'], is: 1.699010796, whole: true },
  ],
  conductivity: [
    { typed: ['w/mk', 'w/(mk)', 'w/m·k', 'w/m k'], is: 1 },
    { typed: ['btu·in/h·ft²·°f', 'btu in/h ft2 f'], is: 0.1442278889, whole: true },
  ],
  transmittance: [
    { typed: ['w/m²k', 'w/m2k', 'w/(m²k)', 'w/m²·k'], is: 1 },
    { typed: ['btu/h·ft²·°f', 'btu/h ft2 f'], is: 5.678263341, whole: true },
  ],
  coverage: [
    { typed: ['m²/l', 'm2/l', 'm² per l', 'm2 per l', 'm² per litre', 'm2 per litre'], is: 1 },
    {
      typed: ['sq ft/gal', 'ft²/gal', 'ft2/gal', 'sf/gal', 'sq ft per gal', 'sq ft per gallon', 'sqft/gal'],
      is: SQUARE_FOOT / GALLON,
      whole: true,
    },
  ],
};

/** What is read in a field that shows its unit, as a bare number; and what the job's own unit is where nothing is. */
export const OWN_UNIT: Record<UnitSystem, Record<MeasuredKind, string>> = {
  metric: {
    length: 'mm',
    area: 'm²',
    volume: 'm³',
    liquid: 'L',
    mass: 'kg',
    resistance: 'm²K/W',
    density: 'kg/m³',
    coverage: 'm²/L',
    airflow: 'm³/h',
    conductivity: 'W/mK',
    transmittance: 'W/m²K',
  },
  imperial: {
    length: 'in',
    area: 'sq ft',
    volume: 'yd³',
    liquid: 'gal',
    mass: 'lb',
    resistance: 'R',
    density: 'lb/ft³',
    coverage: 'sq ft/gal',
    airflow: 'cfm',
    conductivity: 'BTU·in/h·ft²·°F',
    transmittance: 'BTU/h·ft²·°F',
  },
};

/** The unit of a name, however it is written. */
export const unitNamed = (name: string, units: readonly Unit[]): Unit | undefined =>
  units.find(({ typed }) => typed.includes(name.toLowerCase()));

/** The longest unit that ends a text, and what stands before it. */
export function unitAtEnd(text: string, units: readonly Unit[]): { unit: Unit; rest: string } | undefined {
  let best: { unit: Unit; rest: string; length: number } | undefined;
  const plain = text.replace(/\.$/, '');
  for (const unit of units)
    for (const typed of unit.typed) {
      // A small two above the line is a plain two by now.
      const name = typed.normalize('NFKC');
      if (plain.endsWith(name) && name.length > (best?.length ?? 0)) {
        const rest = plain.slice(0, -name.length).trim();
        // A unit of letters does not end a longer word: “7 apples” is no 7 l, e and s.
        if (rest !== '' && (!/\p{L}$/u.test(rest) || /[^\p{L}]/u.test(name.charAt(0))))
          best = { unit, rest, length: name.length };
      }
    }
  return best;
}

const COUNTED = new Set(
  [
    '',
    'piece',
    'pieces',
    'pc',
    'pcs',
    'no',
    'each',
    'ea',
    'item',
    'items',
    'pack',
    'packs',
    'box',
    'boxes',
    'bag',
  ].concat([
    'bags',
    'sheet',
    'sheets',
    'board',
    'boards',
    'can',
    'cans',
    'roll',
    'rolls',
    'pair',
    'pairs',
    'set',
    'sets',
  ]),
);

/** Whether a unit counts things, of which there is no half; without a unit things are counted. */
export const isCounted = (unit: string): boolean => COUNTED.has(unit.trim().toLowerCase());
