import type { NotBefore } from '@/core/schedule/network';
import type { PlannedTask } from '@/core/schedule/plan';
import type { Reason } from '@/core/schedule/reasons';
import type { WorkName } from '@/core/schedule/work-name';
import type { MovedWork } from '@/core/news/news';

/** The form of what is stored of a plan; one more wherever it changes, and the planner makes the newest plan anew. */
export const PLAN_FORM = 2;

/** In the first form names and reasons were sentences. */
interface Sentences {
  label?: string;
  reason?: Reason | string | { text: string };
  because?: string;
}

const called = (label: string): WorkName => ({ kind: 'called', text: label });
const told = (reason: NonNullable<Sentences['reason']>): Reason =>
  typeof reason === 'string'
    ? { kind: 'told', text: reason }
    : 'text' in reason
      ? { kind: 'told', text: reason.text }
      : reason;

/** A task as it is stored, in the form of today; what an older plan said of it stays as it was said. */
export const taskInForm = (task: PlannedTask & Sentences): PlannedTask =>
  task.label === undefined ? task : { ...task, work: called(task.label), reason: told(task.reason) };

export const waitInForm = (wait: NotBefore & Sentences): NotBefore =>
  wait.because === undefined ? wait : { ...wait, wait: { kind: 'told', text: wait.because } };

export const movedInForm = (moved: MovedWork & Sentences): MovedWork =>
  moved.label === undefined ? moved : { ...moved, work: called(moved.label), reason: told(moved.reason) };
