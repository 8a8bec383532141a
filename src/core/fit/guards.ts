import { answer } from '../problem';
import { count, give, length, main } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

/** mm; US model code in inches: guard above a drop of 30, 36 high; handrail from 4 risers, 34 to 38 high. */
const GUARD_ABOVE = 30 * 25.4;
const GUARD_HEIGHT = 36 * 25.4;
const RISERS = 4;
const RAIL = [34 * 25.4, 38 * 25.4] as const;

export const guards = calculator({
  name: 'guards',
  title: 'Guard and handrail',
  group: 'fit',
  answers: 'Whether an edge needs a guard and steps a handrail, and whether they are high enough.',
  asks: {
    drop: length('drop', { zero: true }),
    guardHeight: length('guard height', { zero: true }),
    risers: count('risers', { zero: true, most: 200 }),
    handrailHeight: length('handrail over the nosings', { zero: true }),
  },
  gives: {
    guardNeeded: give('flag', 'needs a guard', { ...main, good: false }),
    guardOk: give('flag', 'guard will do', { good: true }),
    handrailNeeded: give('flag', 'needs a handrail', { ...main, good: false }),
    handrailOk: give('flag', 'handrail will do', { good: true }),
  },
  formula: 'guard above a drop of 30 in, at least 36 in high; handrail from 4 risers, 34 to 38 in over the nosings',
  source: 'US model code. Until the permanent one stands, an open edge has a temporary rail.',
  decides: LOCAL_CODE,
  example: { drop: 820, guardHeight: 1000, risers: 5, handrailHeight: 900 },
  compute: ({ drop, guardHeight, risers, handrailHeight }) => {
    const [guardNeeded, handrailNeeded] = [drop > GUARD_ABOVE + 1e-9, risers >= RISERS];
    return answer({
      guardNeeded,
      guardOk: !guardNeeded || guardHeight >= GUARD_HEIGHT - 1e-9,
      handrailNeeded,
      handrailOk: !handrailNeeded || (handrailHeight >= RAIL[0] - 1e-9 && handrailHeight <= RAIL[1] + 1e-9),
    });
  },
});
