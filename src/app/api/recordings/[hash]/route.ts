import { route } from '@/server/route';
import { recordingResponse } from '@/server/files/recordings';

export const GET = route<{ hash: string }>({ session: true }, (installation, request, params) => {
  return recordingResponse(installation, params.hash, request);
});
