import { Refusal } from '../refusal';

/** The body of a request up to a size, read as it comes: what is larger is refused before it fills the memory. */
export async function bodyUpTo(request: Request, most: number, refusal: Refusal): Promise<Buffer> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw refusal;
  const parts: Uint8Array[] = [];
  let size = 0;
  // Node's streams are iterable; the web's types do not say so.
  for await (const part of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += part.length;
    if (size > most) throw refusal;
    parts.push(part);
  }
  return Buffer.concat(parts);
}
