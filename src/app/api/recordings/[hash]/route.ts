import { route } from '@/server/route';
import { recordingResponse } from '@/server/files/recordings';

export const GET = route<{ hash: string }>({ need: 'person' }, (installation, request, params) => {
  return recordingResponse(installation, params.hash, request);
});
