import { whoAsks } from '@/server/access/session';
import { preview } from '@/server/door/preview';
import { house } from '@/server/house';
import { jsonBody, problem, problemResponse, refuseForeignOrigin } from '@/server/http';

/** What a command would do to the plan; nothing is changed. */
export async function POST(request: Request): Promise<Response> {
  try {
    refuseForeignOrigin(request);
    const answer = preview(house(), await whoAsks(), await jsonBody(request));
    return 'problem' in answer ? problem(answer.problem) : Response.json(answer.view);
  } catch (error) {
    return problemResponse(error);
  }
}
