import { answer, refuse } from '../problem';
import { amount, choice, count, give, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

const FLOWS = [50, 80, 100, 125, 150, 200, 250, 300] as const;
const X = -1;
const NL = Infinity;
/** Greatest length in feet without elbows, by diameter in inches: `X` not allowed, `NL` no limit. */
const TABLE: Record<'flex' | 'smooth', Record<number, readonly number[]>> = {
  flex: {
    3: [X, X, X, X, X, X, X, X],
    4: [56, 4, X, X, X, X, X, X],
    5: [NL, 81, 42, 16, 2, X, X, X],
    6: [NL, NL, 158, 91, 55, 18, 1, X],
    7: [NL, NL, NL, NL, 161, 78, 40, 19],
    8: [NL, NL, NL, NL, NL, 189, 111, 69],
  },
  smooth: {
    3: [5, X, X, X, X, X, X, X],
    4: [114, 31, 10, X, X, X, X, X],
    5: [NL, 152, 91, 51, 28, 4, X, X],
    6: [NL, NL, NL, 168, 112, 53, 25, 9],
    7: [NL, NL, NL, NL, NL, 148, 88, 54],
    8: [NL, NL, NL, NL, NL, NL, 198, 133],
  },
};
const ELBOW_FT = 15;

export const ventDuct = calculator({
  name: 'vent-duct',
  title: 'Exhaust duct',
  group: 'services',
  answers: 'Whether a duct is short and wide enough for its fan.',
  asks: {
    flowCfm: amount('flow', 'cfm', { most: 5000 }),
    duct: choice('duct', { flex: 'flexible', smooth: 'smooth' }),
    diameterIn: amount('diameter', 'in', { most: 40 }),
    straightFt: amount('straight length', 'ft', { zero: true, most: 1000 }),
    elbows: count('elbows', { zero: true, most: 50 }),
  },
  gives: {
    ok: give('flag', 'will do', { ...main, good: true }),
    smallestDiameterIn: give('number', 'smallest that will do', { unit: 'in' }),
  },
  formula: 'the table’s length for the next flow up, less 15 ft an elbow, is at least the straight length',
  source: 'Model-code table of exhaust duct lengths at 0.25 in. w.g.; flow of the fan as rated.',
  decides: LOCAL_CODE,
  example: { flowCfm: 110, duct: 'smooth', diameterIn: 6, straightFt: 22, elbows: 2 },
  compute: ({ flowCfm, duct, diameterIn, straightFt, elbows }) => {
    const column = FLOWS.findIndex((flow) => flow >= flowCfm - 1e-9);
    if (column === -1)
      return refuse({
        code: 'flow-outside-table',
        message: `flow: the table ends at ${FLOWS.at(-1) ?? 0} cfm; ask whoever designs the ventilation`,
        field: 'flowCfm',
      });
    if (!(diameterIn in TABLE[duct]))
      return refuse({
        code: 'diameter-outside-table',
        message: 'diameter: the table has whole inches from 3 to 8',
        field: 'diameterIn',
      });
    const does = (diameter: number): boolean => {
      const most = TABLE[duct][diameter]?.[column] ?? X;
      return most !== X && most - ELBOW_FT * elbows >= straightFt - 1e-9;
    };
    const smallest = Object.keys(TABLE[duct]).map(Number).find(does);
    return answer({ ok: does(diameterIn), smallestDiameterIn: smallest ?? null });
  },
});
