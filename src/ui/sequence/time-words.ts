import type { StepView } from '@/contract/views/plan';

/** `3 half-days`, with who, in how many parts and where it comes from. */
export function timeWords(time: NonNullable<StepView['time']>): string {
  const long = `${time.halfDays} ${time.halfDays === 1 ? 'half-day' : 'half-days'}`;
  return [
    long,
    ...(time.crews > 1 ? [`${time.crews} crews`] : []),
    ...(time.parts.length > 0 ? [`${time.parts.length} parts`] : []),
    ...(time.basis === 'quantity' ? ['from the drawing'] : time.basis === 'hand' ? ['by hand'] : []),
    ...(time.others ? [time.others] : []),
  ].join(', ');
}
