import { route } from '@/server/route';
import { whoAsks } from '@/server/access/session';
import { jsonBody, problem } from '@/server/http';
import { inThread } from '@/server/threads/in-thread';

/** What a command would do to the plan; nothing is changed. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const [who, body] = [await whoAsks(), await jsonBody(request)];
  const answer = await inThread(installation, { name: 'preview', signal: request.signal }, who, body);
  return 'problem' in answer ? problem(answer.problem) : Response.json(answer.view);
});
