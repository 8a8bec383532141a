import { checked } from '@/server/checked';
import { signInSchema } from '@/contract/sign-in';
import { fromRequest, keepToken, signOut } from '@/server/access/session';
import { signIn } from '@/server/accounts/sign-in';
import { jsonBody } from '@/server/http';
import { readyOwnPage } from '@/server/public/own';
import { route } from '@/server/route';

export const POST = route({ need: 'nobody' }, async (installation, request) => {
  const proof = await checked(signInSchema, await jsonBody(request, 10_000));
  const { person, token } = await signIn(installation, proof, await fromRequest());
  readyOwnPage(installation, person);
  await keepToken(token);
  return Response.json({ person });
});

export const DELETE = route({ need: 'nobody' }, async () => {
  await signOut();
  return new Response(null, { status: 204 });
});
