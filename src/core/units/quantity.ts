import { answer, refuse, type Outcome } from '../problem';
import { plainSigns, readNumber, type NumberTerms } from './number';

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

const FOOT = 304.8;
const INCH = 25.4;
const SQUARE_FOOT = 0.09290304;
const CUBIC_FOOT = 0.028316846592;
const POUND = 0.45359237;
const GALLON = 3.785411784;
/** ft²·°F·h/BTU in m²K/W. */
const R_VALUE = 0.1761101838;

interface Unit {
  /** As it is written; the first way of typing it unless said. */
  name?: string;
  /** As it is typed, in small letters and plain signs. */
  typed: readonly string[];
  /** How much of the unit in which the kind is kept. */
  is: number;
  /** Parts of thousands are not written in it: `1,250` is a thousand and more. */
  whole?: true;
}

/** Units by kind. The figures are exact by definition (international foot and pound, US gallon) but for the R-value. */
type MeasuredKind = Exclude<QuantityKind, 'money' | 'count' | 'fall'>;
const UNITS: Record<MeasuredKind, readonly Unit[]> = {
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

const EXAMPLE: Record<QuantityKind, Record<UnitSystem, string>> = {
  length: { metric: '2248 mm or 2.248 m', imperial: `7' 4 1/2"` },
  area: { metric: '46 m² or 2.4 x 5 m', imperial: `500 sq ft or 48' x 8'` },
  volume: { metric: '3.5 m³', imperial: '12 yd³' },
  liquid: { metric: '10 L', imperial: '2 gal' },
  mass: { metric: '332 kg', imperial: '730 lb' },
  money: { metric: '1240.50', imperial: '1,240.50' },
  count: { metric: '12', imperial: '12' },
  fall: { metric: '1:80 or 1.25 %', imperial: '1/4 in per ft or 2 %' },
  resistance: { metric: '2.58 m²K/W', imperial: 'R-19' },
  density: { metric: '560 kg/m³', imperial: '35 lb/ft³' },
  coverage: { metric: '10 m²/L', imperial: '350 sq ft/gal' },
  airflow: { metric: '190 m³/h', imperial: '110 cfm' },
  conductivity: { metric: '0.035 W/mK', imperial: '0.24 BTU·in/h·ft²·°F' },
  transmittance: { metric: '0.3 W/m²K', imperial: '0.05 BTU/h·ft²·°F' },
};

const NAMES: Record<QuantityKind, string> = {
  length: 'a length',
  area: 'an area',
  volume: 'a volume',
  liquid: 'a volume',
  mass: 'a weight',
  money: 'a sum',
  count: 'a number of pieces',
  fall: 'a fall',
  resistance: 'a thermal resistance',
  density: 'a density',
  coverage: 'a coverage',
  airflow: 'an air flow',
  conductivity: 'a conductivity',
  transmittance: 'a transmittance',
};

/** More than this is a slip of the finger, in the unit in which it is kept. */
const MOST: Record<QuantityKind, number> = {
  length: 1_000_000,
  area: 1_000_000,
  volume: 1_000_000,
  liquid: 1_000_000,
  mass: 10_000_000,
  money: 1e11,
  count: 1_000_000,
  fall: 1,
  resistance: 100,
  density: 25_000,
  coverage: 1_000,
  airflow: 1_000_000,
  conductivity: 500,
  transmittance: 100,
};

export interface QuantityTerms {
  /** The unit that the field shows: a bare number is read in it. Nothing is guessed where none is shown. */
  shown?: string;
  /** Whether less than 0 can be meant. */
  signed?: boolean;
}

/**
 * Reads what was typed for a quantity, whichever system it is typed in.
 * @returns the value in the unit that its kind is kept in, not rounded; a problem for anything else: nothing is guessed or dropped
 */
export function readQuantity(
  kind: QuantityKind,
  text: string,
  system: UnitSystem,
  { shown, signed = false }: QuantityTerms = {},
): Outcome<number> {
  const plain = plainSigns(text).toLowerCase();
  const isUnder = signed && plain.startsWith('-');
  const read = READERS[kind](isUnder ? plain.slice(1).trim() : plain, { kind, system, shown });
  const no = (code: string, message: string): Outcome<number> => refuse({ code, message });
  if (read === undefined)
    return no(`${kind}-unreadable`, `“${text.trim()}” is not ${NAMES[kind]}; write it like ${EXAMPLE[kind][system]}.`);
  if (typeof read === 'string') return no(`${kind}-asked`, read);
  if (read > MOST[kind] || !Number.isFinite(read))
    return no(`${kind}-absurd`, `“${text.trim()}” is more than anything on a house; check the unit.`);
  return answer(isUnder ? -read : read);
}

interface Typed {
  kind: QuantityKind;
  system: UnitSystem;
  shown: string | undefined;
}
/** A value, a sentence that asks back, or nothing where it cannot be read. */
type Read = number | string | undefined;
type Reader = (text: string, typed: Typed) => Read;

/** `1,250 m`: said both ways, to be typed again. */
const askBack = (text: string, [thousand, decimal]: readonly [number, number]): string =>
  `“${text}” can be ${thousand} or ${decimal}; write ${thousand} or ${decimal}.`;

function numberOf(text: string, terms: NumberTerms): Read {
  const read = readNumber(text, terms);
  if (!read) return undefined;
  return 'ambiguous' in read ? askBack(text, read.ambiguous) : read.value;
}

const times = (read: Read, by: number): Read => (typeof read === 'number' ? read * by : read);

/** The number before a unit, or before nothing where the field shows its own. */
const measured: Reader = (text, { kind, system, shown }) => {
  const units = UNITS[kind as MeasuredKind];
  const found = unitAtEnd(text, units);
  if (found) {
    const { unit, rest } = found;
    return times(numberOf(rest, { commaIs: unit.whole ? 'thousands' : 'asked' }), unit.is);
  }
  const own = shown === undefined ? undefined : unitNamed(shown, units);
  const isThousands = own?.whole === true || system === 'imperial';
  return own && times(numberOf(text, { commaIs: isThousands ? 'thousands' : 'asked' }), own.is);
};

const unitNamed = (name: string, units: readonly Unit[]): Unit | undefined =>
  units.find(({ typed }) => typed.includes(name.toLowerCase()));

/** The longest unit that ends a text, and what stands before it. */
function unitAtEnd(text: string, units: readonly Unit[]): { unit: Unit; rest: string } | undefined {
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

/** Feet with inches and fractions of them, or one number with its unit. */
const length: Reader = (text, typed) => {
  const plain = text
    .replace(/\s*(?:feet|foot|ft)\b\.?/g, "'")
    .replace(/\s*(?:inches|inch|in)\b\.?/g, '"')
    .replace(/\s+(?=['"])/g, '');
  const both = /^([\d ,.]+)'[\s-]*(\d[\d ./-]*?)"?$/.exec(plain);
  if (both) {
    const [feet, inches] = [both[1], both[2]].map((part) => numberOf(part ?? '', { commaIs: 'thousands' }));
    if (typeof feet !== 'number' || typeof inches !== 'number' || inches >= 12) return undefined;
    // Parts of a foot are said in inches or in decimals, never both.
    return Number.isInteger(feet) ? (feet * 12 + inches) * INCH : undefined;
  }
  const metric = /^(\d+)\s*m\s*(\d{1,3})\s*(cm|mm)$/.exec(plain);
  if (metric) return Number(metric[1]) * 1000 + Number(metric[2]) * (metric[3] === 'cm' ? 10 : 1);
  return measured(plain, { ...typed, shown: typed.shown ?? OWN_UNIT[typed.system].length });
};

const BY = /\s*(?:[x×*]|\bby\b)\s*/;

/** A quantity in the unit in which somebody wrote it. */
export interface Written {
  value: number;
  unit: string;
}

/** What lines of work are measured in. */
const IN_LINES = ['area', 'volume', 'length', 'mass'] as const;

/**
 * Reads a quantity with its unit, and keeps it in that unit: `2,500 sq ft`, `12 yd³`, `48' x 8'` (384 sq ft).
 * @returns nothing where there is no number with a unit of work; a problem where the number cannot be meant
 */
export function readWritten(text: string): Outcome<Written> | undefined {
  const plain = plainSigns(text).toLowerCase();
  const no = (message: string): Outcome<Written> => refuse({ code: 'quantity-unread', message });
  if (BY.test(plain)) {
    const isImperial = /['"]|\b(?:ft|feet|foot|in|inch|inches|yd|yards?)\b/.test(plain);
    const area = readQuantity('area', plain, isImperial ? 'imperial' : 'metric');
    if (!area.ok) return area.problem.code === 'area-asked' ? no(area.problem.message) : undefined;
    return answer({
      value: Number((isImperial ? area.value / SQUARE_FOOT : area.value).toPrecision(8)),
      unit: isImperial ? 'sq ft' : 'm²',
    });
  }
  const bothFeet = /^\d[\d ,]*'[\s-]*\d/.test(plain) ? readQuantity('length', plain, 'imperial') : undefined;
  if (bothFeet?.ok) return answer({ value: Number((bothFeet.value / FOOT).toPrecision(8)), unit: 'ft' });
  for (const kind of IN_LINES) {
    const found = unitAtEnd(plain, UNITS[kind]);
    if (!found) continue;
    const { unit, rest } = found;
    const value = numberOf(rest, { commaIs: unit.whole ? 'thousands' : 'asked' });
    if (typeof value === 'string') return no(value);
    if (value !== undefined) return answer({ value, unit: unit.name ?? unit.typed[0] ?? '' });
  }
  return undefined;
}

/** Lengths multiplied, `48' x 8'`; a part without a unit takes the one after it. Else a number with its unit. */
const product =
  (parts: 2 | 3): Reader =>
  (text, typed) => {
    const sides = text.split(BY);
    if (sides.length === 1) return measured(text, typed);
    if (sides.length !== parts || sides.some((side) => side === '')) return undefined;
    const last = unitAtEnd(sides.at(-1) ?? '', UNITS.length);
    if (!last && !/['"]/.test(sides.at(-1) ?? '')) return undefined;
    const shown = last?.unit.typed[0];
    let whole = 1;
    for (const side of sides) {
      const read = length(side, { ...typed, kind: 'length', shown });
      if (typeof read !== 'number') return read;
      whole *= read / 1000;
    }
    return whole;
  };

const CURRENCY = /^(?:[$€£¥¤]|usd|eur|gbp)\s*|\s*(?:[$€£¥¤]|usd|eur|gbp)$/g;

/** A ton is what it is where one builds: 2000 lb in feet and inches, 1000 kg elsewhere. */
const mass: Reader = (text, typed) => {
  const tons = /^(.+?)\s*tons?$/.exec(text);
  return tons && !/(?:metric|short|us)$/.test(tons[1] ?? '')
    ? measured(`${tons[1]} ${typed.system === 'imperial' ? 'short tons' : 'tonnes'}`, typed)
    : measured(text, typed);
};

/** A sum with at most two decimals. Where thousands are parted by commas, a comma is no decimal mark. */
const money: Reader = (text, { system }) => {
  const sum = text.replace(CURRENCY, '');
  if (system === 'imperial' && /,\d{1,2}$/.test(sum)) return undefined;
  // Nobody writes a third of a cent: three figures after a point are thousands, or a slip.
  const point = /^(\d{1,3})\.(\d{3})$/.exec(sum);
  if (point) return askBack(sum, [Number(`${point[1]}${point[2]}`), Number(sum)]);
  const value = numberOf(sum, { commaIs: 'thousands' });
  if (typeof value !== 'number' || /\//.test(sum)) return undefined;
  const minor = Math.round(value * 100);
  return Math.abs(minor - value * 100) < 1e-6 ? minor : undefined;
};

const DOZENS: Readonly<Record<string, number>> = {
  'half a dozen': 6,
  dozen: 12,
  'a dozen': 12,
  'one dozen': 12,
  'two dozen': 24,
  'three dozen': 36,
  'four dozen': 48,
  'five dozen': 60,
};
const PIECES = /^x\s*|\s*(?:x|pieces?|pcs?|ea(?:ch)?|nr|no|off|units?)\.?$/g;

const count: Reader = (text) => {
  const dozens = DOZENS[text] ?? dozensOf(text);
  if (dozens !== undefined) return dozens;
  const value = numberOf(text.replace(PIECES, ''), { commaIs: 'thousands' });
  return typeof value === 'number' && Number.isInteger(value) ? value : undefined;
};

function dozensOf(text: string): number | undefined {
  const found = /^(\d+)\s*(?:dozen|doz)\.?$/.exec(text);
  return found ? 12 * Number(found[1]) : undefined;
}

/** `1:80`, `1 in 40`, `2 %`, `1/4 in per ft`, `12 mm/m`; 0 is level. */
const fall: Reader = (text, { system, shown }) => {
  const level = /^0(?:[.,]0+)?\s*%?$/.test(text);
  if (level) return 0;
  const ratio = /^1\s*(?::|in)\s*([\d.,]+)$/.exec(text);
  if (ratio) {
    const run = numberOf(ratio[1] ?? '', { commaIs: 'thousands' });
    return typeof run === 'number' && run > 0 ? 1 / run : undefined;
  }
  const percent = /^(.+?)\s*(?:%|per ?cent|percent)$/.exec(text);
  if (percent) return times(numberOf(percent[1] ?? '', { commaIs: 'decimals' }), 0.01);
  const per = /^(.+?)\s*(?:\/|\bper\b|\bto the\b)\s*(foot|ft|feet|'|m|metre|meter)$/.exec(text);
  if (per) {
    const rise = length(per[1] ?? '', { kind: 'length', system, shown: undefined });
    return times(rise, 1 / (/^m/.test(per[2] ?? '') ? 1000 : FOOT));
  }
  // A part of the whole, as a calculator shows it.
  if (shown === undefined && /^0?\.\d+$/.test(text)) return Number(text);
  return shown === '%' ? times(numberOf(text, { commaIs: 'decimals' }), 0.01) : undefined;
};

/** `R-19`, `19 R`, `RSI 2.58`, `2.58 m²K/W`. */
const resistance: Reader = (text, typed) => {
  const before = /^(rsi|r)[\s-]*([\d.,/ ]+)$/.exec(text);
  return before ? measured(`${before[2]} ${before[1]}`, typed) : measured(text, typed);
};

const READERS: Record<QuantityKind, Reader> = {
  length,
  area: product(2),
  volume: product(3),
  liquid: measured,
  mass,
  money,
  count,
  fall,
  resistance,
  density: measured,
  coverage: measured,
  airflow: measured,
  conductivity: measured,
  transmittance: measured,
};

/** Figures after the point that are worth reading, in the job's own unit. */
const DIGITS: Record<UnitSystem, Record<MeasuredKind, number>> = {
  metric: {
    length: 0,
    area: 2,
    volume: 3,
    liquid: 2,
    mass: 1,
    resistance: 2,
    density: 0,
    coverage: 1,
    airflow: 0,
    conductivity: 3,
    transmittance: 3,
  },
  imperial: {
    length: 2,
    area: 1,
    volume: 2,
    liquid: 2,
    mass: 1,
    resistance: 1,
    density: 1,
    coverage: 0,
    airflow: 0,
    conductivity: 3,
    transmittance: 3,
  },
};

/** A figure without needless noughts; from 100 on with at most one after the point. */
export const figure = (value: number, digits: number): string =>
  String(Number(value.toFixed(Math.abs(value) >= 100 ? Math.min(1, digits) : digits)));

/** A kept value in the job's own unit, or in another of its kind, as a number. */
export const inOwnUnit = (
  kind: MeasuredKind,
  value: number,
  system: UnitSystem,
  unit: string = OWN_UNIT[system][kind],
): number => value / (unitNamed(unit, UNITS[kind])?.is ?? 1);

/** Writes a kept value as the job measures: `46 m²`, `495.1 sq ft`, `R-19`. Lengths have `formatLength`. */
export function formatQuantity(kind: Exclude<MeasuredKind, 'length'>, value: number, system: UnitSystem): string {
  const text = figure(inOwnUnit(kind, value, system), DIGITS[system][kind]);
  const unit = OWN_UNIT[system][kind];
  return unit === 'R' ? `R-${text}` : `${text} ${unit}`;
}
