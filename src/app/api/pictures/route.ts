import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { Refusal } from '@/server/door/refusal';
import { keepPicture, LARGEST_BYTES } from '@/server/files/pictures';
import { problemResponse, refuseForeignOrigin } from '@/server/http';

/** Takes one picture as the raw body; its place in a walk comes with the observation that names its hash. */
export async function POST(request: Request): Promise<Response> {
  try {
    refuseForeignOrigin(request);
    await needSession();
    const tooLarge = new Refusal(413, { code: 'picture-too-large', message: `A picture has at most ${LARGEST_BYTES / 1024 / 1024} MB.`, field: 'picture' });
    if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BYTES) throw tooLarge;
    const parts: Uint8Array[] = [];
    let size = 0;
    // Node's streams are iterable; the web's types do not say so.
    for await (const part of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
      size += part.length;
      if (size > LARGEST_BYTES) throw tooLarge;
      parts.push(part);
    }
    return Response.json(await keepPicture(house(), Buffer.concat(parts)));
  } catch (error) {
    return problemResponse(error);
  }
}
