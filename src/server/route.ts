import { needSession } from './access/session';
import { installation } from './open-installation';
import type { Installation } from './installation';
import { problemResponse, refuseForeignOrigin } from './http';

type Answer = Response | Promise<Response>;

/**
 * Every route handler: what changes something is refused from another site, who must be signed in is asked for it, and
 * what is refused inside is told as problem JSON.
 */
export const route =
  <Params = unknown>(
    { session }: { session: boolean },
    handle: (installation: Installation, request: Request, params: Params) => Answer,
  ) =>
  async (request: Request, { params }: { params: Promise<Params> }): Promise<Response> => {
    try {
      if (request.method !== 'GET') refuseForeignOrigin(request);
      if (session) await needSession();
      return await handle(installation(), request, await params);
    } catch (error) {
      // Whoever asked has gone: what was stopped for that is nobody's fault, and is read by nobody.
      if (request.signal.aborted) return new Response(null, { status: 499 });
      return problemResponse(error);
    }
  };
