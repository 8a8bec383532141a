import type { ProblemDocument } from '@/contract/command';
import { BUSY, isBusy, Refusal } from './refusal';

/** RFC 9457 problem JSON; a programmer's mistake is logged whole and told as nothing but itself. */
export function problemResponse(thrown: unknown): Response {
  const error = isBusy(thrown) ? new Refusal(503, BUSY) : thrown;
  if (error instanceof Refusal) {
    const { message, ...rest } = error.problem;
    return problem({ type: `/problems/${error.problem.code}`, title: message, status: error.status, ...rest });
  }
  throw error;
}

export const problem = (document: ProblemDocument): Response =>
  Response.json(document, {
    status: document.status,
    headers: {
      'content-type': 'application/problem+json',
      // Busy: in a moment it is free again.
      ...(document.status === 503 ? { 'retry-after': '2' } : {}),
    },
  });

/** The body as JSON up to a size, or a refusal; never an exception from the parser. */
export async function jsonBody(request: Request, most = 1_000_000): Promise<unknown> {
  const text = await request.text();
  if (text.length > most)
    throw new Refusal(413, { code: 'body-too-large', message: `This is larger than ${Math.round(most / 1000)} kB.` });
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, { code: 'not-json', message: 'The body must be JSON.' });
  }
}

/** Whether a browser sent it from another site: cookies would ride along, so such a change is refused. */
export function refuseForeignOrigin(request: Request): void {
  const origin = request.headers.get('origin');
  if (origin && (!URL.canParse(origin) || new URL(origin).host !== request.headers.get('host')))
    throw new Refusal(403, { code: 'foreign-origin', message: 'This came from another site.' });
}

/** Where this installation was reached, for addresses that are printed: a proxy before it says so. */
export function originOf(request: Request): string {
  const protocol = request.headers.get('x-forwarded-proto') ?? new URL(request.url).protocol.replace(':', '');
  return `${protocol}://${request.headers.get('x-forwarded-host') ?? request.headers.get('host') ?? new URL(request.url).host}`;
}
