import { taskId } from '../sequence/site';
import { ofKind, type Observation } from './observation';
import { remainingWork, type Interval } from './remaining-work';

/** How far one phase of one area is, and how it got there. */
export interface PhaseProgress {
  fraction: number;
  /** When the newest observation of it was made (UTC instant). */
  at: string;
  /** Every reading in the order seen, for the observed rate. */
  readings: { at: string; fraction: number }[];
}

/**
 * The newest reading of every phase, by the time it was seen: a late upload falls into its right place.
 * @param observations those that stand, in the order seen
 * @returns by `taskId(area, phase)`
 */
export function progressOf(observations: readonly Observation[]): Map<string, PhaseProgress> {
  const result = new Map<string, PhaseProgress>();
  for (const one of ofKind(observations, 'progress')) {
    const key = taskId(one.area, one.phase);
    const readings = [...(result.get(key)?.readings ?? []), { at: one.at, fraction: one.fraction }];
    result.set(key, { fraction: one.fraction, at: one.at, readings });
  }
  return result;
}

/**
 * Half-days still to do in a phase, from what walks have measured. Only intervals in which it moved count: a room
 * without its crew says nothing about the crew's speed.
 * @param workedBetween worked half-days of the job between two instants
 */
export function remainingHalfDays(
  planned: number,
  progress: PhaseProgress | undefined,
  workedBetween: (from: string, to: string) => number,
): number {
  if (!progress) return planned;
  const { readings } = progress;
  const intervals: Interval[] = readings.slice(1).flatMap((reading, index) => {
    const former = readings[index] ?? reading;
    const gain = reading.fraction - former.fraction;
    const halfDays = gain > 0 ? workedBetween(former.at, reading.at) : 0;
    return halfDays > 0 ? [{ gain, halfDays }] : [];
  });
  return remainingWork(planned, progress.fraction, intervals.slice(-4));
}
