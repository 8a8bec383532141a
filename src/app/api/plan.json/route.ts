import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** The newest plan over all jobs as a document that can be checked by itself. */
export const GET = route({ need: 'all jobs' }, async (installation, request) => {
  const plan = await inThread(installation, { name: 'plan document', signal: request.signal });
  return new Response(plan, { headers: { 'content-type': 'application/json' } });
});
