import { answer, refuse, type Outcome } from '../problem';
import { eitherOf, plainSigns, readNumber, type NumberTerms } from './number';
import {
  FOOT,
  INCH,
  OWN_UNIT,
  unitAtEnd,
  unitNamed,
  UNITS,
  type MeasuredKind,
  type QuantityKind,
  type UnitSystem,
} from './units';

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
export type Read = number | string | undefined;
type Reader = (text: string, typed: Typed) => Read;

/** A number without its unit; the sentence that asks back where it can be two. */
export function numberOf(text: string, terms: NumberTerms): Read {
  const read = readNumber(text, terms);
  if (!read) return undefined;
  return 'ambiguous' in read ? eitherOf(text, read.ambiguous) : read.value;
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

/** Between the sides of an area or a volume. */
export const BY = /\s*(?:[x×*]|\bby\b)\s*/;

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
  if (point) return eitherOf(sum, [Number(`${point[1]}${point[2]}`), Number(sum)]);
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
