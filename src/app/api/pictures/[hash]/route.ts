import { route } from '@/server/route';
import { pictureResponse } from '@/server/files/picture-response';

export const GET = route<{ hash: string }>({ need: 'person' }, async (installation, request, params) => {
  return await pictureResponse(installation, params.hash, request);
});
