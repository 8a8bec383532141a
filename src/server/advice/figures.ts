import type { AnswerView, PlacedAnswer } from '@/contract/views/advice';
import { DAY_OFF } from '@/core/advice/compared';
import { sumOf } from '@/core/advice/cost';
import type { Rung } from '@/core/advice/rungs';
import { countBefore } from '@/core/schedule/calendar';
import { unkeptOf } from '@/core/schedule/calm';
import { jobEnd, jobEnds } from '@/core/schedule/job-end';
import type { Task } from '@/core/schedule/network';
import { pointsOf } from '@/core/schedule/objective';
import type { Placed } from '@/core/schedule/plan';
import { phaseFacts } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { sayWork } from '@/core/words/work';
import { compared, type Picture } from '../plan/compare';
import { householdOf } from '../reading/living';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import { costOf } from './cost';
import type { Sees } from '../rights/sees';
import { livingTasks } from './of-household';
import type { Slip } from './slip';

export type Known = Picture & { ok: true };

/** What answers to one slip come to, each against waiting. */
export class Figures {
  readonly promised: { promise: string | null; promiseSlot: number | null };

  constructor(
    private readonly firm: FirmReading,
    private readonly slip: Slip,
    private readonly before: Known,
    private readonly sees: Sees,
  ) {
    const promiseSlot = before.value.net.input.promises[slip.job.id] ?? null;
    this.promised = { promiseSlot, promise: promiseSlot === null ? null : this.dayOf(promiseSlot) };
  }

  /** What an answer comes to, against waiting. @param then the firm as the answer leaves it */
  of({ key, title, how, steps }: Answer, after: Known, then: FirmReading): Omit<AnswerView, 'steps'> {
    const { firm, slip, before } = this;
    const effect = compared(firm, before, after, this.sees);
    const end = jobEnd(after.value.net, after.value.placement, slip.job.id);
    const cost = this.sees.prices
      ? costOf({ firm, slip, before: before.value }, { steps }, after.value, effect.trips)
      : { parts: [], unknown: [] };
    const daysOff = steps.filter(({ type }) => type === 'worked-day.add').length;
    const placed: PlacedAnswer = {
      ...{ key, title, how },
      ...{ ends: this.dayOf(end), endDay: lastDay(firm.today, end) },
      won: this.days(after.value, end, jobEnd(before.value.net, before.value.placement, slip.job.id)),
      ...{ endSlot: end, rungs: this.rungs(after.value) },
      late: this.promised.promiseSlot === null ? null : this.days(after.value, this.promised.promiseSlot, end),
      lateInAll: this.late(after.value),
      ...{ trips: effect.trips, people: effect.told.length, open: effect.broken.length },
      conflicts: unkeptOf(after.value.net, after.value.placement).length,
      daysOff,
      nights: householdOf(then.job(slip.job.id), livingTasks(after.value, slip.job.id)).nights,
      cost: sumOf(cost),
      points: pointsOf(after.value.score) + DAY_OFF * daysOff,
    };
    return { ...placed, effect, costs: cost };
  }

  private readonly dayOf = (slot: number): string => formatDay(lastDay(this.firm.today, slot), this.firm.today);

  /** What is left in the rooms concerned; of the whole job where the work is in none. */
  private rungs({ net, placement }: Placed): Rung[] {
    const { job, areas, tasks } = this.slip;
    const slipped = new Set(tasks.map(({ id }) => id));
    return net.tasks.flatMap((task, number) => {
      const here = task.area === null ? areas.length === 0 : areas.includes(task.area);
      if (task.job !== job.id || !here || task.state === 'done' || net.duration[number] === 0) return [];
      return [
        {
          ...{ label: shortWork(task), slipped: slipped.has(task.id) },
          ...{ from: placement.start[number] ?? 0, to: placement.finish[number] ?? 0 },
        },
      ];
    });
  }

  /** Worked days of the job from one slot to another. */
  private days({ net }: Placed, from: number, to: number): number {
    const calendar = net.jobCalendar[net.job.indexOf(net.jobs.indexOf(this.slip.job.id))];
    return calendar ? (countBefore(calendar, to) - countBefore(calendar, from)) / 2 : 0;
  }

  /** Worked days that promises are missed by, over all jobs. */
  private late({ net, placement }: Placed): number {
    const ends = jobEnds(net, placement);
    return net.jobs.reduce((sum, id, job) => {
      const [promise, calendar, end = 0] = [net.input.promises[id], net.jobCalendar[net.job.indexOf(job)], ends[job]];
      if (promise === undefined || !calendar || end <= promise) return sum;
      return sum + (countBefore(calendar, end) - countBefore(calendar, promise)) / 2;
    }, 0);
  }
}

/** The step in its short word, or the work as it is called. */
const shortWork = ({ phase, work }: Task): string => {
  if (phase === null) return sayWork(work);
  const { short, label } = phaseFacts(phase);
  return short ?? label;
};
