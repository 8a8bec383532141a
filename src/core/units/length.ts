import { answer, refuse, type Outcome } from '../problem';

/**
 * Lengths as people on site write them.
 *
 * | form | example | reads as |
 * |---|---|---|
 * | feet, inches, fraction | `7' 4 1/2"`, `7'-4 1/2"`, `7 ft 4-1/2 in` | inches under 12, fraction under 1 |
 * | feet alone | `7'`, `6.5'` | |
 * | inches alone | `54"`, `4 1/2"`, `3/8"` | |
 * | metric with unit | `2.248 m`, `224.8cm`, `2248mm` | |
 * | bare number | `2248`, `4 1/2` | mm in metric, inches in imperial |
 */
export type LengthSystem = 'metric' | 'imperial';

const MM_PER_INCH = 25.4;
/** Nothing on a house is longer than this; a slip of the finger is. 1 km in mm. */
export const LONGEST_MM = 1_000_000;

const NUMBER = String.raw`\d+(?:\.\d+)?`;
const MIXED = String.raw`(?:(\d+)[\s-]+)?(\d+)\/(\d+)`;
const INCHES = String.raw`(?:${MIXED}|(${NUMBER}))`;
const METRIC = new RegExp(String.raw`^(${NUMBER})\s*(mm|cm|m)$`);
const FEET = new RegExp(String.raw`^(${NUMBER})\s*'(?:[\s-]*${INCHES}\s*"?)?$`);
const INCH = new RegExp(String.raw`^${INCHES}\s*"$`);
const BARE = new RegExp(String.raw`^${INCHES}$`);
const PER_UNIT = { mm: 1, cm: 10, m: 1000 } as const;

/** Typographic primes, quotes and spelled units become the plain signs; spaces of any kind become one. */
function plain(text: string): string {
  return text
    .normalize('NFKC')
    .trim()
    .toLowerCase()
    .replace(/[′’‘´`]/g, "'")
    .replace(/[″“”]|''/g, '"')
    .replace(/\s*(?:feet|foot|ft)\.?/g, "'")
    .replace(/\s*(?:inches|inch|in)\.?/g, '"')
    .replace(/⁄/g, '/')
    .replace(/[\s  ]+/g, ' ');
}

/** `whole top/bottom` or a decimal, in inches; undefined where the fraction is none (3/0, 5/4). */
function inchesOf(whole?: string, top?: string, bottom?: string, decimal?: string): number | undefined {
  if (decimal !== undefined) return Number(decimal);
  if (Number(bottom) === 0 || Number(top) >= Number(bottom)) return undefined;
  return Number(whole ?? 0) + Number(top) / Number(bottom);
}

function millimetres(text: string, system: LengthSystem): number | undefined {
  const metric = METRIC.exec(text);
  if (metric) return Number(metric[1]) * PER_UNIT[metric[2] as keyof typeof PER_UNIT];
  const feet = FEET.exec(text);
  if (feet) {
    const withInches = feet[4] !== undefined || feet[5] !== undefined;
    const inches = withInches ? inchesOf(feet[2], feet[3], feet[4], feet[5]) : 0;
    if (inches === undefined || inches >= 12) return undefined;
    return (Number(feet[1]) * 12 + inches) * MM_PER_INCH;
  }
  const alone = INCH.exec(text) ?? (system === 'imperial' ? BARE.exec(text) : null);
  if (alone) {
    const inches = inchesOf(alone[1], alone[2], alone[3], alone[4]);
    return inches === undefined ? undefined : inches * MM_PER_INCH;
  }
  return system === 'metric' && new RegExp(`^${NUMBER}$`).test(text) ? Number(text) : undefined;
}

/**
 * Reads a length as typed; a bare number is inches in imperial and millimetres in metric.
 * @returns millimetres, not rounded; a problem for anything else (no unit guessed, inches after feet stay under 12).
 */
export function parseLength(text: string, system: LengthSystem): Outcome<number> {
  const example = system === 'imperial' ? `7' 4 1/2"` : '2248 mm or 2.248 m';
  const mm = millimetres(plain(text), system);
  if (mm === undefined || !Number.isFinite(mm)) {
    return refuse({ code: 'length-unreadable', message: `“${text}” is not a length; write it like ${example}.` });
  }
  if (mm > LONGEST_MM) {
    return refuse({
      code: 'length-absurd',
      message: `“${text}” is over a kilometre; check the unit.`,
      hint: `Like ${example}.`,
    });
  }
  return answer(mm);
}

/**
 * Writes millimetres the way the job does: imperial to the nearest 1/`denominator` inch, metric to the whole
 * millimetre, both half up.
 * @param mm zero or more
 */
export function formatLength(mm: number, system: LengthSystem, denominator = 16): string {
  if (system === 'metric') return `${Math.floor(mm + 0.5)} mm`;
  // 1e-9 forgives the binary remainder of x · 25.4 / 25.4 at exact halves.
  const parts = Math.floor((mm / MM_PER_INCH) * denominator + 0.5 + 1e-9);
  const feet = Math.floor(parts / (12 * denominator));
  const inches = Math.floor(parts / denominator) - feet * 12;
  const fraction = reduced(parts % denominator, denominator);
  const inchText = [inches > 0 || !fraction ? String(inches) : '', fraction].filter(Boolean).join(' ');
  if (feet === 0) return `${inchText}"`;
  return `${feet}' ${inches === 0 && fraction ? `0 ${fraction}` : inchText}"`;
}

function reduced(top: number, bottom: number): string {
  if (top === 0) return '';
  let [a, b] = [top, bottom];
  while (a % 2 === 0 && b % 2 === 0) [a, b] = [a / 2, b / 2];
  return `${a}/${b}`;
}
