import { uuid } from '../database/id';
import { insert, one } from '../database/query';
import type { Visit } from '../door/handler';

/** The name of whoever did it, as the trail keeps it. */
export function whoSays(visit: Visit): string {
  if (visit.who.kind === 'person') return visit.who.name;
  if (visit.who.kind === 'link')
    return (
      one<{ recipient: string }>(visit.db, 'SELECT recipient FROM share_link WHERE id = @id', { id: visit.who.id })
        ?.recipient ?? 'the client'
    );
  return 'the supplier';
}

type About = { job: string } & ({ selection: string } | { request: string });

/** One step of a selection or a request, with its day and who said so. */
export function note(visit: Visit, { job, ...about }: About, text: string): void {
  insert(visit.db, 'trail', {
    id: uuid(),
    job,
    ...about,
    at: visit.at,
    who: whoSays(visit),
    text,
    desk: visit.who.kind === 'desk' ? 1 : 0,
  });
}
