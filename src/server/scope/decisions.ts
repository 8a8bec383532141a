import { insert } from '../database/query';
import type { CommandContext } from '../dispatch/handler';

/** Whoever of the firm did it; nobody where a client or the house did. */
export const personOf = (context: CommandContext): string | null =>
  context.who.kind === 'person' ? context.who.id : null;

/** Keeps what was decided, why, when and by whom, as part of the job's story. */
export function recordDecision(
  context: CommandContext,
  decision: { id: string; job: string; area: string | null; subject: string; reason: string },
): void {
  insert(context.db, 'decision', { ...decision, made_at: context.at, made_by: personOf(context) });
}
