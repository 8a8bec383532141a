import { createReadStream, createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { bodyParts } from '../body';
import type { Refusal } from '../refusal';

/** A file for a moment, gone once it was made use of. */
export function temporaryFile(): { file: string; drop: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-'));
  return { file: join(folder, 'file'), drop: () => rmSync(folder, { recursive: true, force: true }) };
}

/** Answers with a file as it is read from the disk, and drops it then. */
export function fileResponse(file: string, name: string, type: string, drop: () => void): Response {
  const stream = createReadStream(file).on('close', drop);
  return new Response(Readable.toWeb(stream) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': type,
      'content-length': String(statSync(file).size),
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
}

/** The body of a request into a file, as it comes; what is larger is refused. */
export async function bodyToFile(request: Request, file: string, most: number, tooLarge: Refusal): Promise<void> {
  await pipeline(bodyParts(request, most, tooLarge), createWriteStream(file));
}
