import { needSession } from '@/server/access/session';
import { findable } from '@/server/find/queries';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';

export async function GET(): Promise<Response> {
  try {
    await needSession();
    return Response.json(findable(house()));
  } catch (error) {
    return problemResponse(error);
  }
}
