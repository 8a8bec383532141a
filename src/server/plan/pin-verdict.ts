import { isOfficeCalendar } from '@/core/sequence/calendars';
import { placedLike } from '@/core/schedule/plan';
import { firstFrom } from '@/core/schedule/passes';
import { reasonsIn } from '@/core/schedule/reasons';
import type { Day } from '@/core/units/day';
import { formatSlot, slotOf } from '@/core/units/slot';
import { sayLeftOut } from '@/core/words/left-out';
import { sayReason } from '@/core/words/reason';
import { sayWeather } from '@/core/words/wait';
import { sayWork } from '@/core/words/work';
import type { PinVerdict } from '../door/prepared';
import { jobNames } from '../reading/job';
import type { FirmReading } from '../reading/reading';
import { planInput } from './plan-input';

const no = (code: string, message: string, field: 'task' | 'day'): PinVerdict => ({ code, message, field });

/**
 * Places all work with the pin and says why it cannot hold, in the words of the rule, the delivery or the crew that keeps
 * the work from there.
 */
export function pinVerdict(firm: FirmReading, task: string, day: Day, half: 0 | 1): PinVerdict {
  const input = planInput(firm);
  const facts = input.tasks.find(({ id }) => id === task);
  if (!facts) return no('unknown-id', 'There is no such piece of work here.', 'task');
  if (facts.state !== 'waiting')
    return no(
      'pin-begun',
      `${sayWork(facts.work)} is ${facts.state === 'done' ? 'done' : 'under way'}; only what has not begun can be moved.`,
      'task',
    );
  if (isOfficeCalendar(facts.calendar))
    return no('pin-office', 'The office’s day is set by booking its visit.', 'task');
  const slot = slotOf(firm.today, day, half);
  const others = input.notBefore.filter((wait) => wait.kind !== 'pin' || wait.task !== task);
  const pin = { task, slot, wait: { kind: 'asked' as const }, open: false, kind: 'pin' as const };
  const placed = placedLike({ ...input, notBefore: [...others, pin] });
  if (!placed.ok) return no(placed.problem.code, placed.problem.message, 'task');
  const { net, placement, leftOut } = placed.value;
  if (leftOut.some((left) => left.task === task))
    return no(
      'pin-refused',
      sayLeftOut(leftOut, firm.today, (job) => jobNames(firm).get(job) ?? ''),
      'task',
    );
  const number = net.index.get(task) ?? -1;
  const when = formatSlot(firm.today, slot);
  if (firstFrom(net, number, slot) !== slot) {
    const crew = net.input.crews.find((entry) => entry.id === net.tasks[number]?.crew);
    const weather = net.input.keptOff?.[net.tasks[number]?.calendar ?? '']?.slots.get(slot);
    const worked = net.base[number]?.worked.includes(slot);
    return no(
      'pin-refused',
      !worked
        ? `Nobody works at this on ${when}.`
        : weather
          ? `Not on ${when}: ${sayWeather(weather, firm.today)}.`
          : `${crew?.name ?? 'The crew'} is away on ${when}.`,
      'day',
    );
  }
  return placement.start[number] === slot
    ? { job: facts.job, work: facts.work }
    : no(
        'pin-refused',
        `It cannot start on ${when}. ${sayReason(reasonsIn(net, placement)(number), firm.today)}`,
        'day',
      );
}
