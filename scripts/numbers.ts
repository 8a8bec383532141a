import { readFileSync } from 'node:fs';
import { readQuantity } from '../src/core/units/quantity';
import type { QuantityKind, UnitSystem } from '../src/core/units/units';

/**
 * Reads what is typed in a file of cases `{kind, system, text, expect}` by the one reader; `expect` null is refused.
 * `npm run numbers -- FILE`
 */
interface Case {
  kind: QuantityKind;
  system: UnitSystem;
  text: string;
  expect: { value: number } | null;
}

const [file] = process.argv.slice(2);
if (!file) throw new Error('Say which file: npm run numbers -- cases.json');
const { cases } = JSON.parse(readFileSync(file, 'utf8')) as { cases: Case[] };
let failed = 0;
for (const { kind, system, text, expect } of cases) {
  const read = readQuantity(kind, text, system);
  const value = read.ok ? read.value : null;
  const isRight =
    expect === null
      ? value === null
      : value !== null && Math.abs(value - expect.value) <= 1e-4 * Math.max(Math.abs(expect.value), 1e-9);
  if (isRight) continue;
  failed++;
  console.log(
    `${kind}, ${system}: “${text}” read as ${value ?? 'nothing'}, expected ${expect?.value ?? 'nothing'}` +
      (read.ok ? '' : ` (${read.problem.message})`),
  );
}
console.log(`${cases.length - failed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
