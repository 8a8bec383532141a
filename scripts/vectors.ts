import { readFileSync } from 'node:fs';
import { calculate } from '@/core/quantities/registry';

/** Runs every case of a vector file through the public core by name. Usage: npm run vectors -- FILE.json */
interface Case {
  calc: string;
  input: unknown;
  expect: Record<string, unknown>;
}

const file = process.argv[2];
if (!file) {
  console.error('Usage: npm run vectors -- FILE.json');
  process.exit(2);
}
const { tolerance = 1e-4, cases } = JSON.parse(readFileSync(file, 'utf8')) as { tolerance?: number; cases: Case[] };

/** Numbers within the tolerance, everything else alike; what is not expected is not looked at. */
const agrees = (expected: unknown, given: unknown): boolean => {
  if (typeof expected === 'number' && typeof given === 'number')
    return Math.abs(expected - given) <= tolerance * Math.max(1, Math.abs(expected));
  if (Array.isArray(expected))
    return (
      Array.isArray(given) &&
      expected.length === given.length &&
      expected.every((entry, index) => agrees(entry, (given as unknown[])[index]))
    );
  if (typeof expected === 'object' && expected !== null)
    return (
      typeof given === 'object' &&
      given !== null &&
      Object.entries(expected).every(([key, value]) => agrees(value, (given as Record<string, unknown>)[key]))
    );
  return expected === given;
};

let [passed, failed] = [0, 0];
cases.forEach(({ calc, input, expect }, number) => {
  const outcome = calculate(calc, input);
  const right = expect.problem === true ? !outcome.ok : outcome.ok && agrees(expect, outcome.value);
  if (right) passed += 1;
  else {
    failed += 1;
    console.log(
      `case ${number + 1}, ${calc}: expected ${JSON.stringify(expect)}, given ${JSON.stringify(outcome)}, for ` +
        JSON.stringify(input),
    );
  }
});
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
