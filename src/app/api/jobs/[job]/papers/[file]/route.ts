import { needSession } from '@/server/access/session';
import { jobPaper, paperResponse } from '@/server/files/papers';
import { house } from '@/server/house';
import { originOf, problemResponse } from '@/server/http';

export async function GET(
  request: Request,
  { params }: { params: Promise<{ job: string; file: string }> },
): Promise<Response> {
  try {
    await needSession();
    const { job, file } = await params;
    const version = Number(new URL(request.url).searchParams.get('version') ?? Number.NaN);
    return paperResponse(
      await jobPaper(house(), job, file, {
        origin: originOf(request),
        ...(Number.isInteger(version) ? { version } : {}),
      }),
    );
  } catch (error) {
    return problemResponse(error);
  }
}
