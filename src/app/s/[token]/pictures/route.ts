import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import { keepPicture } from '@/server/files/pictures';
import { bodyUpTo } from '@/server/body';
import { linkOf } from '@/server/access/link';
import { mayHandIn } from '@/server/public/hand-in';

/** Takes one picture of a sub's as the raw body; what it shows comes with the word that names its hash. */
export const POST = route<{ token: string }>({ need: 'link' }, async (installation, request, params) => {
  const link = await linkOf(params.token);
  if (link?.audience !== 'sub')
    throw new Refusal(404, { code: 'link-closed', message: 'This link takes no pictures.', field: 'picture' });
  if (!mayHandIn(link.id, installation.clock.now()))
    throw new Refusal(429, {
      code: 'too-many-pictures',
      message: 'That were many pictures in one hour; try again later, or call.',
      field: 'picture',
    });
  const tooLarge = new Refusal(413, {
    code: 'picture-too-large',
    message: `A picture has at most ${LARGEST_PICTURE / 1024 / 1024} MB.`,
    field: 'picture',
  });
  return Response.json(await keepPicture(installation, await bodyUpTo(request, LARGEST_PICTURE, tooLarge)));
});
