import { route } from '@/server/route';
import { ValidationError } from 'yup';
import { signInSchema } from '@/contract/sign-in';
import { checkPassword, signIn, signOut } from '@/server/access/session';
import { Refusal } from '@/server/refusal';
import { jsonBody } from '@/server/http';

export const POST = route({ session: false }, async (_house, request) => {
  const { email, password } = await signInSchema
    .validate(await jsonBody(request), { strict: true })
    .catch((error: unknown) => {
      throw error instanceof ValidationError
        ? new Refusal(400, {
            code: 'bad-input',
            message: error.message,
            ...(error.path ? { field: error.path } : {}),
          })
        : error;
    });
  const person = checkPassword(email, password);
  if (!person)
    throw new Refusal(401, {
      code: 'wrong-password',
      message: 'Address and password do not belong together.',
      field: 'password',
    });
  await signIn(person);
  return Response.json({ person });
});

export const DELETE = route({ session: false }, async () => {
  await signOut();
  return new Response(null, { status: 204 });
});
