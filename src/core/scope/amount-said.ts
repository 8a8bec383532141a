import { numberAt } from '../narration/numbers';
import { lettersOf, type SaidWord } from './said-words';

const UNITS: Readonly<Record<string, string>> = {
  'square metres': 'm²',
  'square metre': 'm²',
  'square meters': 'm²',
  'square meter': 'm²',
  'square feet': 'sq ft',
  'square foot': 'sq ft',
  'square yards': 'sq yd',
  'cubic metres': 'm³',
  'cubic meters': 'm³',
  'cubic yards': 'yd³',
  bags: 'bags',
  sheets: 'sheets',
  loads: 'loads',
};
const LENGTHS: Readonly<Record<string, string>> = {
  metres: 'm',
  meters: 'm',
  metre: 'm',
  meter: 'm',
  feet: 'ft',
  foot: 'ft',
};
const ROUGHLY = /^(?:about|around|some|roughly|maybe|say|call|it|near|nearly|or|so|enough|odd|of|like)$/;
/** After these a number counts no things: it is a size, a share, or coats of something. */
const NO_COUNT = /^(?:by|inch|inches|mil|millimetres|mm|percent|coats?|of|and|or|to)$/;

export interface AmountSaid {
  /** The thing without its amount. */
  thing: SaidWord[];
  much?: { quantity: number; unit: string };
}

type Number = NonNullable<ReturnType<typeof numberAt>>;

/** An area, a volume or packs; a length only where it is “of” something or “about” so much, else it is a size. */
function measured(
  thing: readonly SaidWord[],
  words: readonly string[],
  at: number,
  number: Number,
): AmountSaid | undefined {
  const one = words[number.to] ?? '';
  const two = words[number.to + 1] ?? '';
  const isAmount = two === 'of' || /^(?:about|around|roughly|maybe|say|it)$/.test(words[at - 1] ?? '');
  const unit = UNITS[`${one} ${two}`] ?? UNITS[one] ?? (isAmount ? LENGTHS[one] : undefined);
  if (unit === undefined) return undefined;
  let from = at;
  let to = number.to + (UNITS[one] || LENGTHS[one] ? 1 : 2);
  while (ROUGHLY.test(words[from - 1] ?? '')) from--;
  while (ROUGHLY.test(words[to] ?? '')) to++;
  const rest = [...thing.slice(0, from), ...thing.slice(to)];
  return rest.length === 0 ? { thing: [...thing] } : { thing: rest, much: { quantity: number.value, unit } };
}

/** “Six lights”: a whole number in front of the things it counts. */
function counted(thing: readonly SaidWord[], words: readonly string[], number: Number): AmountSaid | undefined {
  const next = words[number.to] ?? '';
  const isWhole = !number.fraction && !number.pairs && Number.isInteger(number.value) && number.value > 1;
  if (!isWhole || next === '' || LENGTHS[next] !== undefined || NO_COUNT.test(next)) return undefined;
  return { thing: thing.slice(number.to), much: { quantity: number.value, unit: 'pieces' } };
}

/** How much of a thing was said: an area, a volume or packs anywhere, a length of it, a count in front of it. */
export function amountSaid(thing: readonly SaidWord[]): AmountSaid {
  const words = lettersOf(thing);
  for (let at = 0; at < words.length; at++) {
    const number = numberAt(words, at);
    if (!number || number.value <= 0) continue;
    const found = measured(thing, words, at, number) ?? (at === 0 ? counted(thing, words, number) : undefined);
    if (found) return found;
    at = number.to - 1;
  }
  return { thing: [...thing] };
}
