import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { paperResponse } from '@/server/papers/paper-response';
import { inThread } from '@/server/threads/in-thread';
import { linkOf } from '@/server/access/link';
import { sentStatement } from '@/server/public/shared';
import { readJob } from '@/server/reading/reading';

/** The statement as its client has it on their link, as a paper. */
export const GET = route<{ token: string }>({ need: 'link' }, async (installation, _request, params) => {
  const link = await linkOf(params.token);
  const number =
    link?.audience === 'client' && link.job ? sentStatement(readJob(installation, link.job))?.number : undefined;
  if (!link?.job || number === undefined)
    throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
  return paperResponse(
    await inThread(installation, { name: 'job paper' }, link.job, 'statement.pdf', { version: number }),
  );
});
