import { route } from '@/server/route';
import { whoAsks } from '@/server/access/session';
import { preview } from '@/server/dispatch/preview';
import { jsonBody, problem } from '@/server/http';

/** What a command would do to the plan; nothing is changed. */
export const POST = route({ session: false }, async (installation, request) => {
  const answer = preview(installation, await whoAsks(), await jsonBody(request));
  return 'problem' in answer ? problem(answer.problem) : Response.json(answer.view);
});
