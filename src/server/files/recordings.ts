import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, existsSync, statSync } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { queryOne, execute } from '../database/query';
import { Refusal } from '../refusal';
import type { Installation } from '../installation';

/** A recording goes with its captions and is only played, never read. */
export const LARGEST_RECORDING = 200 * 1024 * 1024;

/** Whether a type is one of those that are played here. */
export const isRecordingType = (type: unknown): boolean => FORMS.some(([known]) => known === type);

export const recordingFile = (installation: Pick<Installation, 'folder'>, hash: string): string =>
  join(installation.folder, 'recordings', hash.slice(0, 2), hash);

/** What it is by its first bytes, never by its name. */
const FORMS: readonly (readonly [string, (head: Buffer) => boolean])[] = [
  ['audio/wav', (head) => head.toString('latin1', 0, 4) === 'RIFF' && head.toString('latin1', 8, 12) === 'WAVE'],
  ['audio/ogg', (head) => head.toString('latin1', 0, 4) === 'OggS'],
  ['audio/flac', (head) => head.toString('latin1', 0, 4) === 'fLaC'],
  [
    'audio/mpeg',
    (head) => head.toString('latin1', 0, 3) === 'ID3' || (head[0] === 0xff && ((head[1] ?? 0) & 0xe6) === 0xe2),
  ],
  ['video/webm', (head) => head.readUInt32BE(0) === 0x1a45dfa3],
  ['video/mp4', (head) => head.toString('latin1', 4, 8) === 'ftyp'],
];

/** So many bytes say what it is. */
const HEAD = 16;

const notOne = (): Refusal =>
  new Refusal(422, {
    code: 'not-a-recording',
    message: 'This is no recording we can play; send WAV, MP3, Ogg, FLAC, MP4 or WebM.',
    field: 'recording',
  });

/**
 * Keeps a recording as it comes, part by part: it is never held whole. It gets its name once all of it is on the disk.
 * @param parts its content; what they throw is thrown here, and nothing is kept
 * @param named the hash it is to have, where somebody has said
 * @throws Refusal for what is no recording we know, or another one than was named
 */
export async function keepRecording(
  installation: Installation,
  parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  named?: string,
): Promise<{ hash: string; type: string }> {
  const folder = join(installation.folder, 'recordings');
  await mkdir(folder, { recursive: true });
  const draft = join(folder, `${randomUUID()}.part`);
  try {
    const { hash, type, bytes } = await written(draft, parts);
    if (named !== undefined && named !== hash)
      throw new Refusal(422, { code: 'altered', message: 'This recording was altered.', field: 'recording' });
    const file = recordingFile(installation, hash);
    await mkdir(dirname(file), { recursive: true });
    await rename(draft, file);
    execute(installation.db, 'INSERT OR IGNORE INTO recording (hash, type, bytes) VALUES (@hash, @type, @bytes)', {
      ...{ hash, type, bytes },
    });
    return { hash, type };
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}

/** Writes what comes into a file down to the disk, and says what it is. */
async function written(
  file: string,
  parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
): Promise<{ hash: string; type: string; bytes: number }> {
  const hash = createHash('sha256');
  let [head, bytes] = [Buffer.alloc(0), 0];
  const handle = await open(file, 'wx');
  try {
    for await (const part of parts) {
      if (head.length < HEAD) {
        head = Buffer.concat([head, part]);
        // What is none is not read to its end.
        if (head.length >= HEAD && typeOf(head) === undefined) throw notOne();
      }
      hash.update(part);
      bytes += part.length;
      await handle.write(part);
    }
    const type = typeOf(head);
    if (type === undefined) throw notOne();
    await handle.sync();
    return { hash: hash.digest('hex'), type, bytes };
  } finally {
    await handle.close();
  }
}

const typeOf = (head: Buffer): string | undefined =>
  head.length < HEAD ? undefined : FORMS.find(([, fits]) => fits(head))?.[0];

/** Takes a recording away that nothing names any more. */
export async function dropRecording(installation: Pick<Installation, 'db' | 'folder'>, hash: string): Promise<void> {
  execute(installation.db, 'DELETE FROM recording WHERE hash = @hash', { hash });
  await rm(recordingFile(installation, hash), { force: true });
}

/** The recording, or the part of it that a player asks for, so that it can jump to a second. */
export function recordingResponse(installation: Installation, hash: string, request: Request): Response {
  const known = queryOne<{ type: string }>(installation.db, 'SELECT type FROM recording WHERE hash = @hash', { hash });
  const file = recordingFile(installation, hash);
  if (!known || !existsSync(file))
    throw new Refusal(404, { code: 'unknown-id', message: 'There is no such recording here.' });
  const { size } = statSync(file);
  const range = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(request.headers.get('range') ?? '');
  const from = range ? (range[1] ? Number(range[1]) : Math.max(0, size - Number(range[2]))) : 0;
  const to = range?.[1] && range[2] ? Math.min(size - 1, Number(range[2])) : size - 1;
  if (from > to) return new Response(null, { status: 416, headers: { 'content-range': `bytes */${size}` } });
  return new Response(Readable.toWeb(createReadStream(file, { start: from, end: to })) as ReadableStream, {
    status: range ? 206 : 200,
    headers: {
      'content-type': known.type,
      'content-length': String(to - from + 1),
      'accept-ranges': 'bytes',
      'cache-control': 'private, max-age=31536000, immutable',
      ...(range ? { 'content-range': `bytes ${from}-${to}/${size}` } : {}),
    },
  });
}
