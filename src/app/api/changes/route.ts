import { signedIn } from '@/server/access/session';
import { installation } from '@/server/open-installation';
import { Refusal } from '@/server/refusal';
import { problemResponse } from '@/server/http';
import { newestChange } from '@/server/reading/log';

export const dynamic = 'force-dynamic';
const HEARTBEAT_MS = 20_000;

// need: 'person', which it asks itself: an answer that goes on is no answer of a route.
/** The change stream: one number of the log for every change, so that screens know when to look again. */
export async function GET(request: Request): Promise<Response> {
  if (!(await signedIn()))
    return problemResponse(new Refusal(401, { code: 'not-signed-in', message: 'Sign in first.' }));
  const { db, news } = installation();
  const encoder = new TextEncoder();
  let stop = (): void => undefined;
  const stream = new ReadableStream({
    start: (controller) => {
      const tell = (seq: number): void => controller.enqueue(encoder.encode(`id: ${seq}\ndata: ${seq}\n\n`));
      const beat = setInterval(() => controller.enqueue(encoder.encode(': here\n\n')), HEARTBEAT_MS);
      stop = () => {
        clearInterval(beat);
        news.off('log', tell);
      };
      news.on('log', tell);
      controller.enqueue(encoder.encode('retry: 2000\n\n'));
      tell(newestChange(db));
      request.signal.addEventListener('abort', () => {
        stop();
        controller.close();
      });
    },
    cancel: () => stop(),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
