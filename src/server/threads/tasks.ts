import type { PackMarks } from '@/contract/views/walk';
import type { PlannedTask } from '@/core/schedule/plan';
import type { Day } from '@/core/units/day';
import { sayCauses } from '@/core/words/cause';
import { sayReason } from '@/core/words/reason';
import { sayWork } from '@/core/words/work';
import { dispatch } from '../dispatch/dispatch';
import { preview } from '../dispatch/preview';
import { prepare } from '../dispatch/prepare';
import type { Actor } from '../door/actor';
import { notFound } from '../refusal';
import { areaPaper, jobPaper } from '../papers/documents';
import type { PaperFile } from '../papers/paper-response';
import type { Installation } from '../installation';
import { readPlan } from '../reading/plan';
import { readFirm, readJob } from '../reading/reading';
import { pullView } from '../plan/pull';
import { effectsOfChanges } from '../plan/change-effect';
import { changesView, liveChanges } from '../views/changes';
import { optionsView } from '../views/scope';
import { packNews } from '../views/pack';
import { reviewView } from '../views/review';

/** Read of one moment: what is asked for together is true together. */
const read =
  <Terms extends unknown[], Answer>(look: (installation: Installation, ...terms: Terms) => Answer) =>
  (installation: Installation, ...terms: Terms): Answer =>
    installation.db.transaction(() => look(installation, ...terms))();

/**
 * What takes longer than a request may hold the server: placing plans, setting papers, reading long texts. It runs in
 * threads that have a connection of their own; nobody waits for somebody else's.
 */
export const TASKS = {
  dispatch: (installation: Installation, who: Actor, input: unknown) => dispatch(installation, who, input),
  preview: (installation: Installation, who: Actor, input: unknown) => preview(installation, who, input),
  prepare: (installation: Installation, who: Actor, input: unknown) => prepare(installation, who, input),
  pull: read((installation, task: string) => pullView(readFirm(installation), task)),
  options: read((installation, job: string) => optionsView(readFirm(installation).job(job))),
  changes: (installation: Installation, job: string) => {
    const drafts = liveChanges(readJob(installation, job)).filter(({ state }) => state === 'draft');
    const effects = effectsOfChanges(installation, drafts);
    return installation.db.transaction(() => changesView(readFirm(installation).job(job), effects))();
  },
  review: read((installation, job: string, walk: string) =>
    reviewView(readJob(installation, job), walk, () => readFirm(installation)),
  ),
  packs: read((installation, have: Record<string, PackMarks>) => packNews(installation, have)),
  'job paper': (
    installation: Installation,
    job: string,
    file: string,
    terms: { version?: number; origin?: string },
  ): Promise<PaperFile> => jobPaper(installation, job, file, terms),
  'area paper': (installation: Installation, area: string, file: string, origin: string): Promise<PaperFile> =>
    areaPaper(installation, area, file, origin),
  'plan document': read((installation): string => {
    const plan = readPlan(installation.db);
    if (!plan) throw notFound('plan yet; set out the areas of a job first');
    return JSON.stringify({
      ...plan,
      cause: sayCauses(plan.causes, plan.origin),
      tasks: plan.tasks.map((task) => toldTask(task, plan.origin)),
    });
  }),
};

/** A task of the document: its name and its reason as sentences beside their values. */
const toldTask = (task: PlannedTask, origin: Day): object => ({
  ...task,
  label: sayWork(task.work),
  reason: { ...task.reason, text: sayReason(task.reason, origin) },
});

export type Tasks = typeof TASKS;
