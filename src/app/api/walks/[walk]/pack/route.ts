import { route } from '@/server/route';
import { sharing } from '@/server/reading/kept';
import { walkPack } from '@/server/views/pack';

/** One walk as it stands, with what every device has sent. */
export const GET = route<{ walk: string }>({ need: 'person' }, (installation, _request, params) => {
  const pack = installation.db.transaction(() => walkPack(sharing(installation), params.walk))();
  return Response.json(pack, { headers: { 'cache-control': 'no-store' } });
});
