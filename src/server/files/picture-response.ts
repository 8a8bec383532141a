import { Refusal } from '../refusal';
import type { Installation } from '../installation';
import { servePicture } from './pictures';

/** Widths that are asked for; another one would fill the server with copies. */
const WIDTHS = [240, 640, 1280];

/** A picture over HTTP, `?w=` one of the widths. Content never changes under its hash, so it may be kept for ever. */
export async function pictureResponse(installation: Installation, hash: string, request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get('w');
  const width = WIDTHS.find((entry) => String(entry) === asked);
  if (asked !== null && width === undefined)
    throw new Refusal(400, {
      code: 'width-unknown',
      message: `Ask for one of the widths ${WIDTHS.join(', ')}.`,
      field: 'w',
    });
  const content = await servePicture(installation, hash, width);
  if (!content) throw new Refusal(404, { code: 'unknown-id', message: 'There is no such picture here.' });
  return new Response(new Uint8Array(content), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
}
