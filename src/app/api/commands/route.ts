import { route } from '@/server/route';
import { dispatchSoon } from '@/server/dispatch/dispatch-soon';
import { foundFirm } from '@/contract/commands/firm';
import { signIn, whoAsks } from '@/server/access/session';
import type { Installation } from '@/server/installation';
import { jsonBody, problem } from '@/server/http';
import { openLink } from '@/server/public/shared';
import { Refusal } from '@/server/refusal';
import type { Actor } from '@/server/door/actor';
import { isPrepared } from '@/server/dispatch/prepare';
import type { Prepared } from '@/server/door/prepared';
import { dispatchLarge, isLarge } from '@/server/threads/dispatch-large';
import { inThread } from '@/server/threads/in-thread';

async function standing(installation: Installation, request: Request): Promise<Actor> {
  const token = request.headers.get('x-aftermist-link');
  if (token === null) return whoAsks();
  const link = openLink(installation, token);
  if (!link) throw new Refusal(404, { code: 'link-closed', message: 'This link does not open any more.' });
  return { kind: 'link', id: link.id, audience: link.audience, job: link.job, sub: link.sub };
}

/** What its handler wants to know and takes too long to be asked where everybody waits. */
async function preparedFor(
  installation: Installation,
  who: Actor,
  body: unknown,
): Promise<Partial<Prepared> | undefined> {
  const { type } = (body ?? {}) as { type?: unknown };
  if (!isPrepared(type)) return undefined;
  const prepared = await inThread(installation, { name: 'prepare' }, who, body);
  return prepared && { [type]: prepared };
}

async function dispatched(installation: Installation, who: Actor, body: unknown): ReturnType<typeof dispatchSoon> {
  if (isLarge(body)) return dispatchLarge(installation, who, body);
  return dispatchSoon(installation, who, body, await preparedFor(installation, who, body));
}

export const POST = route({ session: false }, async (installation, request) => {
  const body = await jsonBody(request);
  const who = await standing(installation, request);
  const { httpStatus, ...answer } = await dispatched(installation, who, body);
  if (answer.status === 'refused') return problem({ ...answer.problem, ...{ id: answer.id } });
  // Whoever founds the firm is its owner and comes in with it.
  if (answer.status === 'applied' && (body as { type?: unknown }).type === foundFirm.type)
    await signIn((answer.result as { person: string }).person);
  return Response.json(answer, { status: httpStatus });
});
