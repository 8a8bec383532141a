import { jobFinish, tripsIn, type Plan } from '@/core/schedule/plan';
import { slotOf } from '@/core/units/slot';
import type { Gain } from '@/core/words/better-plan';
import { jobNames } from '../reading/job';
import type { StoredPlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';
import { mustHear, visitDays } from '../reading/visits';
import { isVisit } from '@/core/schedule/visit';
import { workedAcross } from './causes';

/** What one plan brings against another. */
export function gainOf(firm: FirmReading, before: StoredPlan, after: Plan): Gain {
  const { then, now } = workedAcross(firm, before, after);
  const jobs = firm.jobs.flatMap((id) => {
    const [from, to] = [jobFinish(before, id), jobFinish(after, id)];
    if (from === undefined || to === undefined) return [];
    const halves = now(to) - then(from);
    return halves === 0 ? [] : [{ name: jobNames(firm).get(id) ?? '', halves }];
  });
  const was = new Map(before.tasks.map((task) => [task.id as string, task.start]));
  const rows = visitDays(firm);
  const [shiftThen, shiftNow] = [slotOf(firm.today, before.origin), slotOf(firm.today, after.origin)];
  const moved = after.tasks.filter((task) => {
    const start = was.get(task.id);
    return (
      start !== undefined &&
      isVisit(task) &&
      mustHear(firm, rows.get(task.id), start + shiftThen, task.start + shiftNow)
    );
  });
  return {
    jobs,
    trips: tripsIn(after) - tripsIn(before),
    visits: moved.length,
    people: new Set(moved.map((task) => task.crew)).size,
  };
}
