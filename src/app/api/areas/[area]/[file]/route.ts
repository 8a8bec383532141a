import { needSession } from '@/server/access/session';
import { areaPaper, paperResponse } from '@/server/files/papers';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';

export async function GET(_: Request, { params }: { params: Promise<{ area: string; file: string }> }): Promise<Response> {
  try {
    await needSession();
    const { area, file } = await params;
    return paperResponse(areaPaper(house(), area, file));
  } catch (error) {
    return problemResponse(error);
  }
}
