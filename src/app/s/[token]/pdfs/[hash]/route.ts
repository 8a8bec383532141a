import { linkOf } from '@/server/access/link';
import { pdfResponse } from '@/server/files/pdfs';
import { sharedPdf } from '@/server/public/attachments';
import { Refusal } from '@/server/refusal';
import { route } from '@/server/route';

/** A drawing or permit of a room in which they work, or of what they are asked, for whoever holds the link; no other. */
export const GET = route<{ token: string; hash: string }>({ need: 'link' }, async (installation, request, params) => {
  const { token, hash } = params;
  const link = await linkOf(token);
  const paper = link && sharedPdf(installation, link, hash);
  if (!paper) throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
  return pdfResponse(installation, hash, request, paper.name);
});
