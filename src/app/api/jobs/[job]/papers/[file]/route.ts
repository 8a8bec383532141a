import { route } from '@/server/route';
import { jobPaper, paperResponse } from '@/server/files/papers';
import { originOf } from '@/server/http';

export const GET = route<{ job: string; file: string }>({ session: true }, async (house, request, params) => {
  const { job, file } = params;
  const version = Number(new URL(request.url).searchParams.get('version') ?? Number.NaN);
  return paperResponse(
    await jobPaper(house, job, file, {
      origin: originOf(request),
      ...(Number.isInteger(version) ? { version } : {}),
    }),
  );
});
