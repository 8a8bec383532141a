import type { AttachmentKind } from '@/contract/commands/attachments';
import { execute, queryAll, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { Refusal } from '../refusal';
import { SEES_ALL, type Sees } from '../rights/sees';
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

const notHere = (): Refusal => new Refusal(404, { code: 'unknown-id', message: 'There is no such paper here.' });

/** @throws Refusal for what is no PDF, or another one than was named */
export async function keepPdf(installation: Installation, parts: Parts, named?: string): Promise<{ hash: string }> {
  const { hash, bytes } = await keepStreamed(installation, PDF, parts, named);
  execute(installation.db, 'INSERT OR IGNORE INTO pdf (hash, bytes) VALUES (@hash, @bytes)', { hash, bytes });
  return { hash };
}

/**
 * A PDF as it was handed over.
 * @param name what it is called to whoever opens it
 */
export function pdfResponse(installation: Installation, hash: string, request: Request, name: string): Response {
  const known = queryOne(installation.db, 'SELECT 1 FROM pdf WHERE hash = @hash', { hash }) !== undefined;
  const answer =
    known &&
    fileResponse(keptFile(installation, 'pdf', hash), request, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename*=UTF-8''${encodeURIComponent(`${name}.pdf`)}`,
      'cache-control': 'private, max-age=31536000, immutable',
    });
  if (!answer) throw notHere();
  return answer;
}

/**
 * What a PDF is called where it was added last, among what whoever asks sees: two jobs may have the same paper, and an offer or
 * a bill is not for who sees no prices.
 * @throws where they see none
 */
export function pdfName({ db, sees = SEES_ALL }: Pick<Installation, 'db' | 'sees'>, hash: string): string {
  const seen = queryAll<{ name: string; job: string; kind: AttachmentKind }>(
    db,
    'SELECT name, job, kind FROM attachment WHERE pdf = @hash ORDER BY added_at DESC',
    { hash },
  ).find(({ job, kind }) => (!sees.jobs || sees.jobs.has(job)) && seesPaper(sees, kind));
  if (!seen) throw notHere();
  return seen.name;
}

/** Other papers are offers and bills: they are for who sees prices. */
export const seesPaper = ({ prices }: Sees, kind: AttachmentKind): boolean => prices || kind !== 'other';
