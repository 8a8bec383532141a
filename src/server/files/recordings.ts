import { createHash } from 'node:crypto';
import { createReadStream, existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { queryOne, execute } from '../database/query';
import { Refusal } from '../refusal';
import type { Installation } from '../installation';
import { store } from './pictures';

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

/** @throws Refusal for what is no recording we know, or too large */
export async function keepRecording(
  installation: Installation,
  content: Buffer,
): Promise<{ hash: string; type: string }> {
  const type = content.length < 16 ? undefined : FORMS.find(([, fits]) => fits(content))?.[0];
  if (!type)
    throw new Refusal(422, {
      code: 'not-a-recording',
      message: 'This is no recording we can play; send WAV, MP3, Ogg, FLAC, MP4 or WebM.',
      field: 'recording',
    });
  const hash = createHash('sha256').update(content).digest('hex');
  await store(recordingFile(installation, hash), content);
  execute(installation.db, 'INSERT OR IGNORE INTO recording (hash, type, bytes) VALUES (@hash, @type, @bytes)', {
    hash,
    type,
    bytes: content.length,
  });
  return { hash, type };
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
