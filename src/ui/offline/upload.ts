import { api } from '@/contract/routes';
import type { ProblemDocument } from '@/contract/command';
import type { Waiting } from './store';

/** Hands a picture or a recording over. @returns its hash, why it is not taken, or `later` where nobody answered */
export async function upload({
  what,
  content,
}: NonNullable<Waiting['attached']>): Promise<{ hash: string } | ProblemDocument | 'later'> {
  try {
    const response = await fetch(what === 'picture' ? api.pictures() : api.recordings(), {
      method: 'POST',
      body: content,
    });
    if (response.status >= 500 || response.status === 401) return 'later';
    return (await response.json()) as { hash: string } | ProblemDocument;
  } catch {
    return 'later';
  }
}
