import type { HouseholdConflict } from '@/core/living/household';
import { groupBy } from '@/core/group-by';
import type { Placed } from '@/core/schedule/plan';
import type { HouseholdNeed } from '@/core/sites/household-needs';
import { formatDay } from '@/core/units/day';
import { dayOfSlot, lastDay } from '@/core/units/slot';
import { listed } from '@/core/words/count';
import { capital, small } from '@/core/words/letters';
import { uuid } from '../database/id';
import { jobRow } from '../reading/job';
import { householdOf, lastCostOf } from '../reading/living';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** What usually stands in for a need. */
const STANDS_IN: Record<HouseholdNeed, string> = {
  toilet: 'A toilet on hire',
  shower: 'A shower cabin on hire',
  bath: 'A shower cabin on hire',
  sink: 'A sink and worktop on trestles',
  cooking: 'A hob on trestles',
  'cold food': 'The fridge in another room',
  laundry: 'The washing machine in another room',
  heat: 'Electric heaters',
  'hot water': 'A small water heater',
  'way in': 'A way in by another door',
  beds: 'Beds in another room',
  parking: 'A parking place in the street',
};

/** Work of the job where it is placed, as a household goes by it. */
export const livingTasks = ({ net, placement }: Placed, job: string) =>
  net.tasks.flatMap((task, number) =>
    task.job === job ? [{ ...task, start: placement.start[number] ?? 0, finish: placement.finish[number] ?? 0 }] : [],
  );

/** Something stands in for what the household would be without, for as long as it would be. */
export function standIns(firm: FirmReading, { job }: Slip, before: Placed): Answer[] {
  if (jobRow(job).lived_in === 0) return [];
  const needed = householdOf(job, livingTasks(before, job.id)).conflicts;
  const each = [...groupBy(needed, ({ need }) => (need === 'water' ? 'sink' : need))].map(([need, conflicts]) =>
    standIn(firm, job.id, need, conflicts),
  );
  return each.length > 1 ? [...each, all(each)] : each;
}

const all = (each: readonly Answer[]): Answer => ({
  key: 'stand-in all',
  title: capital(listed(each.map(({ title }) => small(title)))),
  how: each.map(({ title, how }) => `${title}: ${small(how)}`).join(' '),
  steps: each.flatMap(({ steps }) => steps),
});

function standIn(firm: FirmReading, job: string, need: HouseholdNeed, conflicts: readonly HouseholdConflict[]): Answer {
  const { today } = firm;
  const times = conflicts.map(({ from, until }) => ({
    fromDay: dayOfSlot(today, from),
    ...(until === null ? {} : { untilDay: lastDay(today, until) }),
  }));
  const said = times.map(({ fromDay, untilDay }) =>
    untilDay === undefined
      ? `from ${formatDay(fromDay, today)}`
      : `${formatDay(fromDay, today)} to ${formatDay(untilDay, today)}`,
  );
  return {
    key: `stand-in ${need}`,
    title: STANDS_IN[need],
    how: `For the household, ${listed(said)}.`,
    steps: times.map((time) => ({
      type: 'provision.add' as const,
      payload: { id: uuid(), job, need, words: STANDS_IN[need], ...time, dayCost: lastCostOf(firm, need) },
    })),
  };
}
