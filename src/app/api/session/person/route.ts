import { signIn } from '@/server/access/session';
import { one } from '@/server/database/query';
import { Refusal } from '@/server/door/refusal';
import { house } from '@/server/house';
import { jsonBody, problemResponse, refuseForeignOrigin } from '@/server/http';

/** Switches person without a password: only in the demo, where all people are invented. */
export async function POST(request: Request): Promise<Response> {
  try {
    refuseForeignOrigin(request);
    if (!house().demo) throw new Refusal(403, { code: 'not-the-demo', message: 'People are switched only in the demo.' });
    const body = await jsonBody(request);
    const id = typeof body === 'object' && body !== null && 'person' in body && typeof body.person === 'string' ? body.person : '';
    if (!one(house().db, 'SELECT 1 FROM person WHERE id = @id', { id })) throw new Refusal(404, { code: 'unknown-id', message: 'There is no such person here.', field: 'person' });
    await signIn(id);
    return Response.json({ person: id });
  } catch (error) {
    return problemResponse(error);
  }
}
