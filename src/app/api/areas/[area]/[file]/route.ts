import { route } from '@/server/route';
import { paperResponse } from '@/server/papers/paper-response';
import { originOf } from '@/server/http';
import { inThread } from '@/server/threads/in-thread';

export const GET = route<{ area: string; file: string }>({ need: 'person' }, async (installation, request, params) => {
  const { area, file } = params;
  const asked = { name: 'area paper', signal: request.signal } as const;
  return paperResponse(await inThread(installation, asked, area, file, originOf(request)));
});
