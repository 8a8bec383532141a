import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, existsSync, statSync } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { Refusal } from '../refusal';
import type { Installation } from '../installation';
import { KEPT, keptFile, type Kept } from '../database/kept';

export type Parts = AsyncIterable<Uint8Array> | Iterable<Uint8Array>;

interface Form {
  kind: Exclude<Kept, 'picture'>;
  /** What it is by its first bytes, never by its name; undefined where it is none of that kind. */
  typeOf: (head: Buffer) => string | undefined;
  notOne: () => Refusal;
}

/** So many bytes say what it is. */
const HEAD = 16;

/**
 * Keeps a file as it comes, part by part: it is never held whole. It gets its name once all of it is on the disk.
 * @param parts its content; what they throw is thrown here, and nothing is kept
 * @param named the hash it is to have, where somebody has said
 * @throws Refusal for what is none of that kind, or another one than was named
 */
export async function keepStreamed(
  installation: Pick<Installation, 'folder'>,
  form: Form,
  parts: Parts,
  named?: string,
): Promise<{ hash: string; type: string; bytes: number }> {
  const folder = join(installation.folder, KEPT[form.kind]);
  await mkdir(folder, { recursive: true });
  const draft = join(folder, `${randomUUID()}.part`);
  try {
    const kept = await written(draft, form, parts);
    if (named !== undefined && named !== kept.hash)
      throw new Refusal(422, { code: 'altered', message: 'This file was altered.', field: form.kind });
    const file = keptFile(installation, form.kind, kept.hash);
    await mkdir(dirname(file), { recursive: true });
    await rename(draft, file);
    return kept;
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}

/** Writes what comes into a file down to the disk, and says what it is. */
async function written(
  file: string,
  { typeOf, notOne }: Form,
  parts: Parts,
): Promise<{ hash: string; type: string; bytes: number }> {
  const typeIn = (head: Buffer): string | undefined => (head.length < HEAD ? undefined : typeOf(head));
  const hash = createHash('sha256');
  let [head, bytes] = [Buffer.alloc(0), 0];
  const handle = await open(file, 'wx');
  try {
    for await (const part of parts) {
      if (head.length < HEAD) {
        head = Buffer.concat([head, part]);
        // What is none is not read to its end.
        if (head.length >= HEAD && typeIn(head) === undefined) throw notOne();
      }
      hash.update(part);
      bytes += part.length;
      await handle.write(part);
    }
    const type = typeIn(head);
    if (type === undefined) throw notOne();
    await handle.sync();
    return { hash: hash.digest('hex'), type, bytes };
  } finally {
    await handle.close();
  }
}

/** The file, or the part of it that is asked for; undefined where it lies nowhere. */
export function fileResponse(file: string, request: Request, headers: Record<string, string>): Response | undefined {
  if (!existsSync(file)) return undefined;
  const { size } = statSync(file);
  const range = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(request.headers.get('range') ?? '');
  const from = range ? (range[1] ? Number(range[1]) : Math.max(0, size - Number(range[2]))) : 0;
  const to = range?.[1] && range[2] ? Math.min(size - 1, Number(range[2])) : size - 1;
  if (from > to) return new Response(null, { status: 416, headers: { 'content-range': `bytes */${size}` } });
  return new Response(Readable.toWeb(createReadStream(file, { start: from, end: to })) as ReadableStream, {
    status: range ? 206 : 200,
    headers: {
      'content-length': String(to - from + 1),
      'accept-ranges': 'bytes',
      ...headers,
      ...(range ? { 'content-range': `bytes ${from}-${to}/${size}` } : {}),
    },
  });
}
