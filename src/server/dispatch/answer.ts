import type { AnswerStep } from '@/contract/commands/advice';
import { kindOf, type Input } from '@/contract/commands';
import { insert, orNull } from '../database/query';
import { permissionOf } from '../door/actor';
import { carryOut, handlers, personOf, requireRow, type Handle, type PlanContext } from '../door/handler';
import { notFound, Refusal } from '../refusal';
import { inspectionHandlers } from '../schedule/inspections';
import { pinHandlers } from '../schedule/pins';
import { selectionHandlers } from '../selections/commands';
import { supplierHandlers } from '../selections/suppliers';
import { methodHandlers } from '../sequence/method-commands';
import { sequenceHandlers } from '../sequence/commands';
import { stepHandlers } from '../sequence/step-commands';
import { provisionHandlers } from '../sites/provisions';
import { workedDayHandlers } from '../sites/worked-days';
import { visitHandlers } from '../visits/commands';
import { today } from '../zone';

/** Who carries out what an answer is made of. */
const CHANGES: { readonly [Type in AnswerStep]: Handle<Type> } = {
  'method.choose': methodHandlers['method.choose'],
  'step.split': stepHandlers['step.split'],
  'visit.give': visitHandlers['visit.give'],
  'selection.choose': selectionHandlers['selection.choose'],
  'selection.fit-later': selectionHandlers['selection.fit-later'],
  'link.add': sequenceHandlers['link.add'],
  'pin.drop': pinHandlers['pin.drop'],
  'step.time': methodHandlers['step.time'],
  'visit.free': visitHandlers['visit.free'],
  'worked-day.add': workedDayHandlers['worked-day.add'],
  'provision.add': provisionHandlers['provision.add'],
  'supplier.say': supplierHandlers['supplier.say'],
  'inspection.cancel': inspectionHandlers['inspection.cancel'],
  'inspection.book': inspectionHandlers['inspection.book'],
};

export const answerHandlers = handlers({
  'answer.take': (context, { id, job, selection, task, title, steps, ends, wouldEnd }) => {
    requireRow(context, 'job', job, 'job');
    if (selection !== undefined && requireRow(context, 'selection', selection, 'selection').job !== job)
      throw notFound('selection in this job', 'selection');
    context.planStays(job);
    for (const { type, payload } of steps) change(context, type, payload as Input<typeof type>);
    insert(context.db, 'slip_answer', {
      ...{ id, job, selection: orNull(selection), task: orNull(task), title },
      ...{ taken_on: today(context.installation), by: personOf(context) ?? '', ends, would_end: wouldEnd },
    });
  },
});

/** One of its changes, by the rules of its own subject and the rights of whoever takes the answer. */
function change<Type extends AnswerStep>(context: PlanContext, type: Type, payload: Input<Type>): void {
  if (!kindOf(type).may.includes(permissionOf(context.who)))
    throw new Refusal(403, {
      code: 'not-allowed',
      message: 'Part of this answer is not yours to give.',
      field: 'steps',
    });
  carryOut(context, type, CHANGES[type], payload);
}
