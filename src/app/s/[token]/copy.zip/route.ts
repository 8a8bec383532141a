import { fileResponse, temporaryFile } from '@/server/files/temporary';
import { linkOf } from '@/server/access/link';
import { jobRow } from '@/server/reading/job';
import { readJob } from '@/server/reading/reading';
import { Refusal } from '@/server/refusal';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** A client’s copy, once their job comes to its end. */
export const GET = route<{ token: string }>({ need: 'link' }, async (installation, _request, params) => {
  const link = await linkOf(params.token);
  const state = link?.audience === 'client' && link.job ? jobRow(readJob(installation, link.job)).state : '';
  if (!link?.job || !['completing', 'closed'].includes(state))
    throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
  const { file, drop } = temporaryFile();
  try {
    const { name } = await inThread(installation, { name: 'pack client copy' }, link.job, file);
    return fileResponse(file, `${name.replace(/[^\w-]+/g, '-').toLowerCase()}-copy.zip`, 'application/zip', drop);
  } catch (error) {
    drop();
    throw error;
  }
});
