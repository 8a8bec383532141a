import { route } from '@/server/route';
import { Refusal } from '@/server/dispatch/refusal';
import { readPlan } from '@/server/reading/plan';

/** The newest plan over all jobs as a document that can be checked by itself. */
export const GET = route({ session: true }, (installation) => {
  const plan = readPlan(installation.db);
  if (!plan)
    throw new Refusal(404, { code: 'no-plan', message: 'There is no plan yet; set out the areas of a job first.' });
  return Response.json(plan);
});
