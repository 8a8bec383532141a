import { formatLength, type LengthSystem } from '../units/length';
import type { Of, Target } from './observation';

/** Less than this is a tape held differently, not a wall that stands elsewhere. mm */
const TOLERANCE_MM = 6;

/** How a size compares with what is drawn, in words. `off`: by more than a tape's tolerance. */
export function differenceWords(mm: number, drawn: number, system: LengthSystem): { off: boolean; text: string } {
  const by = mm - drawn;
  if (Math.abs(by) <= TOLERANCE_MM) return { off: false, text: `as drawn (${formatLength(drawn, system)})` };
  return {
    off: true,
    text:
      `${formatLength(Math.abs(by), system)} ${by > 0 ? 'more' : 'less'} than drawn ` +
      `(${formatLength(drawn, system)})`,
  };
}

const same = (a: Target, b: Target): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * What the tape says otherwise than the drawing: by the newest size of each thing that is drawn.
 * @param measured sizes of one area, in the order taken
 */
export function conflicts(
  measured: readonly Of<'measurement'>[],
  drawn: readonly { label: string; of: Target; mm: number }[],
): { id: string; label: string; of: Target; measured: number; drawn: number }[] {
  return drawn.flatMap(({ label, of, mm }) => {
    const last = measured.filter((entry) => entry.of && same(entry.of, of)).at(-1);
    return last && Math.abs(last.mm - mm) > TOLERANCE_MM
      ? [{ id: last.id, label, of, measured: last.mm, drawn: mm }]
      : [];
  });
}
