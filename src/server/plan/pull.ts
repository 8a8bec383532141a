import type { PullView } from '@/contract/views/plan';
import { placedLike } from '@/core/schedule/plan';
import type { Task } from '@/core/schedule/network';
import { pullForward } from '@/core/schedule/pull-forward';
import { sayGive } from '@/core/words/pull';
import { sayWork } from '@/core/words/work';
import { notFound } from '../refusal';
import type { FirmReading } from '../reading/reading';
import { planInput } from './plan-input';

const words = (halves: number, sooner: string, later: string): string => {
  if (halves === 0) return 'on the same day';
  const days = Math.abs(halves) / 2;
  return `${days} ${days === 1 ? 'day' : 'days'} ${halves > 0 ? sooner : later}`;
};

/** What would pull a piece of work forward, each thing tried by placing all work anew without it. */
export function pullView(firm: FirmReading, task: string): PullView {
  const placed = placedLike(planInput(firm));
  const number = placed.ok ? placed.value.net.index.get(task) : undefined;
  if (!placed.ok || number === undefined) throw notFound('piece of work', 'task');
  const { net, placement } = placed.value;
  return {
    task,
    label: sayWork((net.tasks[number] as Task).work),
    pulls: pullForward(net, placement, number)
      .slice(0, 12)
      .map((pull) => ({
        text: sayGive(pull.give, firm.today),
        gain: words(pull.gain, 'sooner', 'later'),
        finish: words(pull.finish, 'sooner', 'later'),
        wins: pull.gain > 0,
      })),
  };
}
