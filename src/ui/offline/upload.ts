import { api } from '@/contract/routes';
import type { ProblemDocument } from '@/contract/command';
import { inBetween, jsonOf } from './send';
import type { Waiting } from './store';

/** Hands a picture or a recording over. @returns its hash, why it is not taken, `later` where nobody answered, `failed` where the
 * server does not get through with it */
export async function upload({
  what,
  content,
}: NonNullable<Waiting['attached']>): Promise<{ hash: string } | ProblemDocument | 'later' | 'failed'> {
  try {
    const response = await fetch(what === 'picture' ? api.pictures() : api.recordings(), {
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
