import { route } from '@/server/route';
import { walkPack } from '@/server/walks/pack';

/** One walk as it stands, with what every device has sent. */
export const GET = route<{ walk: string }>({ session: true }, (installation, _request, params) => {
  return Response.json(walkPack(installation, params.walk), { headers: { 'cache-control': 'no-store' } });
});
