import { Refusal } from '@/server/door/refusal';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { pictureResponse } from '@/server/files/picture-response';
import { openLink, sharesPicture } from '@/server/updates/shared';

/** A picture of the shared job, for whoever holds the link; no other picture of the house. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ token: string; hash: string }> },
): Promise<Response> {
  try {
    const { token, hash } = await params;
    const link = openLink(house(), token);
    if (!link || !sharesPicture(house(), link, hash))
      throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
    return await pictureResponse(house(), hash, request);
  } catch (error) {
    return problemResponse(error);
  }
}
