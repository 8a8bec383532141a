import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** What would pull the named piece of work forward. */
export const GET = route({ need: 'person' }, async (installation, request) => {
  const task = new URL(request.url).searchParams.get('task') ?? '';
  return Response.json(await inThread(installation, { name: 'pull', signal: request.signal }, task));
});
