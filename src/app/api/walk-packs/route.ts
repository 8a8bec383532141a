import { route } from '@/server/route';
import { jsonBody } from '@/server/http';
import { Refusal } from '@/server/refusal';
import { inThread } from '@/server/threads/in-thread';
import type { PackMarks } from '@/contract/views/walk';

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/** Marks by job; anything in it that is no mark is a part that the device has not. */
function marksIn(body: unknown): Record<string, PackMarks> {
  const have = isRecord(body) ? body.have : undefined;
  if (!isRecord(have) || !Object.values(have).every(isRecord))
    throw new Refusal(400, { code: 'bad-input', message: 'What is kept is sent as marks by job.', field: 'have' });
  return have as Record<string, PackMarks>;
}

/** What is new of what a device keeps of all jobs, so that a walk can be begun where there is no signal. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const have = marksIn(await jsonBody(request));
  const news = await inThread(installation, { name: 'packs', signal: request.signal }, have, installation.sees);
  return Response.json(news, { headers: { 'cache-control': 'no-store' } });
});
