import { route } from '@/server/route';
import { jobPaper, paperResponse } from '@/server/files/documents';
import { originOf } from '@/server/http';

export const GET = route<{ job: string; file: string }>({ session: true }, async (installation, request, params) => {
  const { job, file } = params;
  const version = Number(new URL(request.url).searchParams.get('version') ?? Number.NaN);
  return paperResponse(
    await jobPaper(installation, job, file, {
      origin: originOf(request),
      ...(Number.isInteger(version) ? { version } : {}),
    }),
  );
});
