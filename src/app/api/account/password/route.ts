import { passwordSchema } from '@/contract/sign-in';
import { fromRequest, needSession } from '@/server/access/session';
import { changePassword } from '@/server/accounts/own-account';
import { checked } from '@/server/checked';
import { jsonBody } from '@/server/http';
import { route } from '@/server/route';

/** One's own password, anew: every other browser is signed out by it. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const words = await checked(passwordSchema, await jsonBody(request, 10_000));
  const { id, session } = await needSession();
  await changePassword(installation, { id, session }, words, await fromRequest());
  return new Response(null, { status: 204 });
});
