import { route } from '@/server/route';
import { sharing } from '@/server/reading/kept';
import { walkLabels } from '@/server/views/labels';

/** What was read in what a walk said, and what its people made of it: labels to teach a reader with. */
export const GET = route<{ walk: string }>({ need: 'person' }, (installation, _request, params) => {
  const text = installation.db.transaction(() => walkLabels(sharing(installation), params.walk))();
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="labels.csv"',
      'cache-control': 'no-store',
    },
  });
});
