import { route } from '@/server/route';
import { pullView } from '@/server/schedule/pull';

/** What would pull the named piece of work forward. */
export const GET = route({ session: true }, (installation, request) => {
  return Response.json(pullView(installation, new URL(request.url).searchParams.get('task') ?? ''));
});
