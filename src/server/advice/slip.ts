import type { SlipOf } from '@/contract/routes';
import type { PlannedTask } from '@/core/schedule/plan';
import { isHere } from '@/core/selections/states';
import { sayCause } from '@/core/words/cause';
import { sayReason } from '@/core/words/reason';
import { sentence } from '@/core/words/letters';
import { sayWork } from '@/core/words/work';
import { plantDownRows, plantRows, subRows } from '../reading/firm';
import { wholePlan, type StoredPlan } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { selectionRows, type SelectionRow } from '../reading/selections';
import { inspectionRows } from '../reading/sequence';
import { lastCauses, visitDays } from '../reading/visits';
import { notFound, unprocessable } from '../refusal';

/** What slipped, with the work that is not done and that it holds up first. */
export interface Slip {
  job: JobReading;
  heading: string;
  known: string;
  tasks: PlannedTask[];
  areas: string[];
  selection?: SelectionRow;
}

/** What slipped; refused where it is over, with what is there instead. */
export function slipOf(firm: FirmReading, of: SlipOf): Slip {
  const plan = wholePlan(firm);
  if (!plan) throw unprocessable('no-plan', 'Nothing is planned yet; set out a job first.');
  return 'task' in of ? workSlip(firm, plan, of.task) : goodsSlip(firm, plan, of.selection);
}

function workSlip(firm: FirmReading, plan: StoredPlan, id: string): Slip {
  const task = plan.tasks.find((planned) => planned.id === id);
  if (!task) throw notFound('piece of work', 'task');
  if (task.state === 'done')
    throw unprocessable('slip-over', `${sayWork(task.work)} is done; look at what comes after it.`, 'task');
  return {
    job: firm.job(task.job),
    heading: whatSlipped(firm, task),
    known: [
      ...(lastCauses(firm, [id]).get(id) ?? []).map((cause) => sayCause(cause, firm.today)),
      sayReason(task.reason, plan.origin),
      ...curesOf(plan, id),
    ].join(' '),
    tasks: [task],
    areas: task.area === null ? [] : [task.area],
  };
}

/** What happened to a piece of work, by what is known of it: who said no, what is broken, who looked and was not content. */
function whatSlipped(firm: FirmReading, { id, job, area, phase, plant, work }: PlannedTask): string {
  const name = sayWork(work);
  const visit = visitDays(firm).get(id);
  const sub = visit?.said === 'declined' && subRows(firm).find((row) => row.id === visit.crew);
  if (sub) return `${sub.name} said no: ${name}`;
  const broken =
    plant !== undefined && plantDownRows(firm).has(plant) && plantRows(firm).find((row) => row.id === plant);
  if (broken) return `${broken.name} is out of order: ${name}`;
  const looked = inspectionRows(firm.job(job)).filter((row) => row.area === area && row.phase === phase);
  if (looked.some(({ state }) => state === 'failed') && !looked.some(({ state }) => state === 'passed'))
    return `${name} did not pass`;
  return `${name} does not go as planned`;
}

/** What would cure it, where the work opens or closes what may not lie open for long. */
const curesOf = (plan: StoredPlan, id: string): string[] =>
  plan.exposures
    .filter(({ from, to, kept }) => !kept && (from === id || to === id))
    .map(({ reason, cure }) => sentence(`It lies open too long: ${reason}. What cures it: ${cure}`));

function goodsSlip(firm: FirmReading, plan: StoredPlan, id: string): Slip {
  const job = firm.jobs.map((one) => firm.job(one)).find((one) => selectionRows(one).some((row) => row.id === id));
  const row = job && selectionRows(job).find((one) => one.id === id);
  if (!job || !row) throw notFound('selection', 'selection');
  if (isHere(row.state))
    throw unprocessable('slip-over', `${row.category} is here already; nothing waits for it.`, 'selection');
  const waiting = new Set(plan.notBefore.flatMap((wait) => (wait.selection === id ? [wait.task] : [])));
  const tasks = plan.tasks.filter((task) => waiting.has(task.id) && task.state !== 'done');
  if (tasks.length === 0)
    throw unprocessable(
      'slip-over',
      `No work waits for ${row.category.toLowerCase()}; it may come when it comes.`,
      'selection',
    );
  const [first] = tasks;
  return {
    ...{ job, tasks, selection: row, areas: [...new Set(tasks.flatMap(({ area }) => area ?? []))] },
    heading: `${row.area_name}: the work waits for ${row.category.toLowerCase()}`,
    known: first ? sayReason(first.reason, plan.origin) : '',
  };
}
