import type { Role } from '@/contract/command';
import { needSession } from './access/session';
import { installation } from './open-installation';
import type { Installation } from './installation';
import { Refusal } from './refusal';
import { problemResponse, refuseForeignOrigin } from './http';

type Answer = Response | Promise<Response>;

/**
 * Every route handler: what changes something is refused from another site, who must be signed in is asked for it, and
 * what is refused inside is told as problem JSON.
 * @param may who of those signed in gets an answer; everybody where it is left out
 */
export const route =
  <Params = unknown>(
    { session, may }: { session: boolean; may?: (params: Params) => readonly Role[] },
    handle: (installation: Installation, request: Request, params: Params) => Answer,
  ) =>
  async (request: Request, { params }: { params: Promise<Params> }): Promise<Response> => {
    try {
      if (request.method !== 'GET') refuseForeignOrigin(request);
      const asked = await params;
      if (session) needRole(await needSession(), may?.(asked));
      return await handle(installation(), request, asked);
    } catch (error) {
      // Whoever asked has gone: what was stopped for that is nobody's fault, and is read by nobody.
      if (request.signal.aborted) return new Response(null, { status: 499 });
      return problemResponse(error);
    }
  };

function needRole({ role }: { role: Role }, may: readonly Role[] | undefined): void {
  if (may && !may.includes(role))
    throw new Refusal(403, { code: 'not-allowed', message: 'This holds prices: ask the contractor or the office.' });
}
