import {
  costOfOvertime,
  costOfTime,
  HALF_DAY,
  together,
  type Cost,
  type CostPart,
  type EndsOfJob,
} from '@/core/advice/cost';
import { groupBy } from '@/core/group-by';
import { countBefore } from '@/core/schedule/calendar';
import { jobEnds } from '@/core/schedule/job-end';
import type { Placed } from '@/core/schedule/plan';
import { isOrdered, type Alternative } from '@/core/selections/states';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { daysBetween, type Day } from '@/core/units/day';
import { lastDay, slotOf } from '@/core/units/slot';
import { counted } from '@/core/words/count';
import { firmRow } from '../reading/firm';
import { jobNames, jobRow, stepsByArea } from '../reading/job';
import { hourRates } from '../reading/money';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import { LONG_DAYS } from './of-work';
import type { Slip } from './slip';

/** What an answer costs the firm more than waiting, by what it has said of its prices. */
export function costOf(
  { firm, slip, before }: { firm: FirmReading; slip: Slip; before: Placed },
  answer: Pick<Answer, 'steps'>,
  after: Placed,
  trips: number,
): Cost {
  const tripCost = firmRow(firm)?.trip_cost ?? null;
  return together([
    { parts: costOfTime(endsOf(firm, before, after)), unknown: [] },
    tripCost === null || trips === 0
      ? NOTHING
      : {
          parts: [
            {
              label: `${counted(Math.abs(trips), 'trip')} ${trips > 0 ? 'more' : 'fewer'}`,
              amount: trips * tripCost,
            },
          ],
          unknown: [],
        },
    ...answer.steps.map((step) => costOfStep(firm, slip, step, after)),
  ]);
}

const NOTHING: Cost = { parts: [], unknown: [] };

/** How the ends of jobs differ; what is no more or less is left out. */
function endsOf(firm: FirmReading, before: Placed, after: Placed): EndsOfJob[] {
  const [was, is] = [jobEnds(before.net, before.placement), jobEnds(after.net, after.placement)];
  const names = jobNames(firm);
  return after.net.jobs.flatMap((id, job): EndsOfJob[] => {
    const from = was[before.net.jobs.indexOf(id)];
    const to = is[job];
    const calendar = after.net.jobCalendar[after.net.job.indexOf(job)];
    const usual = before.net.jobCalendar[before.net.job.indexOf(before.net.jobs.indexOf(id))];
    if (from === undefined || to === undefined || from === to || !calendar || !usual) return [];
    const { late_cost: lateCost, site_cost: siteCost, promise_day: promise } = jobRow(firm.job(id));
    const late = (slot: number): number =>
      promise === null ? 0 : Math.max(0, daysBetween(promise, lastDay(firm.today, slot)));
    return [
      {
        ...{ name: names.get(id) ?? '', siteCost, lateCost },
        // Days off that are worked are days of site too.
        workedDays: Math.round((countBefore(calendar, to) - countBefore(usual, from)) / 2),
        lateDays: late(to) - late(from),
      },
    ];
  });
}

/** What one of its changes costs by itself. */
function costOfStep(firm: FirmReading, slip: Slip, { type, payload }: Answer['steps'][number], after: Placed): Cost {
  switch (type) {
    case 'worked-day.add':
      return costOfDayOff(firm, slip, (payload as { day: Day }).day, after);
    case 'step.time':
      return costOfLongDays(firm, slip, payload as { area: string; phase: string; basis: string; halfDays?: number });
    case 'selection.choose':
      return costOfChoice(slip, (payload as { alternative: string }).alternative);
    case 'provision.add':
      return costOfProvision(firm, payload as ProvisionSaid);
    default:
      return NOTHING;
  }
}

/** Whoever works on a day off is paid half as much again. */
function costOfDayOff(firm: FirmReading, { job }: Slip, day: Day, { net, placement }: Placed): Cost {
  const [from, until] = [slotOf(firm.today, day), slotOf(firm.today, day) + 2];
  const hours = net.tasks.flatMap((task, number) => {
    const [start = 0, finish = 0] = [placement.start[number], placement.finish[number]];
    const calendar = net.calendar[number];
    if (task.job !== job.id || task.crew === null || !calendar || task.state === 'done') return [];
    const [first, last] = [Math.max(from, start), Math.min(until, finish)];
    const worked = last > first ? countBefore(calendar, last) - countBefore(calendar, first) : 0;
    return worked > 0 ? [{ trade: task.trade, hours: worked * HALF_DAY * (net.demand[number] ?? 1) }] : [];
  });
  return together(
    [...groupBy(hours, ({ trade }) => trade)].map(([trade, list]) =>
      overtime(
        firm,
        trade,
        list.reduce((sum, one) => sum + one.hours, 0),
      ),
    ),
  );
}

const overtime = (firm: FirmReading, trade: Trade, hours: number): Cost =>
  costOfOvertime(TRADES[trade], hours, hourRates(firm).get(trade) ?? null);

/** Of ten hours two are paid half as much again; a step that somebody only times anew costs nothing by that. */
function costOfLongDays(
  firm: FirmReading,
  slip: Slip,
  { area, phase, basis, halfDays }: { area: string; phase: string; basis: string; halfDays?: number },
): Cost {
  const step = stepsByArea(slip.job)
    .get(area)
    ?.find((row) => row.phase === phase);
  const task = slip.tasks.find((one) => one.area === area && one.phase === phase);
  if (basis !== 'hand' || !step || !task || halfDays === undefined || halfDays >= step.half_days) return NOTHING;
  return overtime(firm, task.trade, Math.round(step.half_days * HALF_DAY * (1 - LONG_DAYS)) * step.crews);
}

/** What is taken instead, against what was chosen. */
function costOfChoice({ selection }: Slip, alternative: string): Cost {
  if (!selection || isOrdered(selection.state)) return NOTHING;
  const other = (JSON.parse(selection.alternatives) as Alternative[]).find(({ id }) => id === alternative);
  if (!other) return NOTHING;
  const label = `${other.choice} instead`;
  const { unit_price: was, quantity } = selection;
  if (was === null || quantity === null || other.unitPrice === null) return { parts: [], unknown: [label] };
  const part: CostPart = { label, amount: Math.round((other.unitPrice - was) * quantity) };
  return { parts: part.amount === 0 ? [] : [part], unknown: [] };
}

interface ProvisionSaid {
  words: string;
  fromDay: Day;
  untilDay?: Day;
  dayCost: number | null;
}

/** Its hire for as long as it stands. */
function costOfProvision(firm: FirmReading, { words, fromDay, untilDay, dayCost }: ProvisionSaid): Cost {
  if (dayCost === null || untilDay === undefined) return { parts: [], unknown: [words] };
  const days = daysBetween(fromDay > firm.today ? fromDay : firm.today, untilDay) + 1;
  return { parts: [{ label: `${words}, ${counted(days, 'day')}`, amount: days * dayCost }], unknown: [] };
}
