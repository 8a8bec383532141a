import { MEASURES, type Measure, type Measures } from '../layout/measures';
import { formatLength } from '../units/length';
import type { UnitSystem } from '../units/units';
import type { Ask, Asks } from './ask';
import { sayMeasure } from './measured';
import { sayAmount } from './units';

/** More or less than the drawing by so many times was meant in another unit, or for another room. */
const TIMES = 10;

/**
 * What may be computed and can hardly be meant, asked back: a sheet of 4 in by 8 in, a density no material has, an area
 * ten times what is drawn. A question, never a refusal: somebody may mean it.
 * @param measures of the area it is for; empty where there is none
 */
export function doubtsOf(
  asks: Asks,
  input: Readonly<Record<string, unknown>>,
  measures: Measures,
  system: UnitSystem,
): string[] {
  return Object.entries(asks).flatMap(([name, ask]) => {
    const value = input[name];
    if (Array.isArray(value)) return value.flatMap((line: unknown) => inLine(ask, line, system));
    if (typeof value !== 'number' || !Number.isFinite(value)) return [];
    return [...unusual(ask, value, system), ...unlikeDrawing(ask, value, measures, system)];
  });
}

function inLine(ask: Ask<unknown>, line: unknown, system: UnitSystem): string[] {
  const parts = ask.of as Asks | undefined;
  if (typeof line !== 'object' || line === null || !parts || typeof parts.kind === 'string') return [];
  return doubtsOf(parts, line as Record<string, unknown>, {}, system);
}

function unusual(ask: Ask<unknown>, value: number, system: UnitSystem): string[] {
  const [least, most] = ask.usual ?? [-Infinity, Infinity];
  if (value >= least && value <= most) return [];
  const say = (amount: number): string =>
    ask.kind === 'length' ? formatLength(amount, system) : sayAmount(amount, ask.unit ?? '', system, 0);
  return [`${ask.label}: is ${say(value)} meant? Usual is ${say(least)} to ${say(most)}; check the unit.`];
}

function unlikeDrawing(ask: Ask<unknown>, value: number, measures: Measures, system: UnitSystem): string[] {
  const drawn = (ask.drawn ?? []).flatMap((measure): [Measure, number][] => {
    const size = measures[measure];
    return typeof size === 'number' && size > 0 ? [[measure, size]] : [];
  });
  // As typed it may be any part of the room; ten times all of it, or a tenth of the least, it is not.
  if (drawn.length === 0) return [];
  const largest = drawn.reduce((a, b) => (b[1] > a[1] ? b : a));
  if (value < largest[1] * TIMES) return [];
  const say = (size: number): string => sayMeasure(largest[0], size, system);
  return [`${ask.label}: is ${say(value)} meant? The drawing has ${say(largest[1])} (${MEASURES[largest[0]].label}).`];
}
