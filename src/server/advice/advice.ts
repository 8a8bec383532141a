import type { SlipOf } from '@/contract/routes';
import type { AdvicePart, AnswerView, SlipView } from '@/contract/views/advice';
import { compareAnswers } from '@/core/advice/compared';
import type { Day } from '@/core/units/day';
import { uuid } from '../database/id';
import { wouldBe } from '../dispatch/would-be';
import type { Actor } from '../door/actor';
import { seenBy } from '../rights/sees';
import type { Installation } from '../installation';
import { picture } from '../plan/compare';
import { readAhead } from '../reading/ahead';
import { jobRow } from '../reading/job';
import { currentVersion, wholePlan } from '../reading/plan';
import { readFirm, type FirmReading } from '../reading/reading';
import { unprocessable } from '../refusal';
import { refuseWhereServed } from '../serving';
import { answersTo, pairsOf, type Answer } from './answers';
import { Figures } from './figures';
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
  const figures = new Figures(firm, slip, before, seenBy(installation.db, who));
  const { effect: _, costs: __, ...wait } = figures.of(WAIT, before, firm);
  const answers = answersTo(firm, slip, before.value);
  tell({
    kind: 'slip',
    slip: {
      job: { id: slip.job.id, name: jobRow(slip.job).name },
      ...{
        heading: slip.heading,
        known: slip.known,
        ...figures.promised,
        today: firm.today,
        comes: comesOf(firm, slip),
        plan: currentVersion(installation.db) ?? 0,
      },
      ...{ wait, answers: answers.length },
    },
  });
  const placed: AnswerView[] = [];
  const place = (answer: Answer): void => {
    const after = wouldBe(installation, who, asCommand(installation, slip, of, answer, wait.endDay));
    const refused = (why: string): void => tell({ kind: 'refused', title: answer.title, why });
    if ('problem' in after) return refused(after.problem.title);
    const plan = picture(after.firm);
    if (!plan.ok) return refused(plan.problem.message);
    const view = { ...figures.of(answer, plan, after.firm), steps: answer.steps };
    placed.push(view);
    tell({ kind: 'answer', answer: view });
  };
  answers.forEach(place);
  const known = new Map(answers.map((answer) => [answer.key, answer]));
  const pairs = pairsOf(compareAnswers(wait, placed).best.flatMap(({ key }) => known.get(key) ?? []));
  tell({ kind: 'more', answers: pairs.length });
  pairs.forEach(place);
}

/** The command that takes an answer. */
const asCommand = ({ clock }: Installation, slip: Slip, of: SlipOf, { title, steps }: Answer, wouldEnd: Day) => ({
  ...{ id: uuid(), type: 'answer.take', at: clock.now().toISOString() },
  payload: { ...of, ...{ id: uuid(), job: slip.job.id, title, steps, ends: wouldEnd, wouldEnd } },
});

/** When the goods that are missing can be used. */
function comesOf(firm: FirmReading, { selection, tasks }: Slip): SlipView['comes'] {
  const first = new Set(tasks.map(({ id }) => id));
  const slots = (wholePlan(firm)?.notBefore ?? []).flatMap((wait) =>
    wait.selection === selection?.id && first.has(wait.task) ? [wait.slot] : [],
  );
  return selection && slots.length > 0 ? { slot: Math.max(...slots), label: selection.category.toLowerCase() } : null;
}
