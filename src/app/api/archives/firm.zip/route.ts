import { fileResponse, temporaryFile } from '@/server/files/temporary';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** The whole firm in one file of open forms. */
export const GET = route({ need: 'owner' }, async (installation, request) => {
  const { file, drop } = temporaryFile();
  try {
    const { name } = await inThread(installation, { name: 'pack firm', signal: request.signal }, file);
    return fileResponse(file, `${name.replace(/[^\w-]+/g, '-').toLowerCase()}.zip`, 'application/zip', drop);
  } catch (error) {
    drop();
    throw error;
  }
});
