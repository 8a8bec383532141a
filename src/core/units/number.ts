/**
 * Numbers as people write them. One grammar for every field, line, list and import.
 *
 * | form | example | reads as |
 * |---|---|---|
 * | thousands by comma, space or apostrophe | `1,200`, `1 200`, `1’200`, `1,000,000` | groups of three |
 * | decimals by point or comma | `2.5`, `2,5`, `1,250.5`, `1.250,5` | the last mark of two parts the decimals |
 * | fractions, also as one sign | `1/2`, `4 1/2`, `4-1/2`, `4½` | bottom over 0, top under it |
 *
 * A single comma before three digits may be either: `commaIs` says which, or that it has to be asked.
 */
export type ReadNumber = { value: number } | { ambiguous: [thousand: number, decimal: number] } | undefined;

export interface NumberTerms {
  /** What `1,250` is; asked back where it could be both. */
  commaIs?: 'thousands' | 'decimals' | 'asked';
}

const SPACES = /[\s\u00a0\u2009\u202f]+/g;
/** The signs of one fraction, parted from the number before them. */
const VULGAR = /[\u00bc-\u00be\u2150-\u215e]/g;

/** The plain signs of a text: fractions parted from their number, one kind of space, of minus, of quote. */
export function plainSigns(text: string): string {
  return text
    .replace(VULGAR, (sign) => ` ${sign.normalize('NFKC')}`)
    .normalize('NFKC')
    .replaceAll('⁄', '/')
    .replaceAll('−', '-')
    .replaceAll('^', '')
    .replace(/[′’‘´`]/g, "'")
    .replace(/[″“”]|''/g, '"')
    .replace(SPACES, ' ')
    .trim();
}

const GROUPED = /^\d{1,3}(?:([ ,'])\d{3})(?:\1\d{3})*(?:\.(\d+))?$/;
const POINTED = /^\d{1,3}(?:\.\d{3})+,\d+$/;
const PLAIN = /^(?:\d+(?:\.\d+)?|\.\d+)$/;
const COMMA = /^(\d+),(\d+)$/;
const FRACTION = /^(?:(\d[\d ,']*?)(?:[ -]| ?& ?))?(\d+)\/(\d+)$/;

/**
 * Reads a number without sign or unit.
 * @param text with plain signs; see `plainSigns`
 * @returns undefined for what is none: half a group, two points, a fraction by 0
 */
export function readNumber(text: string, { commaIs = 'asked' }: NumberTerms = {}): ReadNumber {
  const plain = text.trim();
  const fraction = FRACTION.exec(plain);
  if (fraction) return fractionOf(fraction[1], Number(fraction[2]), Number(fraction[3]));
  if (PLAIN.test(plain)) return { value: Number(plain) };
  const comma = COMMA.exec(plain);
  if (comma) return byComma(comma[1] ?? '', comma[2] ?? '', commaIs);
  if (GROUPED.test(plain)) return { value: Number(plain.replace(/[ ,']/g, '')) };
  if (POINTED.test(plain)) return { value: Number(plain.replaceAll('.', '').replace(',', '.')) };
  return undefined;
}

/** One comma: before three digits it may part thousands, before any other count of them decimals. */
function byComma(whole: string, part: string, commaIs: NonNullable<NumberTerms['commaIs']>): ReadNumber {
  const decimal = Number(`${whole}.${part}`);
  if (part.length !== 3 || whole.length > 3) return { value: decimal };
  if (/^0/.test(whole)) return { value: decimal };
  const thousand = Number(whole + part);
  if (commaIs === 'thousands') return { value: thousand };
  return commaIs === 'decimals' ? { value: decimal } : { ambiguous: [thousand, decimal] };
}

function fractionOf(whole: string | undefined, top: number, bottom: number): ReadNumber {
  if (bottom === 0 || top >= bottom) return undefined;
  const before = whole === undefined ? { value: 0 } : readNumber(whole, { commaIs: 'thousands' });
  return before && 'value' in before && Number.isInteger(before.value)
    ? { value: before.value + top / bottom }
    : undefined;
}

/** Asks back a number that can be two: what is typed next can be only one of them. */
export const eitherOf = (text: string, [thousand, decimal]: readonly [number, number]): string =>
  `“${text}” can be ${thousand} or ${decimal}; write ${thousand} or ${decimal}.`;
