import type { Path } from '@/contract/routes';
import { insert, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { notFound } from '../refusal';
import { pathOf } from '../tokens';
import { writeLog } from '../door/log';

/**
 * Shows somebody of the firm the address of a link, and writes down that it was: with it one can answer as whoever it was made
 * for. The address itself is written nowhere.
 */
export function showLink(installation: Installation, person: string, id: string): { path: Path; seq: number } {
  const { db, clock } = installation;
  const link = queryOne<{ job: string | null }>(db, 'SELECT job FROM share_link WHERE id = @id', { id });
  if (!link || (link.job === null && installation.sees?.jobs)) throw notFound('link', 'id');
  const at = clock.now().toISOString();
  const seq = db
    .transaction(() => {
      insert(db, 'share_showing', { share_link: id, person, at });
      return writeLog(db, {
        ...{ id: crypto.randomUUID(), type: 'share.shown', at, applied_at: at, who: `person:${person}`, job: link.job },
        ...{ payload: JSON.stringify({ id }), result: 'null' },
      });
    })
    .immediate();
  return { path: pathOf(installation, id), seq };
}
