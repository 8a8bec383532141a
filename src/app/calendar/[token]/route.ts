import { route } from '@/server/route';
import { Refusal } from '@/server/refusal';
import { feedFile } from '@/server/public/feeds';

/** A calendar for programs outside: whoever has its address may read it, and nothing else. */
export const GET = route<{ token: string }>({ need: 'link' }, (installation, _request, params) => {
  const { token } = params;
  const file = token.endsWith('.ics') ? feedFile(installation, token.slice(0, -4)) : undefined;
  if (!file) throw new Refusal(404, { code: 'feed-closed', message: 'This calendar does not open any more.' });
  return new Response(file.content, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'cache-control': 'private, max-age=300',
      'content-disposition': 'inline; filename="aftermist.ics"',
    },
  });
});
