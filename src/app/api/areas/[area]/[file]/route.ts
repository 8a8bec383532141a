import { route } from '@/server/route';
import { areaPaper, paperResponse } from '@/server/files/documents';
import { originOf } from '@/server/http';

export const GET = route<{ area: string; file: string }>({ session: true }, async (installation, request, params) => {
  const { area, file } = params;
  return paperResponse(await areaPaper(installation, area, file, originOf(request)));
});
