import { signedIn } from '@/server/access/session';
import { Refusal } from '@/server/door/refusal';
import { findable } from '@/server/find/queries';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';

export async function GET(): Promise<Response> {
  try {
    if (!(await signedIn())) throw new Refusal(401, { code: 'not-signed-in', message: 'Sign in first.' });
    return Response.json(findable(house()));
  } catch (error) {
    return problemResponse(error);
  }
}
