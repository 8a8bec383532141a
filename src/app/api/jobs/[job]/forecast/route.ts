import { whoAsks } from '@/server/access/session';
import { seesPrices } from '@/server/door/actor';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** What a forecast of a job is played from. */
export const GET = route<{ job: string }>({ session: true }, async (installation, request, { job }) =>
  Response.json(
    await inThread(installation, { name: 'forecast', signal: request.signal }, job, seesPrices(await whoAsks())),
  ),
);
