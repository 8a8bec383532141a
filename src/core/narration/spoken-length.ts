import { mayCount, numberAt, partAt, type Spoken } from './numbers';

/**
 * A length found in speech: its value in the unit that was said (or that the walk is spoken in), and in millimetres.
 */
export interface SpokenLength {
  from: number;
  to: number;
  value: number;
  unit: 'in' | 'mm';
  mm: number;
  /** A unit, a fraction or builder's pairs were said: it can hardly be a count. */
  sure: boolean;
}

const MM_PER_INCH = 25.4;
const FOOT = /^(?:foot|feet|ft)$/;
const INCH = /^(?:inch|inches|in"|")$/;
const METRE = /^(?:metres?|meters?|m)$/;
const CENTI = /^(?:centimetres?|centimeters?|cm|centis?)$/;
const MILLI = /^(?:millimetres?|millimeters?|mm|mill?s?)$/;
const JOINED = /^(\d+(?:\.\d+)?)(mm|cm|m|ft|in|")$/;

const inches = (from: number, to: number, value: number): SpokenLength => ({
  from,
  to,
  value,
  unit: 'in',
  mm: value * MM_PER_INCH,
  sure: true,
});
const metric = (from: number, to: number, mm: number, sure = true): SpokenLength => ({
  from,
  to,
  value: mm,
  unit: 'mm',
  mm,
  sure,
});

/**
 * The length that begins at this word.
 * @param metricWalk whether the walk speaks in metres: what a bare number means
 * @param after the length before it in the same breath (`… by …`), whose unit a bare number takes
 */
export function lengthAt(
  words: readonly string[],
  at: number,
  metricWalk: boolean,
  after?: SpokenLength & { metres?: boolean },
): (SpokenLength & { metres?: boolean }) | undefined {
  if (!mayCount(words[at] ?? '')) return undefined;
  const joined = JOINED.exec(words[at] ?? '');
  if (joined) {
    const value = Number(joined[1]);
    const unit = joined[2] ?? '';
    if (unit === 'ft') return withInches(words, at, at + 1, value);
    return unit === 'in' || unit === '"'
      ? inches(at, at + 1, value)
      : metric(at, at + 1, value * ({ mm: 1, cm: 10, m: 1000 }[unit] ?? 1));
  }
  // “half a metre”, “a foot and a half”.
  const halfOf = words[at] === 'half' && (words[at + 1] === 'a' || words[at + 1] === 'an');
  const unitAt = halfOf ? at + 2 : at + 1;
  if (halfOf || words[at] === 'a' || words[at] === 'an') {
    const amount = halfOf ? 0.5 : 1;
    const unit = words[unitAt] ?? '';
    if (FOOT.test(unit)) return withInches(words, at, unitAt + 1, amount);
    if (METRE.test(unit)) return metresOn(words, at, unitAt + 1, amount);
    if (INCH.test(unit)) return inches(at, unitAt + 1, amount);
  }
  const number = numberAt(words, at);
  if (!number || number.value <= 0) return undefined;
  const { value, to } = number;
  const unit = words[to] ?? '';
  if (FOOT.test(unit)) return withInches(words, at, to + 1, value);
  if (INCH.test(unit)) return inches(at, to + 1, value);
  if (METRE.test(unit) && words[to - 1] !== 'square') return metresOn(words, at, to + 1, value);
  if (CENTI.test(unit)) return metric(at, to + 1, value * 10);
  if (MILLI.test(unit)) return metric(at, to + 1, value);
  if (/^(?:square|cubic|percent|%|by)$/.test(unit) && !after && unit !== 'by') return undefined;
  // A part alone is how far something is, not how long.
  if (number.fraction && value < 1) return undefined;
  if (after?.metres && value < 1000 && (metricWalk || !number.fraction))
    return { ...metric(at, to, number.pairs || value >= 100 ? value * 10 : value * 1000), metres: true };
  if (!metricWalk) return feetFirst(words, at, number);
  return metric(
    at,
    to,
    value < 20 && !Number.isInteger(value) ? value * 1000 : value,
    number.pairs || (value >= 100 && value % 10 === 0),
  );
}

/**
 * A number in inches; of pairs the builder’s short way with feet: `ten ten` is 10' 10", `six four` 6' 4",
 * `eleven ten and a half` 11' 10 1/2".
 */
function feetFirst(words: readonly string[], at: number, number: Spoken): SpokenLength {
  const plain = { ...inches(at, number.to, number.value), sure: number.fraction };
  if (!number.pairs) return plain;
  for (const length of [2, 1]) {
    const feet = numberAt(words.slice(at, at + length), 0);
    if (feet?.to !== length || feet.pairs || feet.fraction || feet.value > 99) continue;
    const rest = numberAt(words, at + length);
    if (!rest || rest.pairs || rest.value >= 12) continue;
    return inches(at, rest.to, feet.value * 12 + rest.value);
  }
  return plain;
}

/** `five foot two`, `five foot eleven and a half`, `five foot`. */
function withInches(words: readonly string[], from: number, to: number, feet: number): SpokenLength {
  const next = words[to] === 'and' ? to + 1 : to;
  const part = partAt(words, next);
  if (words[to] === 'and' && part) return inches(from, part.to, (feet + part.value) * 12);
  const rest = numberAt(words, next);
  if (!rest || rest.value >= 12 || rest.pairs || FOOT.test(words[rest.to] ?? '')) return inches(from, to, feet * 12);
  return inches(from, INCH.test(words[rest.to] ?? '') ? rest.to + 1 : rest.to, feet * 12 + rest.value);
}

/** `two metres ten`, `seven metres thirty`, `two metres four fifty`, `two and a half metres`. */
function metresOn(words: readonly string[], from: number, to: number, metres: number): SpokenLength & { metres: true } {
  const rest = Number.isInteger(metres) ? numberAt(words, to) : undefined;
  const unit = rest ? (words[rest.to] ?? '') : '';
  if (!rest || rest.value >= 1000 || METRE.test(unit) || FOOT.test(unit) || unit === 'percent') {
    const half = words[to] === 'and' ? partAt(words, to + 1) : undefined;
    return { ...metric(from, half ? half.to : to, (metres + (half?.value ?? 0)) * 1000), metres: true };
  }
  const end = CENTI.test(unit) || MILLI.test(unit) ? rest.to + 1 : rest.to;
  return {
    ...metric(
      from,
      end,
      metres * 1000 + (MILLI.test(unit) ? rest.value : rest.value >= 100 ? rest.value : rest.value * 10),
    ),
    metres: true,
  };
}

const UNITS = {
  imperial: /^(?:foot|feet|ft|inch|inches|eighths?|sixteenths?|quarters?)$/,
  metric: /^(?:metres?|meters?|millimetres?|mm|mill?s?|centimetres?|cm)$/,
};

/** The units among words: what tells, also later, whether a speaker uses metres. */
export const unitsAmong = (words: readonly string[]): string[] =>
  words.filter((word) => UNITS.imperial.test(word) || UNITS.metric.test(word));

/** Whether a speaker uses metres: by the units heard, else by numbers no inch could carry. */
export function speaksMetric(words: readonly string[]): boolean {
  const count = (pattern: RegExp): number => words.reduce((sum, word) => sum + (pattern.test(word) ? 1 : 0), 0);
  const [imperial, metricWords] = [count(UNITS.imperial), count(UNITS.metric)];
  if (imperial !== metricWords) return metricWords > imperial;
  return words.some((word, index) => word === 'hundred' && numberAt(words, index - 1)?.value !== undefined);
}
