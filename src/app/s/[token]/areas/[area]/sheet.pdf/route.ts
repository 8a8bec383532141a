import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { originOf } from '@/server/http';
import { paperResponse } from '@/server/papers/paper-response';
import type { Installation } from '@/server/installation';
import { linkOf } from '@/server/access/link';
import type { OpenLink } from '@/server/public/links';
import { areasOfParty } from '@/server/public/party';
import { areasOfCrew } from '@/server/public/shared';
import { readFirm, readJob } from '@/server/reading/reading';
import { inThread } from '@/server/threads/in-thread';

/** Whoever is asked about an area, or works there. */
function isTheirs(installation: Installation, link: OpenLink, area: string): boolean {
  if (link.audience === 'party' && link.job) return areasOfParty(readJob(installation, link.job), link).includes(area);
  if (link.audience !== 'crew' && link.audience !== 'sub') return false;
  const firm = link.job ? readJob(installation, link.job).firm : readFirm(installation);
  return areasOfCrew(firm, link).has(area);
}

/** The sheet of an area with its drawings, for whoever is asked about it or works there; of no other of the house. */
export const GET = route<{ token: string; area: string }>({ need: 'link' }, async (installation, request, params) => {
  const { token, area } = params;
  const link = await linkOf(token);
  if (!link || !isTheirs(installation, link, area))
    throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
  return paperResponse(await inThread(installation, { name: 'area paper' }, area, 'sheet.pdf', originOf(request)));
});
