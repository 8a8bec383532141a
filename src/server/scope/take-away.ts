import type { Removable } from '@/contract/commands/scope';
import { isComing, type SelectionState } from '@/core/selections/states';
import type { Phase } from '@/core/sequence/phases';
import { queryOne, update } from '../database/query';
import { handlers, requireRow, type PlanContext } from '../door/handler';
import { recalculateArea } from '../quantities/recalculate';
import { goodsCause, requestCause } from '../selections/causes';
import { unprocessable } from '../refusal';

const TABLES = {
  scope: 'scope_item',
  finding: 'finding',
  opening: 'opening',
  fixture: 'fixture',
  level: 'level_mark',
  calculation: 'calculation',
  assumption: 'assumption',
  decision: 'decision',
  selection: 'selection',
  request: 'request',
  standpoint: 'standpoint',
  'close-in-sign': 'close_in_sign',
  'left-with-client': 'handed_over',
  'sign-off': 'sign_off',
  payment: 'payment',
  spending: 'spending',
  'purchase-movement': 'purchase_movement',
  'purchase-bill': 'purchase_bill',
  'way-in': 'way_in',
  'large-piece': 'large_piece',
  attachment: 'attachment',
} as const satisfies Record<Removable, string>;

/** Takes a thing away or brings it back; what follows from the drawing follows. */
function takeAway(context: PlanContext, of: Removable, id: string): void {
  // Each of these tables has its own columns; what is asked here is there or not.
  const row: { removed: 0 | 1; state?: string; area?: string | null; job?: string } = requireRow(
    context,
    TABLES[of],
    id,
  );
  if (row.removed) throw unprocessable('so-already', 'This was taken away already.', 'id');
  // What was settled is part of the job’s story, and may have brought work.
  if (of === 'assumption' && row.state !== 'open')
    throw unprocessable('settled-already', 'This is settled; open it again to take it away.', 'id');
  update(context.db, TABLES[of], id, { removed: 1 });
  if (of === 'opening' && row.area) recalculateArea(context, row.area);
  // What is ordered is coming, whatever the list says.
  if (of === 'selection' && isComing(row.state as SelectionState))
    throw unprocessable('ordered-already', 'This is ordered and on its way; take the order back first.', 'id');
  const job = row.job ?? requireRow(context, 'area', row.area ?? '', 'area').job;
  switch (of) {
    case 'selection':
      return context.replan(job, goodsCause(requireRow(context, 'selection', id), 'taken-away'));
    case 'request':
      return context.replan(job, requestCause(requireRow(context, 'request', id), 'taken-away'));
    case 'finding': {
      const { kind, subject } = requireRow(context, 'finding', id);
      if (kind !== 'service') return context.planStays(job);
      return context.replan(job, { kind: 'service', service: id, subject, what: 'gone', by: '' });
    }
    case 'decision': {
      const opened = queryOne<{ area: string; phase: Phase; name: string }>(
        context.db,
        `SELECT area, phase, area.name
          FROM opened_anyway
          JOIN area ON area.id = opened_anyway.area
          WHERE decision = @id`,
        { id },
      );
      if (!opened) return context.planStays(job);
      const { area, phase, name } = opened;
      return context.replan(job, { kind: 'step', area, place: name, phase, what: 'changed' });
    }
    case 'close-in-sign':
      return context.replan(job, { kind: 'signature-taken-away', area: row.area ?? '' });
    default:
      context.planStays(job);
  }
}

export const takeAwayHandlers = handlers({ 'line.remove': (context, { of, id }) => takeAway(context, of, id) });
