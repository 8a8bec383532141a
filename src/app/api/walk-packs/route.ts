import { route } from '@/server/route';
import { jobPacks } from '@/server/walks/pack';

/** What a device keeps of all jobs, so that a walk can be begun where there is no signal. */
export const GET = route({ session: true }, (installation) => {
  return Response.json(jobPacks(installation), { headers: { 'cache-control': 'no-store' } });
});
