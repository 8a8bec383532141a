import type { ScopeWords } from '@/core/scope/brief';
import type { Option } from '@/core/scope/option';
import { readScopeLine, type ScopeDraft } from '@/core/scope/scope-line';
import { uuid } from '../database/id';
import { orNull, queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import type { CommandContext } from '../door/handler';
import { addLine, changeLine } from '../quantities/lines';

type Line = Rows['scope_item'];
/** What of a line a choice rewrites, and gives back. */
type Was = ScopeWords & Pick<Line, 'trade' | 'depends_on' | 'measure'>;

const wasOf = ({ stance, verb, subject, quantity, unit, trade, depends_on, measure }: Line): Was => ({
  stance,
  verb,
  subject,
  quantity,
  unit,
  trade,
  depends_on,
  measure,
});

/** A line as it was typed. Without a quantity it keeps the one it had, and goes on following the drawing. */
const typed = ({ stance, verb, subject, quantity, unit, trade, dependsOn }: ScopeDraft): Partial<Was> => ({
  stance,
  verb,
  subject,
  trade: orNull(trade),
  depends_on: dependsOn,
  ...(quantity === undefined ? {} : { quantity, unit: orNull(unit), measure: null }),
});

/**
 * The lines that a choice decides say from now on what the option taken says: one for one in their order, those it has
 * no line for are left out, lines of its own are added. Each keeps what it said before.
 */
export function rewriteLines(context: CommandContext, set: Rows['option_set'], option: Pick<Option, 'lines'>): void {
  restoreLines(context, set.id);
  const drafts = option.lines.flatMap((text) => {
    const read = readScopeLine(text);
    return read.ok ? [read.value] : [];
  });
  if (drafts.length === 0) return;
  const decided = (JSON.parse(set.lines) as string[]).flatMap(
    (id) => queryOne<Line>(context.db, 'SELECT * FROM scope_item WHERE id = @id AND removed = 0', { id }) ?? [],
  );
  decided.forEach((line, at) => {
    const draft = drafts[at];
    const was = JSON.stringify(wasOf(line));
    changeLine(context.db, line.id, { ...(draft ? typed(draft) : { stance: 'out' }), option_set: set.id, was });
  });
  for (const draft of drafts.slice(decided.length))
    addLine(context.db, {
      ...{ id: uuid(), job: set.job, area: set.area, verb: draft.verb, subject: draft.subject, stance: draft.stance },
      ...typed(draft),
      option_set: set.id,
    });
}

/** Takes back what a choice wrote. */
export function restoreLines(context: CommandContext, set: string): void {
  const written = queryAll<Line>(context.db, 'SELECT * FROM scope_item WHERE option_set = @set AND removed = 0', {
    set,
  });
  for (const { id, was } of written)
    changeLine(
      context.db,
      id,
      was === null ? { removed: 1 } : { ...(JSON.parse(was) as Was), option_set: null, was: null },
    );
}
