import { calculatorNamed } from '../quantities/registry';
import type { Asks } from '../quantities/ask';
import type { Purchase } from '../quantities/calculator';
import { MEASURES, type Measure, type Measures } from '../layout/measures';
import { answer, refuse, type Outcome } from '../problem';
import type { LengthSystem } from '../units/length';

/** A calculator run for an area: what it was given, and which inputs follow the drawing (input name → measure). */
export interface Calculation {
  calculator: string;
  input: Record<string, unknown>;
  fed: Record<string, Measure>;
}

export interface Calculated {
  input: Record<string, unknown>;
  output: Record<string, unknown>;
  purchases: Purchase[];
}

/** What a drawing could give for an input, the likeliest first. */
export const feedsFor = (asks: Asks, name: string): readonly Measure[] => asks[name]?.drawn ?? [];

/** The likeliest measure for every input that this drawing gives: what Bench begins with. */
export const usualFeeds = (asks: Asks, measures: Measures): Record<string, Measure> =>
  Object.fromEntries(
    Object.keys(asks).flatMap((name) => {
      const measure = feedsFor(asks, name).find((entry) => entry in measures);
      return measure ? [[name, measure]] : [];
    }),
  );

/** Runs it with what the drawing measures now in place of what was fed before. */
export function recalculate(calculation: Calculation, measures: Measures, system: LengthSystem): Outcome<Calculated> {
  const calculator = calculatorNamed(calculation.calculator);
  if (!calculator)
    return refuse({
      code: 'unknown-calculator',
      message: `There is no calculator “${calculation.calculator}” any more.`,
    });
  const input = { ...calculation.input };
  for (const [name, measure] of Object.entries(calculation.fed)) {
    if (!(measure in measures))
      return refuse({
        code: 'not-measured',
        message: `The drawing does not give “${MEASURES[measure].label}” any more.`,
        field: name,
      });
    input[name] = openingsFor(calculation.calculator, name, measures[measure]);
  }
  const outcome = calculator.run(input, system);
  return outcome.ok
    ? answer({ input, output: outcome.value, purchases: calculator.purchases(outcome.value, input) })
    : outcome;
}

/** Frames are told of openings in their own words: one line each, with the usual jack. */
function openingsFor(calculator: string, name: string, value: unknown): unknown {
  if (calculator !== 'stud-wall' || name !== 'openings' || !Array.isArray(value)) return value;
  return (value as { count: number }[]).flatMap((opening) =>
    Array.from({ length: opening.count }, () => ({ jacksEachSide: 1 })),
  );
}
