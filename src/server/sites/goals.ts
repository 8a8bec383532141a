import { execute } from '../database/query';
import { handlers, openJobs, requireRow } from '../door/handler';
import { weighTrips } from '../firm/commands';

export const goalHandlers = handlers({
  'goals.weigh': (context, { tripWeight, jobs }) => {
    weighTrips(context.db, tripWeight);
    for (const { job, weight } of jobs) {
      requireRow(context, 'job', job, 'jobs');
      execute(context.db, 'UPDATE job SET weight = @weight WHERE id = @job', { job, weight });
    }
    context.replanAll(openJobs(context), { kind: 'weights' });
  },
});
