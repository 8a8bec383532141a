import type { StepView } from '@/contract/views/plan';
import { daysOf } from '@/core/words/count';

/** `1½ days`, with who, in how many parts and where it comes from. */
export function timeWords(time: NonNullable<StepView['time']>): string {
  return [
    daysOf(time.halfDays),
    ...(time.crews > 1 ? [`${time.crews} crews`] : []),
    ...(time.parts.length > 0 ? [`${time.parts.length} parts`] : []),
    ...(time.basis === 'quantity' ? ['from the drawing'] : time.basis === 'hand' ? ['by hand'] : []),
    ...(time.others ? [time.others] : []),
  ].join(', ');
}
