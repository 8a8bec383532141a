import { execute, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { Refusal } from '../refusal';
import { keptFile } from '../database/kept';
import { fileResponse, keepStreamed, type Parts } from './streamed';

const PDF = {
  kind: 'pdf',
  typeOf: (head: Buffer): string | undefined =>
    head.toString('latin1', 0, 5) === '%PDF-' ? 'application/pdf' : undefined,
  notOne: (): Refusal =>
    new Refusal(422, {
      code: 'not-a-pdf',
      message: 'This is no PDF; save the drawing or permit as PDF and choose it again.',
      field: 'pdf',
    }),
} as const;

/** @throws Refusal for what is no PDF, or another one than was named */
export async function keepPdf(installation: Installation, parts: Parts, named?: string): Promise<{ hash: string }> {
  const { hash, bytes } = await keepStreamed(installation, PDF, parts, named);
  execute(installation.db, 'INSERT OR IGNORE INTO pdf (hash, bytes) VALUES (@hash, @bytes)', { hash, bytes });
  return { hash };
}

/** A PDF as it was handed over, under the name it has here. */
export function pdfResponse(installation: Installation, hash: string, request: Request): Response {
  const named = queryOne<{ name: string }>(
    installation.db,
    'SELECT name FROM attachment WHERE pdf = @hash ORDER BY added_at DESC LIMIT 1',
    { hash },
  );
  const name = encodeURIComponent(`${named?.name ?? 'paper'}.pdf`);
  const known = queryOne(installation.db, 'SELECT 1 FROM pdf WHERE hash = @hash', { hash }) !== undefined;
  const answer =
    known &&
    fileResponse(keptFile(installation, 'pdf', hash), request, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename*=UTF-8''${name}`,
      'cache-control': 'private, max-age=31536000, immutable',
    });
  if (!answer) throw new Refusal(404, { code: 'unknown-id', message: 'There is no such paper here.' });
  return answer;
}
