import type { Problem } from '../problem';
import { parseLength, formatLength, type LengthSystem } from '../units/length';
import { readQuantity } from '../units/quantity';
import { isAsk, type Ask, type Asks } from './ask';
import { readAmount, typedAmount } from './units';

/**
 * An input as somebody types it: text in every field, lists as lists, a `kind` beside the parts of lines that differ.
 */
export type Typed = string | boolean | Typed[] | { [name: string]: Typed };
export type TypedInput = Record<string, Typed>;

/** A value as text; what is neither text nor number is none. */
export const textOf = (value: unknown): string =>
  typeof value === 'string' ? value : typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';

/** Fractions are typed and written in per cent; twelve digits forgive what binary does to 0.07 · 100. */
const percent = (part: number): string => String(Number((part * 100).toPrecision(12)));

/**
 * Reads what was typed, lengths as the job writes them. Empty fields are left out, so that the calculator says what is
 * missing.
 * @returns the input and the first field that cannot be read, named by its path
 */
export function readTyped(
  asks: Asks,
  typed: TypedInput,
  system: LengthSystem,
): { input: Record<string, unknown>; problem?: Problem } {
  const problems: Problem[] = [];
  const input = readNamed(asks, typed, system, '', problems);
  return { input, ...(problems[0] ? { problem: problems[0] } : {}) };
}

function readNamed(
  asks: Asks,
  typed: Record<string, Typed>,
  system: LengthSystem,
  path: string,
  problems: Problem[],
): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(asks).flatMap(([name, ask]) => {
      const value = readOne(ask, typed[name], system, path ? `${path}.${name}` : name, problems);
      return value === undefined ? [] : [[name, value]];
    }),
  );
}

function readOne(
  ask: Ask<unknown>,
  typed: Typed | undefined,
  system: LengthSystem,
  path: string,
  problems: Problem[],
): unknown {
  if (ask.kind === 'list' || ask.kind === 'variants') {
    return (Array.isArray(typed) ? typed : []).map((line, index) => {
      const where = `${path}[${index}]`;
      const parts = line as Record<string, Typed>;
      if (ask.kind === 'variants')
        return {
          kind: parts.kind,
          ...readNamed(ask.variants?.[textOf(parts.kind)] ?? {}, parts, system, where, problems),
        };
      const of = ask.of ?? {};
      return isAsk(of) ? readOne(of, line, system, where, problems) : readNamed(of, parts, system, where, problems);
    });
  }
  if (ask.kind === 'flag') return typed === true;
  const text = typeof typed === 'string' ? typed.trim() : '';
  if (text === '') return undefined;
  const refuse = (message: string): undefined =>
    void problems.push({ code: 'unreadable', message: `${ask.label}: ${message}`, field: path });
  switch (ask.kind) {
    case 'length': {
      const under = ask.signed && /^[-−]/.test(text);
      const read = parseLength(under ? text.slice(1) : text, system);
      return read.ok ? (under ? -read.value : read.value) : refuse(read.problem.message);
    }
    case 'amount': {
      const read = readAmount(text, ask.unit ?? '', system);
      return read.ok ? read.value : refuse(read.problem.message);
    }
    case 'count':
    case 'money': {
      const read = readQuantity(ask.kind, text, system, { signed: ask.signed === true });
      return read.ok ? read.value : refuse(read.problem.message);
    }
    case 'fraction': {
      // A fall is a fraction too: `1:80` and `1/4 in per ft` are read as well as per cent.
      const read = readQuantity('fall', text, system, { shown: '%' });
      return read.ok ? Number(read.value.toPrecision(12)) : refuse(`“${text}” is no per cent; write 10 for 10 %`);
    }
    default:
      return text;
  }
}

/** An input as it would be typed: what `readTyped` reads back. */
export const writeTyped = (asks: Asks, input: Readonly<Record<string, unknown>>, system: LengthSystem): TypedInput =>
  Object.fromEntries(Object.entries(asks).map(([name, ask]) => [name, writeOne(ask, input[name], system)]));

function writeOne(ask: Ask<unknown>, value: unknown, system: LengthSystem): Typed {
  if (ask.kind === 'list' || ask.kind === 'variants') {
    return (Array.isArray(value) ? (value as unknown[]) : []).map((line) => {
      if (ask.kind === 'variants') {
        const parts = line as Record<string, unknown>;
        return { kind: textOf(parts.kind), ...writeTyped(ask.variants?.[textOf(parts.kind)] ?? {}, parts, system) };
      }
      const of = ask.of ?? {};
      return isAsk(of) ? writeOne(of, line, system) : writeTyped(of, line as Record<string, unknown>, system);
    });
  }
  if (ask.kind === 'flag') return value === true;
  if (value === undefined || value === null) return '';
  switch (ask.kind) {
    case 'length': {
      const mm = Number(value);
      // Parts of a millimetre are kept where the job writes millimetres: a board is 12.5 thick.
      const text =
        system === 'metric' ? `${Math.round(Math.abs(mm) * 100) / 100} mm` : formatLength(Math.abs(mm), system, 64);
      return mm < 0 ? `-${text}` : text;
    }
    case 'amount':
      return typedAmount(Number(value), ask.unit ?? '', system);
    case 'fraction':
      return percent(Number(value));
    case 'money':
      return (Number(value) / 100).toFixed(2);
    default:
      return textOf(value);
  }
}

/** An empty line to be filled in. */
export const emptyLine = (ask: Ask<unknown>): Typed => {
  if (ask.kind === 'variants') {
    const kind = Object.keys(ask.variants ?? {})[0] ?? '';
    return { kind, ...emptyNamed(ask.variants?.[kind] ?? {}) };
  }
  const of = ask.of ?? {};
  return isAsk(of) ? emptyOne(of) : emptyNamed(of);
};

const emptyOne = (ask: Ask<unknown>): Typed =>
  ask.kind === 'flag'
    ? false
    : ask.kind === 'list' || ask.kind === 'variants'
      ? []
      : ask.kind === 'choice'
        ? (Object.keys(ask.choices ?? {})[0] ?? '')
        : '';
export const emptyNamed = (asks: Asks): TypedInput =>
  Object.fromEntries(Object.entries(asks).map(([name, ask]) => [name, emptyOne(ask)]));
