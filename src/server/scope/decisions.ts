import { insert } from '../database/query';
import type { Visit } from '../door/handler';

/** Whoever of the firm did it; nobody where a client or the house did. */
export const personOf = (visit: Visit): string | null => (visit.who.kind === 'person' ? visit.who.id : null);

/** Keeps what was decided, why, when and by whom, as part of the job's story. */
export function recordDecision(
  visit: Visit,
  decision: { id: string; job: string; area: string | null; subject: string; reason: string },
): void {
  insert(visit.db, 'decision', { ...decision, made_at: visit.at, made_by: personOf(visit) });
}
