import { whoAsks } from '@/server/access/session';
import { route } from '@/server/route';
import { partsResponse } from '@/server/threads/parts-response';

/** What slipped and every answer to it, each placed on the whole firm and told as soon as it is. */
export const GET = route({ need: 'person' }, async (installation, request) => {
  const asked = new URL(request.url).searchParams;
  const [selection, task] = [asked.get('selection'), asked.get('task') ?? ''];
  const of = selection === null ? { task } : { selection };
  return partsResponse(installation, { name: 'advice', signal: request.signal }, await whoAsks(), of);
});
