import { signedIn } from '@/server/access/session';
import { house } from '@/server/house';
import { Refusal } from '@/server/door/refusal';
import { problemResponse } from '@/server/http';
import { pictureResponse } from '@/server/files/picture-response';

export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  try {
    if (!(await signedIn())) throw new Refusal(401, { code: 'not-signed-in', message: 'Sign in first.' });
    return await pictureResponse(house(), (await params).hash, request);
  } catch (error) {
    return problemResponse(error);
  }
}
