import type { LivingGap, LivingView } from '@/contract/views/living';
import { outagesOf, type Gap } from '@/core/living/household';
import { groupBy } from '@/core/group-by';
import { taskId } from '@/core/sequence/site';
import { HOUSEHOLD_NEEDS, isHouseholdNeed } from '@/core/sites/household-needs';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon, lastDay, slotOf } from '@/core/units/slot';
import { hoursOfHalf, sayConflict, sayGap, sayPeriod } from '@/core/words/living';
import { listed } from '@/core/words/count';
import { capital } from '@/core/words/letters';
import { areaNames, jobRow } from '../reading/job';
import { householdOf, provisionRows } from '../reading/living';
import { planOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { siteOf } from '../reading/site';
import { jobHead } from './job-head';

/** Weeks that are shown day by day. */
const WEEKS = 6;

/** The work of the job with slots from today on. */
const tasksOf = ofJob((job) => {
  const plan = planOf(job);
  const shift = plan ? slotOf(job.firm.today, plan.origin) : 0;
  return (plan?.tasks ?? []).map((task) => ({
    ...task,
    start: task.start + shift,
    finish: task.finish + shift,
    slots: task.slots.map((slot) => slot + shift),
  }));
});

/** When a job's household is without something, in the order of time; what is over is left out. */
export function livingGaps(job: JobReading): LivingGap[] {
  return householdOf(job, tasksOf(job))
    .gaps.filter(({ until }) => until === null || until > 0)
    .map((gap) => ({
      when: periodOf(job, gap),
      text: sayGap(gap.need, placesOf(job, gap.areas), gap.provision?.words ?? null),
      bare: gap.provision === null,
    }));
}

/** Half-days to come on which something is off, each with its hours. */
export const livingOff = (job: JobReading): LivingView['off'] => {
  const { today } = job.firm;
  const names = areaNames(job);
  const byTime = groupBy(
    jobRow(job).lived_in === 1 ? outagesOf(tasksOf(job)) : [],
    ({ slot, what }) => `${slot} ${what}`,
  );
  return [...byTime.values()].flatMap((list) => {
    const [first] = list;
    if (!first) return [];
    const hours = hoursOfHalf(isAfternoon(first.slot));
    const day = dayOfSlot(today, first.slot);
    return [
      {
        day,
        when: `${formatDay(day, today)}, ${hours}`,
        text: `${listed(list.map(({ area }) => names.get(area) ?? ''))}: ${first.what}`,
      },
    ];
  });
};

export function livingView(job: JobReading): LivingView {
  const { today } = job.firm;
  const { gaps, conflicts } = householdOf(job, tasksOf(job));
  const site = siteOf(job);
  const needs = [...new Set(site.areas.flatMap(({ provides, brings }) => [...provides, ...(brings ?? [])]))].filter(
    isHouseholdNeed,
  );
  const days = Array.from({ length: 7 * WEEKS }, (_, at) => addDays(today, at));
  return {
    job: jobHead(job),
    livedIn: jobRow(job).lived_in === 1,
    today,
    days: days.map((day) => ({ day, label: formatDay(day, today) })),
    needs: needs.map((need) => ({
      ...{ need, label: HOUSEHOLD_NEEDS[need] },
      where: listed(
        site.areas
          .filter(({ provides, brings }) => provides.includes(need) || brings?.includes(need))
          .map(({ name }) => name),
      ),
      days: days.map((_, at) =>
        onDay(
          gaps.filter((gap) => gap.need === need),
          at,
        ),
      ),
    })),
    gaps: livingGaps(job),
    conflicts: conflicts
      .filter(({ until }) => until === null || until > 0)
      .map(({ need, nights, by, ...span }) => ({
        text: sayConflict(need, nights),
        when: periodOf(job, span),
        task: by ? taskId(by.area, by.phase) : null,
      })),
    off: livingOff(job),
    provisions: provisionRows(job).map(({ id, need, words, from_day, until_day }) => ({
      ...{ id, text: `${words} (${HOUSEHOLD_NEEDS[need]})` },
      when: sayPeriod(formatDay(from_day, today), until_day === null ? null : formatDay(until_day, today)),
    })),
  };
}

/** When what stands in has to be brought and fetched, from today on. */
export const provisionMoves = (job: JobReading): { key: string; text: string; day: Day }[] =>
  provisionRows(job).flatMap(({ id, words, from_day, until_day }) => [
    ...(from_day >= job.firm.today
      ? [{ key: `${id}-comes`, text: `${capital(words)}: has to stand there that morning`, day: from_day }]
      : []),
    ...(until_day !== null && until_day >= job.firm.today
      ? [{ key: `${id}-goes`, text: `${capital(words)}: not needed after that evening`, day: until_day }]
      : []),
  ]);

const placesOf = (job: JobReading, areas: readonly string[]): string =>
  listed(areas.map((area) => areaNames(job).get(area) ?? ''));

function periodOf(job: JobReading, { from, until }: Pick<Gap, 'from' | 'until'>): string {
  const { today } = job.firm;
  const first = formatDay(dayOfSlot(today, Math.max(0, from)), today);
  return sayPeriod(first, until === null ? null : formatDay(lastDay(today, until), today));
}

/** What a need is on a day: gone where it is gone overnight or the whole day, unless something stands in. */
function onDay(gaps: readonly Gap[], at: number): 'there' | 'instead' | 'gone' {
  const [from, until] = [2 * at, 2 * at + 2];
  const here = gaps.filter((gap) => gap.from < until && (gap.until ?? Infinity) > from);
  if (here.some((gap) => gap.provision === null)) return 'gone';
  return here.length > 0 ? 'instead' : 'there';
}
