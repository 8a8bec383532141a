import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';
import type { Amount, AssemblyAsk, AssemblyGoods, AssemblyLine, AssemblyStep } from './assembly';
import type { Phase } from '../sequence/phases';

/** Short ways to write the catalogue down; each says in its name what stands in the row. */

type Unit = AssemblyLine['unit'];

/** A line of scope: its key, what happens to what, how much of it, whose work, hours for one. */
export const line = (
  key: string,
  [verb, subject]: readonly [string, string],
  of: Amount,
  unit: Unit,
  [trade, hours]: readonly [Trade, number],
  stance?: Inclusion,
): AssemblyLine => ({ key, verb, subject, of, unit, trade, hours, ...(stance ? { stance } : {}) });

/** Goods of a line: what, how much of it, waste, and what one pack covers (or, of pieces, how many go with one). */
export const goods = (
  lineKey: string,
  what: string,
  of: Amount,
  unit: AssemblyGoods['unit'],
  [pack, waste]: readonly [number, number],
): AssemblyGoods => ({ what, line: lineKey, of, unit, pack, waste });

/** A step that no track knows: what, whose, how much of what and how much of it in half a day, after which step. */
export const step = (text: string, trade: Trade, of: Amount, perHalfDay: number, after?: Phase): AssemblyStep => ({
  text,
  trade,
  of,
  perHalfDay,
  ...(after ? { after } : {}),
});

const ask =
  (unit: AssemblyAsk['unit'], most: number) =>
  (label: string, over: Partial<AssemblyAsk> = {}): AssemblyAsk => ({
    label,
    unit,
    most,
    ...over,
  });
export const length = ask('m', 500);
export const area = ask('m²', 5000);
export const count = ask('pieces', 500);

/** Taps, sockets and vents that go through: each brings its block, its flashing and its sealant. */
export const penetrations = (): AssemblyAsk =>
  count('Taps, sockets and vents that go through', { usual: 0, zero: true });
export const PENETRATION_LINE = line(
  'through',
  ['fit', 'block, flashing and sealant round what goes through'],
  ['through'],
  'pieces',
  ['roofing', 0.75],
);
export const PENETRATION_GOODS = [
  goods('through', 'Mounting blocks', ['through'], 'pieces', [1, 0]),
  goods('through', 'Pipe flashings', ['through'], 'pieces', [1, 0]),
] as const;
