import { route } from '@/server/route';
import { dispatchSoon } from '@/server/dispatch/dispatch-soon';
import { foundFirm } from '@/contract/commands/firm';
import { fromRequest, letIn, sessionHere, whoAsks } from '@/server/access/session';
import type { Installation } from '@/server/installation';
import { jsonBody, problem } from '@/server/http';
import { linkOf } from '@/server/access/link';
import { foundingCode } from '@/server/folder-check.mjs';
import { queryOne } from '@/server/database/query';
import { Refusal } from '@/server/refusal';
import type { Actor } from '@/server/door/actor';
import { isPrepared } from '@/server/dispatch/prepare';
import type { Prepared } from '@/server/door/prepared';
import { dispatchLarge, isLarge } from '@/server/threads/dispatch-large';
import { inThread } from '@/server/threads/in-thread';

async function standing(installation: Installation, request: Request): Promise<Actor> {
  const token = request.headers.get('x-aftermist-link');
  if (token === null) {
    const who = await whoAsks();
    const meant = request.headers.get('x-aftermist-person');
    // What one recorded on a shared device never goes out under another's name.
    if (meant !== null && (who.kind !== 'person' || who.id !== meant))
      throw new Refusal(401, { code: 'other-person', message: 'Somebody else is signed in on this device now.' });
    return who;
  }
  const link = await linkOf(token);
  if (!link) throw new Refusal(404, { code: 'link-closed', message: 'This link does not open any more.' });
  const from = { ...(await fromRequest()), person: (await sessionHere())?.id ?? null };
  const { id, audience, job, sub } = link;
  return { kind: 'link', ...{ id, audience, job, sub }, request: link.request, from };
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

/** Whoever founds the firm has the code that was printed where it was started; the demo is nobody's to found. */
function needFoundingCode({ demo, secret, db }: Installation, body: unknown): void {
  const { type, payload } = (body ?? {}) as { type?: unknown; payload?: { code?: unknown } };
  if (type !== foundFirm.type || demo || queryOne(db, 'SELECT 1 FROM firm')) return;
  const said = (typeof payload?.code === 'string' ? payload.code : '').toUpperCase().replaceAll(/[^A-Z0-9]/g, '');
  if (said !== foundingCode(secret).replace('-', ''))
    throw new Refusal(403, {
      code: 'wrong-code',
      message: 'This is not the code that was printed where the house was started. It is like ABCD-2345.',
      field: 'code',
    });
}

/** Nobody from outside has more to say at once. */
const LARGEST_FROM_OUTSIDE = 200_000;

export const POST = route({ need: 'nobody' }, async (installation, request) => {
  const who = await standing(installation, request);
  const body = await jsonBody(request, who.kind === 'person' ? undefined : LARGEST_FROM_OUTSIDE);
  if (who.kind === 'founder') needFoundingCode(installation, body);
  const { httpStatus, ...answer } = await dispatched(installation, who, body);
  if (answer.status === 'refused') return problem({ ...answer.problem, ...{ id: answer.id } });
  // Whoever founds the firm is its owner and comes in with it.
  if (answer.status === 'applied' && (body as { type?: unknown }).type === foundFirm.type)
    await letIn((answer.result as { person: string }).person);
  return Response.json(answer, { status: httpStatus });
});
