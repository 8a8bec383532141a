import { route } from '@/server/route';
import { areaPaper, paperResponse } from '@/server/files/papers';
import { originOf } from '@/server/http';

export const GET = route<{ area: string; file: string }>({ session: true }, async (house, request, params) => {
  const { area, file } = params;
  return paperResponse(await areaPaper(house, area, file, originOf(request)));
});
