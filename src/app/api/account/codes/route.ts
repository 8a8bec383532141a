import { codeSchema, endCodesSchema } from '@/contract/sign-in';
import { needSession } from '@/server/access/session';
import { dropCodes, firstCode, newCodes } from '@/server/accounts/own-account';
import { checked } from '@/server/checked';
import { jsonBody } from '@/server/http';
import { route } from '@/server/route';

/** A secret for a telephone; it counts once a first code of it was right. */
export const POST = route({ need: 'person' }, async (installation) =>
  Response.json(await newCodes(installation, await needSession())),
);

/** The first code. What comes back is for the day on which the telephone is gone, and is told once. */
export const PUT = route({ need: 'person' }, async (installation, request) => {
  const { code } = await checked(codeSchema, await jsonBody(request, 10_000));
  return Response.json({ recovery: firstCode(installation, await needSession(), code) });
});

export const DELETE = route({ need: 'person' }, async (installation, request) => {
  const { password } = await checked(endCodesSchema, await jsonBody(request, 10_000));
  await dropCodes(installation, await needSession(), password);
  return new Response(null, { status: 204 });
});
