import type { Input } from '@/contract/commands';
import type { Happened } from './happened';
import { demoId } from './ids';
import type { DemoJob } from './scenario';
import { parseLength } from '@/core/units/length';

/** A length as somebody said it on the spot, in feet and inches. */
function measured(typed: string): { mm: number; typed: string } {
  const read = parseLength(typed, 'imperial');
  if (!read.ok) throw new Error(read.problem.message);
  return { mm: read.value, typed };
}

type Way = Omit<Input<'way-in.add'>, 'id' | 'job' | 'area'> & { area?: string };
type Piece = Omit<Input<'large-piece.add'>, 'id' | 'job'>;

/** What is narrow on the way into a job's rooms, and what must come in; rooms by their keys. */
const WAYS_IN: Record<string, { ways: Way[]; pieces: Piece[] }> = {
  signal: {
    ways: [
      { what: 'Front door', kind: 'opening', width: measured('2\' 10"'), height: measured('6\' 8"') },
      {
        what: 'Hall to kitchen',
        kind: 'turn',
        before: measured('3\' 6"'),
        behind: measured('3\' 2"'),
        height: measured("8'"),
        area: 'kitchen',
      },
      { what: 'Lane to the front door', kind: 'carry', distance: measured("90'") },
      { what: 'Truck crane from the lane', kind: 'crane', lifts: 300, area: 'day' },
    ],
    pieces: [
      {
        what: 'Steel beam over the opening',
        kind: 'beam',
        area: 'kitchen',
        length: measured('16\' 6"'),
        width: measured('5"'),
        height: measured('9"'),
        mass: 190,
      },
      {
        what: 'Worktop, in one piece',
        kind: 'sheet',
        area: 'kitchen',
        length: measured('7\' 6"'),
        width: measured('2\' 1"'),
        height: measured('1 1/4"'),
        mass: 84,
      },
    ],
  },
};

/** What was measured of the way in, and named as large, a week before. */
export function waysInOf({ key }: DemoJob): Happened[] {
  const { ways, pieces } = WAYS_IN[key] ?? { ways: [], pieces: [] };
  const id = (...path: string[]): string => demoId(key, ...path);
  const then = { day: -8, hour: 15 };
  return [
    ...ways.map(({ area, ...way }, at): Happened => ({
      ...then,
      said: {
        type: 'way-in.add',
        payload: { ...way, id: id('way-in', String(at)), job: id(), ...(area ? { area: id('area', area) } : {}) },
      },
    })),
    ...pieces.map((piece, at): Happened => ({
      ...then,
      said: {
        type: 'large-piece.add',
        payload: { ...piece, id: id('large-piece', String(at)), job: id(), area: id('area', piece.area) },
      },
    })),
  ];
}
