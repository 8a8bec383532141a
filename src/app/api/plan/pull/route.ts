import { route } from '@/server/route';
import { pullView } from '@/server/schedule/pull';

/** What would pull the named piece of work forward. */
export const GET = route({ session: true }, (house, request) => {
  return Response.json(pullView(house, new URL(request.url).searchParams.get('task') ?? ''));
});
