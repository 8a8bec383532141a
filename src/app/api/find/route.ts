import { route } from '@/server/route';
import { findable } from '@/server/find/queries';

export const GET = route({ session: true }, (house) => {
  return Response.json(findable(house));
});
