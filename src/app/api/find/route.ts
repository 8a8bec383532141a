import { route } from '@/server/route';
import { findable, foundInClosed, saidAnywhere } from '@/server/views/find';
import { readHouse } from '@/server/reading/reading';

/** Without `q` all that has a name in open jobs; with it what closed jobs have, and what was written or said anywhere, by those words. */
export const GET = route({ need: 'person' }, (installation, request) => {
  const asked = new URL(request.url).searchParams.get('q');
  const house = readHouse(installation);
  return Response.json(
    asked === null ? findable(house) : [...foundInClosed(house, asked), ...saidAnywhere(house, asked)],
  );
});
