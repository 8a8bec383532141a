import type { Refusal } from './refusal';

/** The body of a request part by part as it comes: what is larger is refused before it fills the memory or the disk. */
export async function* bodyParts(request: Request, most: number, refusal: Refusal): AsyncGenerator<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw refusal;
  let size = 0;
  // Node's streams are iterable; the web's types do not say so.
  for await (const part of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += part.length;
    if (size > most) throw refusal;
    yield part;
  }
}

/** The whole body of a request up to a size. */
export async function bodyUpTo(request: Request, most: number, refusal: Refusal): Promise<Buffer> {
  const parts: Uint8Array[] = [];
  for await (const part of bodyParts(request, most, refusal)) parts.push(part);
  return Buffer.concat(parts);
}
