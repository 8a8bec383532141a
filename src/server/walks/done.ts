import { carryOut, handlers } from '../door/handler';
import { keepDoneWord, settleDoneWord } from '../news/done-words';
import { walkHandlers } from './commands';

export const doneHandlers = handlers({
  'done.say': (context, payload) => keepDoneWord(context, payload),
  // It is a record like any that was seen on a walk: a short walk of its own, by whoever takes it.
  'done.take': (context, { id, version, walk, progress, shown }) => {
    const { job, area, phase, picture, standpoint, note, name } = settleDoneWord(context, { id, version }, 'taken');
    carryOut(context, 'walk.start', walkHandlers['walk.start'], { id: walk, job, kind: 'progress' });
    carryOut(context, 'observation.record', walkHandlers['observation.record'], {
      observation: { id: progress, walk, area, kind: 'progress', phase, fraction: 1 },
    });
    if (picture)
      carryOut(context, 'observation.record', walkHandlers['observation.record'], {
        observation: {
          ...{ id: shown, walk, area, kind: 'picture', picture, text: note || `done, says ${name}` },
          ...(standpoint ? { standpoint } : {}),
        },
      });
    carryOut(context, 'walk.finish', walkHandlers['walk.finish'], { id: walk });
  },
  'done.refuse': (context, { id, version, answer }) => {
    const { job } = settleDoneWord(context, { id, version }, 'not yet', answer);
    context.logFor(job);
  },
});
