import { rm } from 'node:fs/promises';
import { execute, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { Refusal } from '../refusal';
import { keptFile } from '../database/kept';
import { fileResponse, keepStreamed, type Parts } from './streamed';

/** A recording goes with its captions and is only played, never read. */
export const LARGEST_RECORDING = 200 * 1024 * 1024;

/** Whether a type is one of those that are played here. */
export const isRecordingType = (type: unknown): boolean => FORMS.some(([known]) => known === type);

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

const RECORDING = {
  kind: 'recording',
  typeOf: (head: Buffer): string | undefined => FORMS.find(([, fits]) => fits(head))?.[0],
  notOne: (): Refusal =>
    new Refusal(422, {
      code: 'not-a-recording',
      message: 'This is no recording we can play; send WAV, MP3, Ogg, FLAC, MP4 or WebM.',
      field: 'recording',
    }),
} as const;

/** @throws Refusal for what is no recording we know, or another one than was named */
export async function keepRecording(
  installation: Installation,
  parts: Parts,
  named?: string,
): Promise<{ hash: string; type: string }> {
  const { hash, type, bytes } = await keepStreamed(installation, RECORDING, parts, named);
  execute(installation.db, 'INSERT OR IGNORE INTO recording (hash, type, bytes) VALUES (@hash, @type, @bytes)', {
    ...{ hash, type, bytes },
  });
  return { hash, type };
}

/** Takes a recording away that nothing names any more. */
export async function dropRecording(installation: Pick<Installation, 'db' | 'folder'>, hash: string): Promise<void> {
  execute(installation.db, 'DELETE FROM recording WHERE hash = @hash', { hash });
  await rm(keptFile(installation, 'recording', hash), { force: true });
}

/** The recording, or the part of it that a player asks for, so that it can jump to a second. */
export function recordingResponse(installation: Installation, hash: string, request: Request): Response {
  const known = queryOne<{ type: string }>(installation.db, 'SELECT type FROM recording WHERE hash = @hash', { hash });
  const answer =
    known &&
    fileResponse(keptFile(installation, 'recording', hash), request, {
      'content-type': known.type,
      'cache-control': 'private, max-age=31536000, immutable',
    });
  if (!answer) throw new Refusal(404, { code: 'unknown-id', message: 'There is no such recording here.' });
  return answer;
}
