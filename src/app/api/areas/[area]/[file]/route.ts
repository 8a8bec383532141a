import { needSession } from '@/server/access/session';
import { areaPaper, paperResponse } from '@/server/files/papers';
import { house } from '@/server/house';
import { originOf, problemResponse } from '@/server/http';

export async function GET(
  request: Request,
  { params }: { params: Promise<{ area: string; file: string }> },
): Promise<Response> {
  try {
    await needSession();
    const { area, file } = await params;
    return paperResponse(await areaPaper(house(), area, file, originOf(request)));
  } catch (error) {
    return problemResponse(error);
  }
}
