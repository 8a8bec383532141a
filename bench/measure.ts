/** One line of the bench's answer: `ratio` is value against what it is compared with, in the same run. */
export interface Figure {
  name: string;
  value: number;
  unit: string;
  against: string;
  ratio: number;
}

export const figure = (name: string, value: number, unit: string, against: string, base: number): Figure => ({
  name,
  value: round(value),
  unit,
  against,
  ratio: round(value / base),
});

const round = (number: number): number => Number(number.toPrecision(4));

export const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? Number.NaN;

/**
 * Milliseconds of each of several runs, taken in turn so that whatever else the machine does falls on all of them
 * alike.
 */
export async function inTurn(rounds: number, works: readonly (() => unknown)[]): Promise<number[][]> {
  const times: number[][] = works.map(() => []);
  for (let round = -1; round < rounds; round++) {
    for (const [at, work] of works.entries()) {
      const began = performance.now();
      await work();
      // The first round only warms up.
      if (round >= 0) times[at]?.push(performance.now() - began);
    }
  }
  return times;
}
