import type { ProblemDocument } from '@/contract/command';

/** Hands a picture over. @returns its hash, why it is not taken, or `later` where nobody answered */
export async function upload(picture: Blob): Promise<{ hash: string } | ProblemDocument | 'later'> {
  try {
    const response = await fetch('/api/pictures', { method: 'POST', body: picture });
    if (response.status >= 500 || response.status === 401) return 'later';
    return (await response.json()) as { hash: string } | ProblemDocument;
  } catch {
    return 'later';
  }
}
