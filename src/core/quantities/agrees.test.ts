import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agrees } from './agrees';
import { CALCULATORS } from './registry';

const ODD: readonly unknown[] = [
  ...[undefined, null, NaN, Infinity, -Infinity, 0, -0, -1, 0.5, 1, 2, 1e-9, 99_999.5, 1e6, 1e6 + 1, 1e9, 2e9, 1e12],
  ...['', 'wall', 'x'.repeat(201), '2027-03-09', '2027-02-30', true, false, [], [undefined], [1], [{}], {}],
  ...[[{ kind: 'none' }], [{ kind: 'toString' }], Object.create(null)],
];

/** A value with one of its parts, at any depth, exchanged or taken away. */
function changed(value: unknown, ways: readonly number[], odd: unknown): unknown {
  const [way = 0, ...rest] = ways;
  if (typeof value !== 'object' || value === null || ways.length === 0) return odd;
  const keys = Object.keys(value);
  const key = keys[way % Math.max(1, keys.length)];
  if (key === undefined) return odd;
  const copy = structuredClone(value) as Record<string, unknown>;
  copy[key] = changed(copy[key], rest, odd);
  return copy;
}

describe('what is given', () => {
  it('is right or wrong as the schema has it, whatever is changed in it', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CALCULATORS),
        fc.array(fc.nat(40), { maxLength: 3 }),
        fc.constantFrom(...ODD),
        ({ asks, schema, example }, ways, odd) => {
          const given = changed(example, ways, odd);
          const valid = ((): boolean => {
            try {
              schema.validateSync(given, { strict: true });
              return true;
            } catch {
              return false;
            }
          })();
          expect(agrees(asks, given)).toBe(valid);
        },
      ),
      { numRuns: 4_000 },
    ));
});
