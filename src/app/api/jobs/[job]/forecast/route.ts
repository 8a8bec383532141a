import { SEES_ALL } from '@/server/rights/sees';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** What a forecast of a job is played from. */
export const GET = route<{ job: string }>({ need: 'person' }, async (installation, request, { job }) =>
  Response.json(
    await inThread(installation, { name: 'forecast', signal: request.signal }, job, installation.sees ?? SEES_ALL),
  ),
);
