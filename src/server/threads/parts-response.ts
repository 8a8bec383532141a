import type { Installation } from '../installation';
import { toldInThread, type PartOf, type TellingTerms } from './in-thread';
import type { Telling } from './tasks';

/**
 * What a thread tells, a line of JSON for each part as it comes. What is refused before the first part is thrown as any
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
  let begin = (): void => undefined;
  const begun = new Promise<void>((resolve) => (begin = resolve));
  const hear = (part: PartOf<Name>): void => {
    begin();
    // A reader who has gone wants no more of it.
    writer.write(`${JSON.stringify(part)}\n`).catch(() => stopped.abort());
  };
  const whole = toldInThread(installation, { name, signal: stopped.signal, hear }, ...terms).then(() => writer.close());
  whole.catch((error: unknown) => void writer.abort(error).catch(() => undefined));
  await Promise.race([begun, whole]);
  return new Response(lines.readable.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  });
}
