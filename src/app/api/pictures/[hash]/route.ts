import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { pictureResponse } from '@/server/files/picture-response';

export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  try {
    await needSession();
    return await pictureResponse(house(), (await params).hash, request);
  } catch (error) {
    return problemResponse(error);
  }
}
