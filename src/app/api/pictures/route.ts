import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { keepPicture } from '@/server/files/pictures';
import { bodyUpTo } from '@/server/body';

/** Takes one picture as the raw body; its place in a walk comes with the observation that names its hash. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const tooLarge = new Refusal(413, {
    code: 'picture-too-large',
    message: `A picture has at most ${LARGEST_PICTURE / 1024 / 1024} MB.`,
    field: 'picture',
  });
  return Response.json(await keepPicture(installation, await bodyUpTo(request, LARGEST_PICTURE, tooLarge)));
});
