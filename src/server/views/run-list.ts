import type { RunView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import type { Of } from '@/core/walks/observation';
import { recordWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import { areaNames, jobRow } from '../reading/job';
import { planOf } from '../reading/plan';
import { ofFirm, type JobReading } from '../reading/reading';
import { purchasedLately } from '../reading/records';
import { recordsThat } from '../reading/standing';
import { whenSeen } from '../words';

/** Bought things stay in sight for so many days, so that a tick can be taken back. */
const STAY = 1;

/**
 * What ran out or is needed, over all sites, by supplier and by the day on which work in that room goes on: one run
 * instead of several.
 */
export const runView = ofFirm((firm): RunView => {
  const now = firm.today;
  const lines = firm.jobs.flatMap((id) => linesOf(firm.job(id)));
  return {
    today: now,
    stops: [...groupBy(lines, (entry) => entry.supplier)]
      .map(([supplier, list]) => {
        const sorted = list
          .map((entry) => entry.line)
          .sort((a, b) => Number(a.bought) - Number(b.bought) || a.day.localeCompare(b.day));
        const day = sorted.find((line) => !line.bought)?.day ?? now;
        return { supplier, day, late: day <= now && sorted.some((line) => !line.bought), lines: sorted };
      })
      .sort((a, b) => a.day.localeCompare(b.day)),
  };
});

function linesOf(job: JobReading): { supplier: string; line: RunView['stops'][number]['lines'][number] }[] {
  const { today: now, zone } = job.firm;
  const plan = planOf(job);
  const line = (seen: Of<'short'>, bought: boolean) => {
    // The next piece of work in that room needs it; nobody drives for what is not needed for weeks, nor twice.
    const next = (plan?.tasks ?? [])
      .filter((task) => task.area === seen.area && task.crew !== null && task.state !== 'done')
      .sort((a, b) => a.start - b.start)[0];
    const day: Day = plan && next ? dayOfSlot(plan.origin, next.start) : now;
    return {
      supplier: seen.supplier ?? 'any shop',
      line: {
        id: seen.id,
        text: recordWords(seen),
        job: job.id,
        jobName: jobRow(job).name,
        area: areaNames(job).get(seen.area) ?? '',
        day: day < now ? now : day,
        since: whenSeen(seen.at, job.firm),
        bought,
      },
    };
  };
  const since = addDays(now, -STAY);
  return [
    ...recordsThat(job, 'short').map((seen) => line(seen, false)),
    ...purchasedLately(job)
      .filter(({ at }) => dayIn(zone, at) >= since)
      .map(({ seen }) => line(seen, true)),
  ];
}
