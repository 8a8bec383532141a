import { execute } from '../database/query';
import { handlers, openJobs, requireRow } from '../door/handler';
import { weighPlans } from '../firm/commands';

export const goalHandlers = handlers({
  'goals.weigh': (context, { jobs, ...firm }) => {
    weighPlans(context.db, firm);
    for (const { job, weight } of jobs) {
      requireRow(context, 'job', job, 'jobs');
      execute(context.db, 'UPDATE job SET weight = @weight WHERE id = @job', { job, weight });
    }
    context.replanAll(openJobs(context), { kind: 'weights' });
  },
});
