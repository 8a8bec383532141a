import { uuid } from '../database/id';
import { insert, queryOne } from '../database/query';
import type { CommandContext } from '../door/handler';

/** The name of whoever did it, as the history keeps it. */
function whoSays(context: CommandContext): string {
  if (context.who.kind === 'person') return context.who.name;
  if (context.who.kind === 'link')
    return (
      queryOne<{ recipient: string }>(context.db, 'SELECT recipient FROM share_link WHERE id = @id', {
        id: context.who.id,
      })?.recipient ?? 'the client'
    );
  return 'the supplier';
}

type About = { job: string } & ({ selection: string } | { request: string });

/** One step of a selection or a request, with its day and who said so. */
export function addHistory(context: CommandContext, { job, ...about }: About, text: string): void {
  insert(context.db, 'history', {
    id: uuid(),
    job,
    ...about,
    at: context.at,
    who: whoSays(context),
    text,
    desk: context.who.kind === 'desk' ? 1 : 0,
  });
}
