import { answer } from '../problem';
import { sum } from '../units/rounding';
import { choice, give, length, listOf, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

const RUN_ENDS = { wall: 'a wall', open: 'open' } as const;

export interface CabinetRun {
  wall: number;
  items: readonly number[];
  leftEnd: keyof typeof RUN_ENDS;
  rightEnd: keyof typeof RUN_ENDS;
  fillerMin: number;
  fillerMax: number;
}

/** What is left of a wall after its cabinets and appliances, shared by the ends that meet a wall. mm */
export function checkRun({ wall, items, leftEnd, rightEnd, fillerMin, fillerMax }: CabinetRun): {
  gap: number;
  filler: number;
  fits: boolean;
} {
  const gap = wall - sum(items);
  const ends = Number(leftEnd === 'wall') + Number(rightEnd === 'wall');
  const filler = ends === 0 ? 0 : gap / ends;
  return {
    gap,
    filler,
    fits: gap >= -1e-9 && (ends === 0 || (filler >= fillerMin - 1e-9 && filler <= fillerMax + 1e-9)),
  };
}

export const cabinetRun = calculator({
  name: 'cabinet-run',
  title: 'Run of cabinets',
  group: 'fit',
  answers: 'Whether cabinets and appliances fill a wall, with which fillers.',
  asks: {
    wall: length('wall, plaster to plaster'),
    items: listOf('cabinets and appliances', length('width')),
    leftEnd: choice('left end meets', RUN_ENDS),
    rightEnd: choice('right end meets', RUN_ENDS),
    fillerMin: length('narrowest filler', { zero: true }),
    fillerMax: length('widest filler', { zero: true }),
  },
  gives: {
    gap: give('level', 'left over', main),
    filler: give('level', 'filler at each wall end', main),
    fits: give('flag', 'fits', { good: true }),
  },
  formula: 'gap = wall − Σ widths, shared by the ends that meet a wall; with both ends open any gap will do',
  source: 'Measure at three heights: walls lean. A filler lets doors and handles pass the wall.',
  example: {
    wall: 3640,
    items: [600, 800, 600, 600, 900],
    leftEnd: 'wall',
    rightEnd: 'wall',
    fillerMin: 25,
    fillerMax: 100,
  },
  compute: (input) => answer(checkRun(input)),
});
