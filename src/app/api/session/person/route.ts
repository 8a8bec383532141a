import { become } from '@/server/access/session';
import { jsonBody, problemResponse, refuseForeignOrigin } from '@/server/http';

export async function POST(request: Request): Promise<Response> {
  try {
    refuseForeignOrigin(request);
    const body = await jsonBody(request);
    const id =
      typeof body === 'object' && body !== null && 'person' in body && typeof body.person === 'string'
        ? body.person
        : '';
    await become(id);
    return Response.json({ person: id });
  } catch (error) {
    return problemResponse(error);
  }
}
