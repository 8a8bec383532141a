import type { SlipOf } from '@/contract/routes';
import type { AdvicePart, AnswerView, PlacedAnswer } from '@/contract/views/advice';
import { compareAnswers, DAY_OFF } from '@/core/advice/compared';
import { countBefore } from '@/core/schedule/calendar';
import { jobEnd, jobEnds } from '@/core/schedule/job-end';
import { pointsOf } from '@/core/schedule/objective';
import type { Placed } from '@/core/schedule/plan';
import { formatDay, type Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { unkeptOf } from '@/core/schedule/calm';
import { uuid } from '../database/id';
import { wouldBe } from '../dispatch/would-be';
import type { Actor } from '../door/actor';
import type { Installation } from '../installation';
import { compared, picture, type Picture } from '../plan/compare';
import { readAhead } from '../reading/ahead';
import { jobRow } from '../reading/job';
import { householdOf } from '../reading/living';
import { readFirm, type FirmReading } from '../reading/reading';
import { unprocessable } from '../refusal';
import { refuseWhereServed } from '../serving';
import { answersTo, pairsOf, type Answer } from './answers';
import { slipOf, type Slip } from './slip';

const WAIT = { key: 'wait', title: 'Wait', how: 'The order of the work stays as it is.', steps: [] };

/**
 * Something that slipped, with every answer to it: each goes through the door in a transaction that is taken back and is
 * placed on the whole firm, so that what is shown is what taking it does.
 * @param tell hears each part as soon as it is worked out
 */
export function advise(installation: Installation, who: Actor, of: SlipOf, tell: (part: AdvicePart) => void): void {
  refuseWhereServed('Answers to a slip');
  const firm = readFirm(installation);
  installation.db.transaction(() => readAhead(firm))();
  const slip = slipOf(firm, of);
  const before = picture(firm);
  if (!before.ok) throw unprocessable(before.problem.code, before.problem.message);
  const figures = new Figures(firm, slip, before);
  const { effect: _, ...wait } = figures.of(WAIT, before);
  const answers = answersTo(firm, slip, before.value);
  tell({
    kind: 'slip',
    slip: {
      job: { id: slip.job.id, name: jobRow(slip.job).name },
      ...{ heading: slip.heading, known: slip.known, promise: figures.promise },
      ...{ wait, answers: answers.length },
    },
  });
  const placed: AnswerView[] = [];
  const place = (answer: Answer): void => {
    const after = wouldBe(installation, who, asCommand(installation, slip, of, answer, wait.endDay));
    const plan = 'firm' in after ? picture(after.firm) : undefined;
    if (plan?.ok) {
      const view = { ...figures.of(answer, plan), steps: answer.steps };
      placed.push(view);
      tell({ kind: 'answer', answer: view });
    } else {
      const why = 'problem' in after ? after.problem.title : (plan?.problem.message ?? 'it cannot be placed');
      tell({ kind: 'refused', title: answer.title, why });
    }
  };
  answers.forEach(place);
  const pairs = pairsOf(compareAnswers(wait, placed).best);
  tell({ kind: 'more', answers: pairs.length });
  pairs.forEach(place);
}

/** The command that takes an answer. */
const asCommand = ({ clock }: Installation, slip: Slip, of: SlipOf, { title, steps }: Answer, wouldEnd: Day) => ({
  ...{ id: uuid(), type: 'answer.take', at: clock.now().toISOString() },
  payload: { ...of, ...{ id: uuid(), job: slip.job.id, title, steps, ends: wouldEnd, wouldEnd } },
});

type Known = Picture & { ok: true };

class Figures {
  readonly promise: string | null;
  private readonly promised: number | undefined;

  constructor(
    private readonly firm: FirmReading,
    private readonly slip: Slip,
    private readonly before: Known,
  ) {
    this.promised = before.value.net.input.promises[slip.job.id];
    this.promise = this.promised === undefined ? null : this.dayOf(this.promised);
  }

  /** What an answer comes to, against waiting. */
  of({ key, title, how, steps }: Answer, after: Known): Omit<AnswerView, 'steps'> {
    const { firm, slip, before } = this;
    const effect = compared(firm, before, after);
    const end = jobEnd(after.value.net, after.value.placement, slip.job.id);
    const daysOff = steps.filter(({ type }) => type === 'worked-day.add').length;
    const placed: PlacedAnswer = {
      ...{ key, title, how },
      ...{ ends: this.dayOf(end), endDay: lastDay(firm.today, end) },
      won: this.days(after.value, end, jobEnd(before.value.net, before.value.placement, slip.job.id)),
      late: this.promised === undefined ? null : this.days(after.value, this.promised, end),
      lateInAll: this.late(after.value),
      ...{ trips: effect.trips, people: effect.told.length, open: effect.broken.length },
      conflicts: unkeptOf(after.value.net, after.value.placement).length,
      daysOff,
      nights: this.nights(after.value),
      points: pointsOf(after.value.score) + DAY_OFF * daysOff,
    };
    return { ...placed, effect };
  }

  private readonly dayOf = (slot: number): string => formatDay(lastDay(this.firm.today, slot), this.firm.today);

  /** Worked days of the job from one slot to another. */
  private days({ net }: Placed, from: number, to: number): number {
    const calendar = net.jobCalendar[net.job.indexOf(net.jobs.indexOf(this.slip.job.id))];
    return calendar ? (countBefore(calendar, to) - countBefore(calendar, from)) / 2 : 0;
  }

  /** Nights with something missing, at the job that slipped. */
  private nights({ net, placement }: Placed): number {
    const { job } = this.slip;
    const tasks = net.tasks.flatMap((task, number) =>
      task.job === job.id
        ? [{ ...task, start: placement.start[number] ?? 0, finish: placement.finish[number] ?? 0 }]
        : [],
    );
    return householdOf(job, tasks).nights;
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
