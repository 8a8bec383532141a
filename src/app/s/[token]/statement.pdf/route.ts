import { Refusal } from '@/server/door/refusal';
import { jobPaper, paperResponse } from '@/server/files/papers';
import { house } from '@/server/house';
import { problemResponse } from '@/server/http';
import { openLink, sentStatement } from '@/server/updates/shared';

/** The statement as its client has it on their link, as a paper. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const link = openLink(house(), (await params).token);
    const number = link?.audience === 'client' && link.job ? sentStatement(house(), link.job)?.number : undefined;
    if (!link?.job || number === undefined)
      throw new Refusal(404, { code: 'link-closed', message: 'This link does not open that.' });
    return paperResponse(await jobPaper(house(), link.job, 'statement.pdf', { version: number }));
  } catch (error) {
    return problemResponse(error);
  }
}
