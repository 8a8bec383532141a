import { route } from '@/server/route';
import { walkPack } from '@/server/walks/pack';

/** One walk as it stands, with what every device has sent. */
export const GET = route<{ walk: string }>({ session: true }, (house, _request, params) => {
  return Response.json(walkPack(house, params.walk), { headers: { 'cache-control': 'no-store' } });
});
