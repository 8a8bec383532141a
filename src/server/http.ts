import type { ProblemDocument } from '@/contract/command';
import { Refusal } from './refusal';
import { storageRefusal } from './storage-fault';
import { bodyUpTo } from './body';
import { needShallow } from './shallow';

/** RFC 9457 problem JSON; a programmer's mistake is logged whole and told as nothing but itself. */
export function problemResponse(thrown: unknown): Response {
  const error = storageRefusal(thrown) ?? thrown;
  if (error instanceof Refusal) {
    const { message, ...rest } = error.problem;
    const document = { type: `/problems/${error.problem.code}`, title: message, status: error.status, ...rest };
    return problem(document, error.retryAfter);
  }
  throw error;
}

/** Busy: in a moment it is free again. */
const A_MOMENT_S = 2;

export const problem = (
  document: ProblemDocument,
  retryAfter = document.status === 503 ? A_MOMENT_S : undefined,
): Response =>
  Response.json(document, {
    status: document.status,
    headers: {
      'content-type': 'application/problem+json',
      ...(retryAfter === undefined ? {} : { 'retry-after': String(retryAfter) }),
    },
  });

/** Room for the longest narration that is taken, each of its letters up to four bytes. */
const LARGEST_JSON = 8_200_000;

/** The body as JSON up to a size, or a refusal; never an exception from the parser. */
export async function jsonBody(request: Request, most = LARGEST_JSON): Promise<unknown> {
  const body = await bodyUpTo(
    request,
    most,
    new Refusal(413, { code: 'body-too-large', message: `This is larger than ${Math.round(most / 1000)} kB.` }),
  );
  const value = parsed(body.toString('utf8'));
  needShallow(value);
  return value;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, { code: 'not-json', message: 'The body must be JSON.' });
  }
}

/**
 * Refuses what a browser sent from another site: cookies would ride along. Browsers say so by themselves; where one does not,
 * the address of the page has to be ours.
 */
export function refuseForeignOrigin(request: Request): void {
  const [origin, site] = [request.headers.get('origin'), request.headers.get('sec-fetch-site')];
  const isForeign = origin !== null && (!URL.canParse(origin) || new URL(origin).host !== request.headers.get('host'));
  if (isForeign || site === 'cross-site' || site === 'same-site')
    throw new Refusal(403, { code: 'foreign-origin', message: 'This came from another site.' });
}

/** Where this installation was reached, for addresses that are printed: a proxy before it says so. */
export const originOf = (request: Request): string => originIn(request.headers) ?? new URL(request.url).origin;

/** The same by what was sent along alone, as a page has it; undefined where no host is named. */
export function originIn(sent: Pick<Headers, 'get'>): string | undefined {
  const host = sent.get('x-forwarded-host') ?? sent.get('host');
  return host === null ? undefined : `${sent.get('x-forwarded-proto') ?? 'http'}://${host}`;
}
