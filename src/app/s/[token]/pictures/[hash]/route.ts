import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { pictureResponse } from '@/server/files/picture-response';
import { linkOf } from '@/server/access/link';
import { sharesPicture } from '@/server/public/links';

/** A picture of the shared job, for whoever holds the link; no other picture of the house. */
export const GET = route<{ token: string; hash: string }>({ need: 'link' }, async (installation, request, params) => {
  const { token, hash } = params;
  const link = await linkOf(token);
  if (!link || !sharesPicture(installation, link, hash))
    throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
  return await pictureResponse(installation, hash, request);
});
