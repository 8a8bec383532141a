import { jobFinish, tripsIn, type Plan } from '@/core/schedule/plan';
import type { Gain } from '@/core/words/better-plan';
import { jobNames } from '../reading/job';
import type { StoredPlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';
import { nearUntil } from '../reading/visits';
import { isVisit } from '@/core/schedule/visit';
import { workedAcross } from './causes';

/** What one plan brings against another, made from the same day. */
export function gainOf(firm: FirmReading, before: StoredPlan, after: Plan): Gain {
  const { then, now } = workedAcross(firm, before, after);
  const jobs = firm.jobs.flatMap((id) => {
    const [from, to] = [jobFinish(before, id), jobFinish(after, id)];
    if (from === undefined || to === undefined) return [];
    const halves = now(to) - then(from);
    return halves === 0 ? [] : [{ name: jobNames(firm).get(id) ?? '', halves }];
  });
  const was = new Map(before.tasks.map((task) => [task.id as string, task]));
  const near = nearUntil(firm);
  const moved = after.tasks.filter((task) => {
    const former = was.get(task.id);
    return former && isVisit(task) && former.start !== task.start && Math.min(former.start, task.start) < near;
  });
  return {
    jobs,
    trips: tripsIn(after) - tripsIn(before),
    visits: moved.length,
    people: new Set(moved.map((task) => task.crew)).size,
  };
}
