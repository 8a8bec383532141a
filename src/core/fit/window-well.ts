import { answer } from '../problem';
import { squareMetres } from '../units/rounding';
import { give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

const LEAST_AREA = 9 * 0.09290304;
const LEAST_SIDE = 36 * 25.4;
const LADDER_BELOW = 44 * 25.4;

export const windowWell = calculator({
  name: 'window-well',
  title: 'Window well',
  group: 'fit',
  answers: 'Whether the well before a cellar’s escape window is large enough.',
  asks: { width: length('width'), projection: length('out from the wall'), depth: length('deep', { zero: true }) },
  gives: {
    area: give('area', 'area'),
    passes: give('flag', 'large enough', { ...main, good: true }),
    ladder: give('flag', 'needs a ladder or steps', { good: false }),
  },
  formula: '9 ft², 36 in each way; deeper than 44 in needs a fixed ladder or steps that do not narrow it',
  source: 'US model code. A well is drained, and what covers it opens from inside without a key.',
  decides: LOCAL_CODE,
  example: { width: 1200, projection: 950, depth: 1250 },
  compute: ({ width, projection, depth }) => {
    const area = squareMetres(width, projection);
    return answer({
      area,
      passes: area >= LEAST_AREA - 1e-9 && width >= LEAST_SIDE - 1e-9 && projection >= LEAST_SIDE - 1e-9,
      ladder: depth > LADDER_BELOW + 1e-9,
    });
  },
});
