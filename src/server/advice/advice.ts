import type { SlipOf } from '@/contract/routes';
import type { AdvicePart, AnswerView, PlacedAnswer } from '@/contract/views/advice';
import { compareAnswers, DAY_OFF } from '@/core/advice/compared';
import { sumOf } from '@/core/advice/cost';
import { countBefore } from '@/core/schedule/calendar';
import { jobEnd, jobEnds } from '@/core/schedule/job-end';
import { pointsOf } from '@/core/schedule/objective';
import type { Placed } from '@/core/schedule/plan';
import { formatDay, type Day } from '@/core/units/day';
import { lastDay } from '@/core/units/slot';
import { unkeptOf } from '@/core/schedule/calm';
import { uuid } from '../database/id';
import { wouldBe } from '../dispatch/would-be';
import { seesPrices, type Actor } from '../door/actor';
import type { Installation } from '../installation';
import { compared, picture, type Picture } from '../plan/compare';
import { readAhead } from '../reading/ahead';
import { jobRow } from '../reading/job';
import { householdOf } from '../reading/living';
import { currentVersion } from '../reading/plan';
import { readFirm, type FirmReading } from '../reading/reading';
import { unprocessable } from '../refusal';
import { refuseWhereServed } from '../serving';
import { answersTo, pairsOf, type Answer } from './answers';
import { costOf } from './cost';
import { livingTasks } from './of-household';
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
  const figures = new Figures(firm, slip, before, seesPrices(who));
  const { effect: _, costs: __, ...wait } = figures.of(WAIT, before, firm);
  const answers = answersTo(firm, slip, before.value);
  tell({
    kind: 'slip',
    slip: {
      job: { id: slip.job.id, name: jobRow(slip.job).name },
      ...{
        heading: slip.heading,
        known: slip.known,
        promise: figures.promise,
        plan: currentVersion(installation.db) ?? 0,
      },
      ...{ wait, answers: answers.length },
    },
  });
  const placed: AnswerView[] = [];
  const place = (answer: Answer): void => {
    const after = wouldBe(installation, who, asCommand(installation, slip, of, answer, wait.endDay));
    const plan =
      'firm' in after ? picture(after.firm) : { ok: false as const, problem: { message: after.problem.title } };
    if ('firm' in after && plan.ok) {
      const view = { ...figures.of(answer, plan, after.firm), steps: answer.steps };
      placed.push(view);
      tell({ kind: 'answer', answer: view });
    } else tell({ kind: 'refused', title: answer.title, why: plan.ok ? '' : plan.problem.message });
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
    private readonly priced: boolean,
  ) {
    this.promised = before.value.net.input.promises[slip.job.id];
    this.promise = this.promised === undefined ? null : this.dayOf(this.promised);
  }

  /** What an answer comes to, against waiting. @param then the firm as the answer leaves it */
  of({ key, title, how, steps }: Answer, after: Known, then: FirmReading): Omit<AnswerView, 'steps'> {
    const { firm, slip, before } = this;
    const effect = compared(firm, before, after);
    const end = jobEnd(after.value.net, after.value.placement, slip.job.id);
    const cost = this.priced
      ? costOf({ firm, slip, before: before.value }, { steps }, after.value, effect.trips)
      : { parts: [], unknown: [] };
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
      nights: householdOf(then.job(slip.job.id), livingTasks(after.value, slip.job.id)).nights,
      cost: sumOf(cost),
      points: pointsOf(after.value.score) + DAY_OFF * daysOff,
    };
    return { ...placed, effect, costs: cost };
  }

  private readonly dayOf = (slot: number): string => formatDay(lastDay(this.firm.today, slot), this.firm.today);

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
