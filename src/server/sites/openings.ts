import { execute, insert } from '../database/query';
import { handlers, requireRow, requireStep } from '../door/handler';
import { openingsOf } from '../reading/openings';
import { readJob } from '../reading/reading';
import { unprocessable } from '../refusal';
import { recordDecision } from './decisions';

export const openingHandlers = handlers({
  'opening.allow': (context, { id, area, phase, reason }) => {
    const { job, name } = requireRow(context, 'area', area, 'area');
    requireStep(context, area, phase);
    const opening = openingsOf(readJob(context.installation, job)).find(
      (one) => one.area.id === area && one.opens === phase,
    );
    if (!opening) throw unprocessable('nothing-opened', 'Nothing is opened here that waits to be closed.', 'phase');
    recordDecision(context, { id, job, area, subject: `${opening.what} is opened all the same`, reason });
    execute(context.db, 'DELETE FROM opened_anyway WHERE area = @area AND phase = @phase', { area, phase });
    insert(context.db, 'opened_anyway', { area, phase, decision: id });
    context.replan(job, { kind: 'opened-anyway', area, place: name, phase, why: reason });
  },
});
