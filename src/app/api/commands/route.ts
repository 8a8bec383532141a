import { route } from '@/server/route';
import { dispatch } from '@/server/dispatch/dispatch';
import { foundFirm } from '@/contract/commands/firm';
import { signIn, whoAsks } from '@/server/access/session';
import type { Installation } from '@/server/installation';
import { jsonBody, problem } from '@/server/http';
import { openLink } from '@/server/public/shared';
import { Refusal } from '@/server/dispatch/refusal';
import type { Actor } from '@/server/dispatch/actor';

async function standing(installation: Installation, request: Request): Promise<Actor> {
  const token = request.headers.get('x-aftermist-link');
  if (token === null) return whoAsks();
  const link = openLink(installation, token);
  if (!link) throw new Refusal(404, { code: 'link-closed', message: 'This link does not open any more.' });
  return { kind: 'link', id: link.id, audience: link.audience, job: link.job, sub: link.sub };
}

export const POST = route({ session: false }, async (installation, request) => {
  const body = await jsonBody(request);
  const { httpStatus, ...answer } = dispatch(installation, await standing(installation, request), body);
  if (answer.status === 'refused') return problem({ ...answer.problem, ...{ id: answer.id } });
  // Whoever founds the firm is its owner and comes in with it.
  if (answer.status === 'applied' && (body as { type?: unknown }).type === foundFirm.type)
    await signIn((answer.result as { person: string }).person);
  return Response.json(answer, { status: httpStatus });
});
