import { EVERYBODY, OFFICE } from '@/contract/command';
import { route } from '@/server/route';
import { paperResponse } from '@/server/papers/paper-response';
import { originOf } from '@/server/http';
import { inThread } from '@/server/threads/in-thread';

/** Papers that only contractor and office are handed. */
const isForOffice = (file: string): boolean => file.startsWith('purchase-order.');
const may = ({ file }: { file: string }) => (isForOffice(file) ? OFFICE : EVERYBODY);

export const GET = route<{ job: string; file: string }>(
  { session: true, may },
  async (installation, request, params) => {
    const { job, file } = params;
    const asked = new URL(request.url).searchParams;
    const version = Number(asked.get('version') ?? Number.NaN);
    const sub = asked.get('sub');
    const terms = {
      origin: originOf(request),
      ...(Number.isInteger(version) ? { version } : {}),
      ...(sub ? { sub } : {}),
    };
    return paperResponse(await inThread(installation, { name: 'job paper', signal: request.signal }, job, file, terms));
  },
);
