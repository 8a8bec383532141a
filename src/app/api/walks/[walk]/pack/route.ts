import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { walkPack } from '@/server/walks/pack';

/** One walk as it stands, with what every device has sent. */
export async function GET(_: Request, { params }: { params: Promise<{ walk: string }> }): Promise<Response> {
  try {
    await needSession();
    return Response.json(walkPack(house(), (await params).walk), { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    return problemResponse(error);
  }
}
