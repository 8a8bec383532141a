import { route } from '@/server/route';
import { findable } from '@/server/find/queries';

export const GET = route({ session: true }, (installation) => {
  return Response.json(findable(installation));
});
