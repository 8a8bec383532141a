import { needSession } from '@/server/access/session';
import { showLink } from '@/server/news/showings';
import { route } from '@/server/route';

/** The address of a link, for somebody of the firm; that it was shown is written down. */
export const POST = route<{ link: string }>({ need: 'person' }, async (installation, _, { link }) => {
  const { id } = await needSession();
  const { path, seq } = showLink(installation, id, link);
  installation.news.emit('log', seq);
  return Response.json({ path });
});
