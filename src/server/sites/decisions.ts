import { insert } from '../database/query';
import { personOf, type CommandContext } from '../door/handler';

/** Keeps what was decided, why, when and by whom, as part of the job's story. */
export function recordDecision(
  context: CommandContext,
  decision: { id: string; job: string; area: string | null; subject: string; reason: string },
): void {
  insert(context.db, 'decision', { ...decision, made_at: context.at, made_by: personOf(context) });
}
