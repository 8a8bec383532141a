import type { Installation } from './installation';
import { problemResponse } from './http';
import { toldInThread, type PartOf, type TellingTerms } from './threads/in-thread';
import type { Telling } from './threads/tasks';

/**
 * What a thread tells, a line of JSON for each part as it comes. What is refused before the first part is told as any
 * refusal; whoever goes away stops the thread.
 */
export async function partsResponse<Name extends keyof Telling>(
  installation: Installation,
  { name, signal }: { name: Name; signal: AbortSignal },
  ...terms: TellingTerms<Name>
): Promise<Response> {
  const lines = new TransformStream<string, string>();
  const writer = lines.writable.getWriter();
  const stopped = new AbortController();
  signal.addEventListener('abort', () => stopped.abort(), { once: true });
  try {
    await new Promise<void>((begun, fail) => {
      const hear = (part: PartOf<Name>): void => {
        begun();
        // A reader who has gone wants no more of it.
        writer.write(`${JSON.stringify(part)}\n`).catch(() => stopped.abort());
      };
      toldInThread(installation, { name, signal: stopped.signal, hear }, ...terms)
        .then(() => writer.close())
        .then(begun, (error: unknown) => {
          fail(error as Error);
          void writer.abort(error).catch(() => undefined);
        });
    });
  } catch (error) {
    return problemResponse(error);
  }
  return new Response(lines.readable.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  });
}
