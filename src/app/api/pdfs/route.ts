import { LARGEST_PDF } from '@/contract/commands/attachments';
import { bodyParts } from '@/server/body';
import { keepPdf } from '@/server/files/pdfs';
import { needRoom } from '@/server/files/room';
import { Refusal } from '@/server/refusal';
import { route } from '@/server/route';

/** Takes one PDF as the raw body; what it is of comes after it and names its hash. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const tooLarge = new Refusal(413, {
    code: 'pdf-too-large',
    message: `A PDF has at most ${LARGEST_PDF / 1024 / 1024} MB; save it smaller, or the sheets one by one.`,
    field: 'pdf',
  });
  needRoom(installation, Number(request.headers.get('content-length') ?? 0));
  return Response.json(await keepPdf(installation, bodyParts(request, LARGEST_PDF, tooLarge)));
});
