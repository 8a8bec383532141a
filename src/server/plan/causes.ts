import { groupBy } from '@/core/group-by';
import { countBefore } from '@/core/schedule/calendar';
import { causesIn, type Cause } from '@/core/schedule/cause';
import type { Plan } from '@/core/schedule/plan';
import { workedDaysFrom } from '@/core/schedule/slippage';
import { traceMoves, type Trace } from '@/core/schedule/trace';
import { taskId } from '@/core/sequence/site';
import { slotOf, type Slot } from '@/core/units/slot';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Mark } from '../door/marks';
import { holidaysOf } from '../reading/firm';
import { areaNames } from '../reading/job';
import type { FirmReading } from '../reading/reading';
import { recordsOfWalk } from '../reading/records';

type Part = Pick<Plan, 'origin' | 'tasks'>;

/** Worked half-days before a slot of the former plan, or of the new one. */
export interface Worked {
  then: (slot: Slot) => number;
  now: (slot: Slot) => number;
}

/** Counted from the former plan's first day, as far as either reaches: both may end beyond the other's calendars. */
export function workedAcross(firm: FirmReading, former: Part, plan: Part): Worked {
  const shift = slotOf(former.origin, plan.origin);
  const far = Math.max(...former.tasks.map((task) => task.finish), ...plan.tasks.map((task) => task.finish + shift), 2);
  const calendar = workedDaysFrom(former.origin, Math.ceil(far / 2) + 2, holidaysOf(firm));
  return { then: (slot) => countBefore(calendar, slot), now: (slot) => countBefore(calendar, slot + shift) };
}

/** Why each thing moved from the former plan to the new one, by what was marked in between. */
export function traceOf(firm: FirmReading, marks: readonly Mark[], former: Plan, plan: Plan): Trace {
  const said = new Map(
    [...groupBy(marks, (mark) => mark.job)].map(([job, list]) => [job, list.flatMap((mark) => mark.causes)]),
  );
  const worked = workedAcross(firm, former, plan);
  const seen = marks.flatMap((mark) => (mark.walk ? seenOn(firm, mark, mark.walk, former, plan, worked) : []));
  return traceMoves(former, plan, said, seen);
}

/** What a walk saw that moves work: steps that are behind or ahead of the former plan, and work left to do. */
function seenOn(
  firm: FirmReading,
  { job, causes }: Mark,
  walk: string,
  former: Plan,
  plan: Plan,
  worked: Worked,
): Cause[] {
  const names = areaNames(firm.job(job));
  const was = new Map(former.tasks.map((task) => [task.id as string, task]));
  const is = new Map(plan.tasks.map((task) => [task.id as string, task]));
  const record = causes[0]?.record;
  return recordsOfWalk(firm.db, walk).flatMap((seen): Cause[] => {
    if (seen.kind !== 'progress' && seen.kind !== 'remaining') return [];
    const at = { area: seen.area, place: names.get(seen.area) ?? '', ...(record === undefined ? {} : { record }) };
    if (seen.kind === 'remaining') return [{ kind: 'leftover', ...at, text: seen.text }];
    const task = taskId(seen.area, seen.phase);
    const [then, now] = [was.get(task), is.get(task)];
    if (!then || !now || then.state === 'done') return [];
    const halves = worked.now(now.finish) - worked.then(then.finish);
    return halves === 0 ? [] : [{ kind: 'progress', ...at, phase: seen.phase, fraction: seen.fraction, halves }];
  });
}

/**
 * Why things moved since an instant: what moved each of them first; what only the newest plan moved, as its trace says.
 * @param trace of the newest plan, whose moves are not kept yet; none where all are
 */
export function sinceThen(db: Connection, job: string, at: string, trace: Trace | undefined): Trace {
  const first = new Map<string | null, Cause[]>();
  const rows = queryAll<{ task: string | null; cause: string }>(
    db,
    'SELECT task, cause FROM plan_move WHERE job = @job AND made_at > @at ORDER BY id',
    { job, at },
  );
  for (const { task, cause } of rows) if (!first.has(task)) first.set(task, causesIn(cause));
  return {
    ofTask: (task) => first.get(task) ?? trace?.ofTask(task) ?? [],
    ofFinish: (of) => first.get(null) ?? trace?.ofFinish(of) ?? [],
  };
}
