import type { NotBefore } from '@/core/schedule/network';
import type { PlannedTask } from '@/core/schedule/plan';
import { sayReason } from '@/core/words/reason';
import { sayWait } from '@/core/words/wait';
import { sayWork } from '@/core/words/work';

/** What the application says of the values of a plan, on the demo's day. */
const TODAY = '2027-03-09';

export const reasonSaid = (task: Pick<PlannedTask, 'reason'> | undefined): string =>
  task ? sayReason(task.reason, TODAY) : '';
export const workSaid = (task: Pick<PlannedTask, 'work'> | undefined): string => (task ? sayWork(task.work) : '');
export const waitSaid = (wait: Pick<NotBefore, 'wait'> | undefined): string => (wait ? sayWait(wait.wait, TODAY) : '');
