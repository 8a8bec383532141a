import { needSession } from '@/server/access/session';
import { recordingResponse } from '@/server/files/recordings';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';

export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  try {
    await needSession();
    return recordingResponse(house(), (await params).hash, request);
  } catch (error) {
    return problemResponse(error);
  }
}
