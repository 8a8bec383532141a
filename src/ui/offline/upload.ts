import { api } from '@/contract/routes';
import type { ProblemDocument } from '@/contract/command';
import { inBetween, jsonOf } from './send';

const PLACES = { picture: api.pictures, recording: api.recordings, pdf: api.pdfs } as const;

/** Hands a picture, a recording or a PDF over. @returns its hash, why it is not taken, `later` where nobody answered, `failed` where the
 * server does not get through with it */
export async function upload({
  what,
  content,
}: {
  what: keyof typeof PLACES;
  content: Blob;
}): Promise<{ hash: string } | ProblemDocument | 'later' | 'failed'> {
  try {
    const response = await fetch(PLACES[what](), {
      method: 'POST',
      body: content,
    });
    if (response.status === 500) return 'failed';
    if (response.status > 500 || [401, 429].includes(response.status)) return 'later';
    const body = (await jsonOf(response)) as { hash: string } | ProblemDocument | undefined;
    if (body !== undefined) return body;
    if (response.ok) return 'later';
    const problem = inBetween(response.status);
    return problem.status === 500 ? 'failed' : problem;
  } catch {
    return 'later';
  }
}
