import { joinSchema } from '@/contract/sign-in';
import { fromRequest, letIn } from '@/server/access/session';
import { join } from '@/server/accounts/own-account';
import { checked } from '@/server/checked';
import { jsonBody } from '@/server/http';
import { route } from '@/server/route';

/** A password chosen by an invitation; whoever chose it is in. */
export const POST = route<{ token: string }>({ need: 'link' }, async (installation, request, { token }) => {
  const { password } = await checked(joinSchema, await jsonBody(request, 10_000));
  await letIn(await join(installation, token, password, await fromRequest()));
  return new Response(null, { status: 204 });
});
