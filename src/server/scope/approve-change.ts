import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import { uuid } from '../database/id';
import type { Rows } from '../database/rows';
import { addLine, changeLine } from '../quantities/lines';
import { addExtraWork, dropExtraWorkOf } from '../schedule/extra-work';
import { dropStepUnlessBegun } from '../sequence/track';

type ChangeRow = Rows['change_order'];

/**
 * An approved change is part of the scope: its lines, its work, and what falls away. What it would do to the finish is
 * read off this very writing, taken back again.
 * @returns its lines
 */
export function approveChange(db: Connection, row: ChangeRow): Rows['change_line'][] {
  const lines = queryAll<Rows['change_line']>(
    db,
    'SELECT * FROM change_line WHERE change_order = @id ORDER BY position',
    { id: row.id },
  );
  for (const line of lines.filter(({ quantity, price_only }) => quantity > 0 && !price_only))
    addLine(db, {
      id: uuid(),
      job: row.job,
      area: line.area,
      stance: 'in',
      verb: line.verb,
      subject: line.subject,
      quantity: line.quantity,
      unit: line.unit,
      trade: line.trade,
      depends_on: '',
      change_order: row.id,
    });
  for (const item of JSON.parse(row.omits) as string[]) changeLine(db, item, { stance: 'out', change_order: row.id });
  const drops = queryAll<Rows['change_drop']>(db, 'SELECT * FROM change_drop WHERE change_order = @id', { id: row.id });
  for (const { area, phase } of drops) dropStepUnlessBegun(db, { area, phase });
  // What a wrong assumption brought at once is from now on the change's.
  if (row.assumption && lines.some((line) => line.half_days > 0)) dropExtraWorkOf(db, 'assumption', row.assumption);
  for (const line of lines)
    if (line.trade && line.half_days > 0)
      addExtraWork(db, {
        id: uuid(),
        job: row.job,
        area: line.area,
        text: `${line.verb} ${line.subject}`,
        trade: line.trade,
        half_days: line.half_days,
        after_phase: line.after_phase,
        reason: `it comes with change ${row.number}, “${row.title}”`,
        assumption: null,
        change_order: row.id,
      });
  return lines;
}

/** The job as it would be without what this change is about: what a wrong assumption brought stands in the plan already. */
export function withoutChange(db: Connection, row: ChangeRow): void {
  if (row.assumption) dropExtraWorkOf(db, 'assumption', row.assumption);
}
