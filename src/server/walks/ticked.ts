import { isPassedByName } from '@/core/sequence/inspections';
import { phaseFacts } from '@/core/sequence/phases';
import { carryOut, handlers, requireRow } from '../door/handler';
import { Refusal } from '../refusal';
import { walkHandlers } from './commands';

export const tickedHandlers = handlers({
  // Records like any that are made on a walk: a short walk of its own, by whoever ticks them.
  'step.tick': (context, { walk, job, steps, by }) => {
    carryOut(context, 'walk.start', walkHandlers['walk.start'], { id: walk, job, kind: 'progress' });
    steps.forEach(({ id, area, phase }, index) => {
      const passed = by && isPassedByName(phase) ? { by } : {};
      try {
        carryOut(context, 'observation.record', walkHandlers['observation.record'], {
          observation: { id, walk, area, kind: 'progress', phase, fraction: 1, ...passed },
        });
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        // Of many it is said which one cannot be done.
        const { code, message } = error.problem;
        const { name } = requireRow(context, 'area', area, `steps[${index}].area`);
        throw new Refusal(error.status, {
          code,
          message: `${name}, ${phaseFacts(phase).label}. ${message}`,
          field: code === 'nobody-named' ? 'by' : `steps[${index}]`,
        });
      }
    });
    carryOut(context, 'walk.finish', walkHandlers['walk.finish'], { id: walk });
  },
  'step.untick': (context, { walk, steps }) =>
    steps.forEach(({ id, area, about }) =>
      carryOut(context, 'observation.record', walkHandlers['observation.record'], {
        observation: { id, walk, area, kind: 'withdrawal', about },
      }),
    ),
});
