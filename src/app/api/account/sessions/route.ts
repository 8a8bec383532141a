import { needSession } from '@/server/access/session';
import { endSessions } from '@/server/accounts/sessions';
import { route } from '@/server/route';

/** Signs oneself out everywhere but here. */
export const DELETE = route({ need: 'person' }, async ({ db }) => {
  const { id, session } = await needSession();
  return Response.json({ ended: endSessions(db, id, session) });
});
