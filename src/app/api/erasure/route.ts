import { erasureSchema } from '@/contract/erasure';
import { whoAsks } from '@/server/access/session';
import { backupsFolder } from '@/server/reading/backup';
import { checked } from '@/server/checked';
import { actorKey } from '@/server/door/actor';
import { jsonBody } from '@/server/http';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/**
 * Where somebody is named, and taking them out of it. Not a command: what is typed here is written down nowhere, least of
 * all in the log.
 */
export const POST = route({ need: 'owner' }, async (installation, request) => {
  const { words: text, person, sure } = await checked(erasureSchema, await jsonBody(request, 10_000));
  const words = [...new Set(text.split('\n').map((word) => word.trim()))].filter(Boolean);
  const terms = { words, person: person || null };
  if (!sure) return Response.json({ places: await inThread(installation, { name: 'where named' }, terms) });
  const { seq, ...done } = await inThread(installation, { name: 'erase' }, terms, actorKey(await whoAsks()));
  installation.news.emit('log', seq);
  return Response.json({ ...done, backups: installation.demo ? null : (backupsFolder(installation) ?? null) });
});
