import { needSession } from '@/server/access/session';
import { endSession } from '@/server/accounts/sessions';
import { notFound } from '@/server/refusal';
import { route } from '@/server/route';

/** Signs one browser of one's own out: a telephone that was lost. */
export const DELETE = route<{ session: string }>({ need: 'person' }, async ({ db }, _request, { session }) => {
  const { id } = await needSession();
  if (!endSession(db, id, session)) throw notFound('browser of yours');
  return new Response(null, { status: 204 });
});
