import { route } from '@/server/route';
import { pictureResponse } from '@/server/files/picture-response';

export const GET = route<{ hash: string }>({ session: true }, async (house, request, params) => {
  return await pictureResponse(house, params.hash, request);
});
