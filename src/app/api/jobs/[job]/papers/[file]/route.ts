import type { Need } from '@/server/rights/need';
import { route } from '@/server/route';
import { paperResponse } from '@/server/papers/paper-response';
import { originOf } from '@/server/http';
import { inThread } from '@/server/threads/in-thread';

/** Papers that say what things cost. */
const PRICED = ['purchase-order', 'statement', 'change', 'client', 'materials', 'selections'];
const need = ({ file }: { file: string }): Need =>
  PRICED.some((name) => file.startsWith(`${name}.`)) ? 'prices' : 'person';

export const GET = route<{ job: string; file: string }>({ need }, async (installation, request, params) => {
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
});
