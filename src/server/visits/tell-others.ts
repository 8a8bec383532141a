import type { Payload } from '@/contract/commands';
import type { Plan } from '@/core/schedule/plan';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { dayOfSlot } from '@/core/units/slot';
import { sayHalfDay, sayNeighbourWord, sayOfficeWord } from '@/core/words/visit-word';
import { insert, execute, queryOne } from '../database/query';
import { prepared, requireRow, type CommandContext } from '../door/handler';
import { notifyNeighbour, notifyParty } from '../news/notify';
import { neighboursKnow } from '../news/updates';
import { unprocessable } from '../refusal';
import { today } from '../zone';

/** Whom somebody calls back. */
const callBack = ({ db }: CommandContext): string => {
  const who = queryOne<{ name: string; phone: string }>(
    db,
    `SELECT name, phone FROM person WHERE role = 'contractor' AND state = 'active' ORDER BY rowid`,
  );
  return who?.phone ? `${who.name}, ${who.phone}` : '';
};

/** Tells offices of visits that the plan cannot keep, or keeps after all; those without a letter were called. */
export function tellOffices(
  context: CommandContext,
  plan: Pick<Plan, 'origin' | 'tasks'>,
  { offices, officeLetters }: Payload<'visit.tell'>,
): void {
  offices.forEach(({ inspection: id, off }, index) => {
    const visit = requireRow(context, 'inspection', id, `offices[${index}].inspection`);
    const task = plan.tasks.find((one) => one.id === taskId(visit.area, visit.phase));
    const isKept = task !== undefined && dayOfSlot(plan.origin, task.start) === visit.day;
    if (visit.state !== 'booked' || isKept === off)
      throw unprocessable(
        'moved-since',
        'That visit is otherwise since this list was made; look at the list of now.',
        `offices[${index}].inspection`,
      );
    const letter = officeLetters.find(({ inspection }) => inspection === id);
    if (letter) {
      const { inspection: _, ...to } = letter;
      const words = sayOfficeWord({
        ...{ job: requireRow(context, 'job', visit.job).name, what: phaseFacts(visit.phase).label, off },
        ...{ when: sayHalfDay(visit, today(context.installation)), call: callBack(context) },
      });
      notifyParty(context, visit.job, { inspection: id }, words, to);
    }
    execute(context.db, 'DELETE FROM inspection_told WHERE inspection = @id', { id });
    insert(context.db, 'inspection_told', { inspection: id, off: off ? 1 : 0, said_at: context.now });
  });
}

/** Tells neighbours which of the days they were told have moved; those without a letter were told otherwise. */
export function tellNeighbours(context: CommandContext, { near, neighbours }: Payload<'visit.tell'>): void {
  const known = prepared(context, 'visit.tell');
  near.forEach(({ job }, index) => {
    const { name, address } = requireRow(context, 'job', job, `near[${index}].job`);
    const moved = known[job];
    if (!moved || moved.lines.length === 0)
      throw unprocessable(
        'moved-since',
        'No day of theirs has moved any more; look at the list of now.',
        `near[${index}].job`,
      );
    const words = sayNeighbourWord(address || name, moved.lines, callBack(context));
    for (const { neighbour, ...to } of neighbours) {
      const row = requireRow(context, 'neighbour', neighbour, 'neighbours');
      if (row.job === job) notifyNeighbour(context, job, words, to);
    }
    neighboursKnow(context.db, job, moved.days);
  });
}
