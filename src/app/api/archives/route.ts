import { LARGEST_ARCHIVE } from '@/contract/archive';
import { whoAsks } from '@/server/access/session';
import { actorKey } from '@/server/door/actor';
import { bodyToFile, temporaryFile } from '@/server/files/temporary';
import { Refusal } from '@/server/refusal';
import { route } from '@/server/route';
import { inThread } from '@/server/threads/in-thread';

/** Takes in a job or a whole firm that was packed in another house, as the raw body. */
export const POST = route({ need: 'office' }, async (installation, request) => {
  const { file, drop } = temporaryFile();
  const tooLarge = new Refusal(413, {
    code: 'archive-too-large',
    message: `An archive has at most ${LARGEST_ARCHIVE / 1024 ** 3} GB.`,
    field: 'archive',
  });
  try {
    await bodyToFile(request, file, LARGEST_ARCHIVE, tooLarge);
    const taken = await inThread(installation, { name: 'unpack' }, file, actorKey(await whoAsks()));
    installation.news.emit('log', taken.seq);
    installation.news.emit('marked');
    return Response.json(taken);
  } finally {
    drop();
  }
});
