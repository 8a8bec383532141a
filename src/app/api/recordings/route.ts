import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { keepRecording, LARGEST_RECORDING } from '@/server/files/recordings';
import { needRoom } from '@/server/files/room';
import { bodyParts } from '@/server/body';

/** Takes one recording as the raw body; the narration that names its hash comes after it. */
export const POST = route({ need: 'person' }, async (installation, request) => {
  const tooLarge = new Refusal(413, {
    code: 'recording-too-large',
    message: `A recording has at most ${LARGEST_RECORDING / 1024 / 1024} MB; the captions alone are enough.`,
    field: 'recording',
  });
  needRoom(installation, Number(request.headers.get('content-length') ?? 0));
  return Response.json(await keepRecording(installation, bodyParts(request, LARGEST_RECORDING, tooLarge)));
});
