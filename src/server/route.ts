import { needSession } from './access/session';
import { installation } from './open-installation';
import type { Installation } from './installation';
import { Refusal } from './refusal';
import { isMet, NEED_WORDS, type Need } from './rights/need';
import { needAllSeen, seesOf, type Sees } from './rights/sees';
import type { PersonView } from '@/contract/views/job';
import { problemResponse, refuseForeignOrigin } from './http';

type Answer = Response | Promise<Response>;

/**
 * Every route handler: what changes something is refused from another site, who must be signed in is asked for it, and
 * what is refused inside is told as problem JSON.
 * @param need who gets an answer; where it depends on what is asked for, worked out from that
 */
export const route =
  <Params = unknown>(
    { need }: { need: Need | ((params: Params) => Need) },
    handle: (installation: Installation, request: Request, params: Params) => Answer,
  ) =>
  async (request: Request, { params }: { params: Promise<Params> }): Promise<Response> => {
    try {
      if (request.method !== 'GET') refuseForeignOrigin(request);
      const asked = await params;
      const asks = typeof need === 'function' ? need(asked) : need;
      const house = installation();
      if (asks === 'nobody' || asks === 'link') return await handle(house, request, asked);
      const seen = { ...house, sees: seesFor(asks, await needSession()) };
      needAllSeen(house.db, seen.sees, [asked, new URL(request.url).search]);
      return await handle(seen, request, asked);
    } catch (error) {
      // Whoever asked has gone: what was stopped for that is nobody's fault, and is read by nobody.
      if (request.signal.aborted) return new Response(null, { status: 499 });
      return problemResponse(error);
    }
  };

/** What they see, where they may ask at all. */
function seesFor(need: Need, person: PersonView): Sees {
  const sees = seesOf(installation().db, person);
  if (!isMet(need, person, sees)) throw new Refusal(403, { code: 'not-allowed', message: NEED_WORDS[need] });
  return sees;
}
