import { pattern } from '../pattern';
import { answer, refuse, type Outcome } from '../problem';
import { plainSigns, readNumber } from '../units/number';
import { readQuantity } from '../units/quantity';
import { readWritten, type Written } from '../units/written';

/** What is counted in packs and hours instead of being measured. */
const PACKS: Readonly<Record<string, string>> = {
  pieces: 'pieces',
  piece: 'pieces',
  pcs: 'pieces',
  pc: 'pieces',
  no: 'pieces',
  ea: 'pieces',
  each: 'pieces',
  hours: 'hours',
  hour: 'hours',
  hrs: 'hours',
  days: 'days',
  bags: 'bags',
  bag: 'bags',
  sheets: 'sheets',
  sheet: 'sheets',
  boxes: 'boxes',
  loads: 'loads',
};
const PACKED = new RegExp(String.raw`^(\d[\d ,.’']*|.*dozen)\s*(${Object.keys(PACKS).join('|')})$`, 'i');
/** Something like a quantity at the end: a number, whatever its sign, with a unit of work. */
const LIKE = pattern(
  'i',
  String.raw`(?:^|[\s,])([-−+]?\d[\d.,eE+\s]*`,
  String.raw`(?:\s*(?:m|mm|cm|ft|in|yd|lf|sf|kg|lb|l)\b|\s*(?:m|ft|yd|in)\s*[²³23]|\s*sq\.? ?(?:ft|m)\b|['"]))`,
  String.raw`(?:\s*[x×])?\s*$`,
);

/**
 * Takes the quantity from the end of a line of work: `… 46 m²`, `… 2,500 sq ft`, `… 48' x 8'`, `… 3 dozen pieces`.
 * @returns the line without it, and the quantity where one is said; a problem where one is said that cannot be meant:
 * it is never left in the text
 */
export function takeQuantity(text: string): Outcome<{ rest: string; measured?: Written }> {
  // The longest end that is a quantity: “22 ft x 1 ft”, not “1 ft”.
  for (const start of starts(text)) {
    const end = text.slice(start);
    const read = packed(plainSigns(end)) ?? readWritten(end);
    if (!read) continue;
    if (!read.ok) return read;
    if (!(read.value.value > 0)) return notMeant(end);
    return answer({ rest: text.slice(0, start).replace(/[\s,]+$/, ''), measured: read.value });
  }
  const like = LIKE.exec(plainSigns(text));
  return like ? notMeant((like[1] ?? '').trim()) : answer({ rest: text });
}

const notMeant = (text: string): Outcome<never> =>
  refuse({
    code: 'quantity-unread',
    message: `“${text}” is no quantity; write it like 46 m², 500 sq ft or 48' x 8'.`,
    field: 'line',
  });

/** Where a number begins a word, the first first. */
const starts = (text: string): number[] =>
  [...text.matchAll(/(?<=^|[\s,])(?=[\d\u00bc-\u00be\u2150-\u215e]|\.\d|a dozen|two dozen|half a dozen)/gi)].map(
    (found) => found.index,
  );

function packed(text: string): Outcome<Written> | undefined {
  const found = PACKED.exec(text);
  const unit = found && PACKS[(found[2] ?? '').toLowerCase()];
  if (!found || !unit) return undefined;
  const count = readQuantity('count', found[1] ?? '', 'imperial');
  if (count.ok) return answer({ value: count.value, unit });
  const number = readNumber((found[1] ?? '').trim(), { commaIs: 'thousands' });
  return number && 'value' in number ? answer({ value: number.value, unit }) : undefined;
}

/** “12 windows” is twelve pieces, “two dozen bricks” twenty-four. */
export function takeCount(text: string): { subject: string; counted?: Written } {
  const found =
    /^(\d{1,3}(?:[ ,]\d{3})+|\d{1,4}|(?:half )?a dozen|(?:two|three|four|five) dozen|\d+ dozen)\s+(?=[^\s\d])/i.exec(
      text,
    );
  const count = found && readQuantity('count', found[1] ?? '', 'imperial');
  return found && count?.ok && count.value > 0
    ? { subject: text.slice(found[0].length), counted: { value: count.value, unit: 'pieces' } }
    : { subject: text };
}
