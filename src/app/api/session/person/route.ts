import { route } from '@/server/route';
import { become } from '@/server/access/session';
import { jsonBody } from '@/server/http';

export const POST = route({ need: 'nobody' }, async (_house, request) => {
  const body = await jsonBody(request);
  const id =
    typeof body === 'object' && body !== null && 'person' in body && typeof body.person === 'string' ? body.person : '';
  await become(id);
  return Response.json({ person: id });
});
