import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { Refusal } from '@/server/door/refusal';
import { problemResponse } from '@/server/http';
import { readPlan } from '@/server/schedule/read-plan';

/** The newest plan over all jobs as a document that can be checked by itself. */
export async function GET(): Promise<Response> {
  try {
    await needSession();
    const plan = readPlan(house().db);
    if (!plan)
      throw new Refusal(404, { code: 'no-plan', message: 'There is no plan yet; set out the areas of a job first.' });
    return Response.json(plan);
  } catch (error) {
    return problemResponse(error);
  }
}
