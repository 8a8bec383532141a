import { execute, insert } from '../database/query';
import type { Connection } from '../database/open';
import { personOf, type CommandContext } from '../door/handler';

/** Keeps what was decided, why, when and by whom, as part of the job's story. */
export function recordDecision(
  context: CommandContext,
  decision: { id: string; job: string; area: string | null; subject: string; reason: string },
): void {
  insert(context.db, 'decision', { ...decision, made_at: context.at, made_by: personOf(context) });
}

/** Takes one out of the story again; nothing where it is not there. */
export const dropDecision = (db: Connection, id: string): void =>
  void execute(db, 'UPDATE decision SET removed = 1, version = version + 1 WHERE id = @id AND removed = 0', { id });
