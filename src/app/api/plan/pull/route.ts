import { needSession } from '@/server/access/session';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { pullView } from '@/server/schedule/pull';

/** What would pull the named piece of work forward. */
export async function GET(request: Request): Promise<Response> {
  try {
    await needSession();
    return Response.json(pullView(house(), new URL(request.url).searchParams.get('task') ?? ''));
  } catch (error) {
    return problemResponse(error);
  }
}
