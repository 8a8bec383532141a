import { route } from '@/server/route';
import { recordingResponse } from '@/server/files/recordings';

export const GET = route<{ hash: string }>({ session: true }, (house, request, params) => {
  return recordingResponse(house, params.hash, request);
});
