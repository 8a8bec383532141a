import { isDay } from '../units/day';
import { LONGEST_MM } from '../units/length';
import { isAsk, type Ask, type Asks } from './ask';
import { MOST_LINES } from './schema';

/**
 * Whether everything that is asked is given as it should be. It says the same as the schema, many times sooner, and
 * nothing about what is wrong: a job’s kept calculations are nearly always right, and are computed again at every change
 * of a drawing. A property of both holds them together.
 */
export function agrees(asks: Asks, given: unknown): boolean {
  if (typeof given !== 'object' || given === null || Array.isArray(given)) return false;
  const values = given as Readonly<Record<string, unknown>>;
  return Object.entries(asks).every(([name, ask]) => isRight(ask, values[name]));
}

function isRight(ask: Ask<unknown>, value: unknown): boolean {
  if (value === undefined) return ask.optional === true && ask.kind !== 'list' && ask.kind !== 'variants';
  switch (ask.kind) {
    case 'length':
      return isWithin(ask, value, LONGEST_MM);
    case 'amount':
    case 'fraction':
      return isWithin(ask, value, ask.most ?? 1e9);
    case 'count':
      return Number.isInteger(value) && isWithin(ask, value, ask.most ?? 100_000);
    case 'money':
      return Number.isInteger(value) && isWithin(ask, value, 1e11);
    case 'flag':
      return typeof value === 'boolean';
    case 'choice':
      return typeof value === 'string' && value !== '' && Object.hasOwn(ask.choices ?? {}, value);
    case 'text':
      return typeof value === 'string' && value.length <= 200 && (ask.optional === true || value !== '');
    case 'day':
      return typeof value === 'string' && isDay(value);
    case 'list':
    case 'variants':
      return isList(ask, value);
  }
}

const isWithin = (ask: Ask<unknown>, value: unknown, most: number): boolean =>
  typeof value === 'number' &&
  Number.isFinite(value) &&
  value <= most &&
  (ask.signed ? value >= -most : ask.zero ? value >= 0 : value > 0);

function isList(ask: Ask<unknown>, value: unknown): boolean {
  if (!Array.isArray(value) || value.length < (ask.least ?? 1) || value.length > MOST_LINES) return false;
  const { of } = ask;
  if (ask.kind === 'variants')
    return value.every((line: unknown) => {
      const { kind } = (typeof line === 'object' && line !== null ? line : {}) as { kind?: unknown };
      return typeof kind === 'string' && Object.hasOwn(ask.variants ?? {}, kind)
        ? agrees(ask.variants?.[kind] ?? {}, line)
        : false;
    });
  // A gap in a list is not a value that was given.
  if (of === undefined || !value.every((_, at) => at in value)) return false;
  return isAsk(of) ? value.every((entry) => isRight(of, entry)) : value.every((line) => agrees(of, line));
}
