import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { jobPacks } from '@/server/walks/pack';

/** What a device keeps of all jobs, so that a walk can be begun where there is no signal. */
export async function GET(): Promise<Response> {
  try {
    await needSession();
    return Response.json(jobPacks(house()), { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    return problemResponse(error);
  }
}
