import { endsOf } from '@/core/schedule/plan';
import type { Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import type { FirmReading } from '../reading/reading';
import { planInput, type WhatIf } from './plan-input';

export interface Finishes {
  /** The last day of the job's work; null where no plan holds. */
  job: Day | null;
  /** The last day of work in each of its areas. */
  areas: ReadonlyMap<string, Day>;
}

/** When a job and each of its areas would end, as it is or if something were decided otherwise. */
export function finishIf(firm: FirmReading, job: string, whatIf?: Omit<WhatIf, 'job'>): Finishes {
  const input = planInput(firm, whatIf && { job, ...whatIf });
  const ends = endsOf(input);
  if (!ends.ok) return { job: null, areas: new Map() };
  const latest = new Map<string | null, number>();
  for (const task of ends.value) {
    if (task.job !== job || task.state === 'done') continue;
    for (const key of new Set([null, task.area])) latest.set(key, Math.max(latest.get(key) ?? 0, task.finish));
  }
  const day = (finish: number): Day => lastDay(input.origin, finish);
  const finish = latest.get(null);
  return {
    job: finish === undefined ? null : day(finish),
    areas: new Map([...latest].flatMap(([area, end]) => (area === null ? [] : [[area, day(end)] as const]))),
  };
}
