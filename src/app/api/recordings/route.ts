import { needSession } from '@/server/access/session';
import { Refusal } from '@/server/door/refusal';
import { keepRecording, LARGEST_RECORDING } from '@/server/files/recordings';
import { bodyUpTo } from '@/server/files/upload';
import { house } from '@/server/house';
import { problemResponse, refuseForeignOrigin } from '@/server/http';

/** Takes one recording as the raw body; the narration that names its hash comes after it. */
export async function POST(request: Request): Promise<Response> {
  try {
    refuseForeignOrigin(request);
    await needSession();
    const tooLarge = new Refusal(413, {
      code: 'recording-too-large',
      message: `A recording has at most ${LARGEST_RECORDING / 1024 / 1024} MB; the captions alone are enough.`,
      field: 'recording',
    });
    return Response.json(await keepRecording(house(), await bodyUpTo(request, LARGEST_RECORDING, tooLarge)));
  } catch (error) {
    return problemResponse(error);
  }
}
