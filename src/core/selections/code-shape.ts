/** How a code is built: runs of letters and of figures, and what stands between them. `T-SAGE-412` is `A-A-9`. */
export const codeShape = (code: string): string =>
  code
    .trim()
    .replace(/\p{L}+/gu, 'A')
    .replace(/\d+/g, '9');

/** Codes known of a kind before their building counts as a pattern. */
const ENOUGH = 3;

/**
 * A known code that shows how codes of this kind are built, where a new one is built otherwise; undefined where it is
 * alike, or where too few are known or they are not of one pattern themselves. It is a reason to ask, never to forbid.
 */
export function unlikeCode(code: string, known: readonly string[]): string | undefined {
  const shapes = new Set(known.map(codeShape));
  const example = known[0];
  if (code.trim() === '' || new Set(known).size < ENOUGH || shapes.size > 1 || shapes.has(codeShape(code)))
    return undefined;
  return example;
}
