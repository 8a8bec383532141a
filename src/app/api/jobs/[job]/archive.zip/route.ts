import { fileResponse, temporaryFile } from '@/server/files/temporary';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** Everything of a job in one file, to be kept or read into another house. */
export const GET = route<{ job: string }>({ need: 'office' }, async (installation, request, { job }) => {
  const { file, drop } = temporaryFile();
  try {
    const { name } = await inThread(installation, { name: 'pack job', signal: request.signal }, job, file);
    return fileResponse(file, `${name.replace(/[^\w-]+/g, '-').toLowerCase()}.zip`, 'application/zip', drop);
  } catch (error) {
    drop();
    throw error;
  }
});
