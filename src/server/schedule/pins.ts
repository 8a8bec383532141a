import { isOfficeCalendar } from '@/core/sequence/calendars';
import { placedLike } from '@/core/schedule/plan';
import { firstFrom } from '@/core/schedule/objective';
import { reasonFor } from '@/core/schedule/reasons';
import { formatSlot, slotOf } from '@/core/units/slot';
import { today } from '../zone';
import { insert, queryOne, execute } from '../database/query';
import { handlers, type CommandContext } from '../dispatch/handler';
import { notFound, unprocessable } from '../dispatch/refusal';
import { readFirm } from '../reading/reading';
import { planInput } from './plan-input';

/** Says why a pin cannot hold, in the words of the rule, the delivery or the crew that keeps the work from there. */
function refuseUnlessHeld(context: CommandContext, task: string, slot: number): void {
  const on = today(context.installation);
  const placed = placedLike(planInput(readFirm(context.installation)));
  if (!placed.ok) throw unprocessable(placed.problem.code, placed.problem.message, 'task');
  const { net, placement } = placed.value;
  const number = net.index.get(task) ?? -1;
  const when = formatSlot(on, slot);
  if (firstFrom(net, number, slot) !== slot) {
    const crew = net.input.crews.find((crew) => crew.id === net.tasks[number]?.crew);
    const weather = net.input.keptOff?.[net.tasks[number]?.calendar ?? '']?.slots.get(slot);
    const worked = net.base[number]?.worked.includes(slot);
    throw unprocessable(
      'pin-refused',
      !worked
        ? `Nobody works at this on ${when}.`
        : weather
          ? `Not on ${when}: ${weather}.`
          : `${crew?.name ?? 'The crew'} is away on ${when}.`,
      'day',
    );
  }
  if (placement.start[number] === slot) return;
  throw unprocessable('pin-refused', `It cannot start on ${when}. ${reasonFor(net, placement, number).text}`, 'day');
}

export const pinHandlers = handlers({
  'pin.set': (context, { task, day, half, reason }) => {
    const on = today(context.installation);
    if (day < on) throw unprocessable('pin-past', 'That day is over; choose today or a later one.', 'day');
    const known = placedLike(planInput(readFirm(context.installation)));
    const facts = known.ok ? known.value.net.tasks[known.value.net.index.get(task) ?? -1] : undefined;
    if (!facts) throw notFound('piece of work', 'task');
    if (facts.state !== 'waiting')
      throw unprocessable(
        'pin-begun',
        `${facts.label} is ${facts.state === 'done' ? 'done' : 'under way'}; only what has not begun can be moved.`,
        'task',
      );
    if (isOfficeCalendar(facts.calendar))
      throw unprocessable('pin-office', 'The office’s day is set by booking its visit.', 'task');
    execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
    insert(context.db, 'pin', { task, job: facts.job, day, half: half === 1 ? 1 : 0, reason, made_at: context.now });
    refuseUnlessHeld(context, task, slotOf(on, day, half === 1 ? 1 : 0));
    context.replan(facts.job, `${facts.label} was pinned: ${reason}`);
  },
  'pin.drop': (context, { task }) => {
    const pin = queryOne<{ job: string }>(context.db, 'SELECT job FROM pin WHERE task = @task', { task });
    if (!pin) throw notFound('pin', 'task');
    execute(context.db, 'DELETE FROM pin WHERE task = @task', { task });
    context.replan(pin.job, 'a pin was taken out');
  },
});
