import { goodsCause } from './causes';
import { afterCheck, checkWords, type Check } from '@/core/selections/check';
import { isBefore, isHere, isOrdered } from '@/core/selections/states';
import { taskId } from '@/core/sequence/site';
import { today } from '../zone';
import { uuid } from '../database/id';
import { queryAll, insert, queryOne, execute, update } from '../database/query';
import type { Rows } from '../database/rows';
import { requireRow, type CommandContext, type PlanContext } from '../door/handler';
import { readJob } from '../reading/reading';
import { progressOf } from '../reading/standing';
import type { SelectionRow } from '../reading/selections';
import { addHistory } from './history';

/**
 * What was found when a thing came: right, it is checked; wrong, damaged or missing, that part is ordered again with
 * dates of its own, and what came and is no use waits to go back. Where its work has begun the rest is fitted on a
 * return trip.
 */
export function settleCheck(context: PlanContext, id: string, check: Check, observation: string | null): void {
  const row = queryOne<Rows['selection'] & { area_name: string }>(
    context.db,
    `SELECT selection.*, area.name AS area_name
      FROM selection
      JOIN area ON area.id = selection.area
      WHERE selection.id = @id`,
    { id },
  );
  if (!row) return;
  const words = checkWords(check, row.ordered_as || row.choice, row.unit);
  addHistory(context, { job: row.job, selection: id }, `on site: ${words}`);
  // What has not come yet cannot lack anything: it is simply not here.
  if (check.verdict === 'missing' && !isHere(row.state)) return;
  if (!isOrdered(row.state) && check.verdict !== 'right') return;
  const after = afterCheck(check, row.quantity);
  update(context.db, 'selection', id, {
    came_on: row.came_on ?? today(context.installation),
    found: JSON.stringify(check),
    ...(isBefore(row.state, after.state) ? { state: after.state } : {}),
  });
  if (after.again !== null) {
    const begun =
      (progressOf(readJob(context.installation, row.job)).get(taskId(row.area, row.phase))?.fraction ?? 0) > 0;
    const again = orderAgain(context, row, after.again, {
      follows_as: 're-order',
      return_trip: begun ? 1 : 0,
      observation,
      note: words.slice(0, 300),
    });
    addHistory(context, { job: row.job, selection: again }, `to be ordered again: ${words}`);
    if (after.goesBack) {
      insert(context.db, 'spare', {
        id: uuid(),
        job: row.job,
        selection: id,
        kind: 'wrong part',
        what: `${row.category}: ${check.text || check.verdict}`.slice(0, 120),
        quantity: after.again,
        unit: row.unit,
        place: row.area,
        kept_at: row.kept_at || `in ${row.area_name}`,
        observation,
        state: 'kept',
      });
    }
  }
  context.replan(row.job, {
    kind: 'checked',
    selection: id,
    thing: row.category,
    place: row.area_name,
    verdict: check.verdict,
    text: check.text,
  });
}

/** Another selection for the same work: what is ordered again, or the rest that comes later. @returns its id */
export function orderAgain(
  context: CommandContext,
  of: Pick<SelectionRow, 'id'>,
  quantity: number | null,
  over: Partial<Rows['selection']>,
): string {
  const { version: _, delivery: __, ...plain } = requireRow(context, 'selection', of.id);
  const id = uuid();
  insert(context.db, 'selection', {
    ...plain,
    id,
    state: 'approved',
    quantity,
    calculation: null,
    ordered_on: null,
    ordered_as: '',
    order_number: '',
    expected_on: null,
    promised_on: null,
    slip: '',
    came_on: null,
    found: null,
    kept_at: '',
    follows: of.id,
    alternatives: '[]',
    note: '',
    observation: null,
    ...over,
  });
  return id;
}

/**
 * A check that was withdrawn, or said otherwise on the same walk: what followed from it and was not ordered yet goes
 * with it.
 */
export function takeCheckBack(context: PlanContext, selection: string, observation: string): void {
  for (const again of queryAll<{ id: string }>(
    context.db,
    `SELECT id
      FROM selection
      WHERE observation = @observation AND state = 'approved' AND removed = 0`,
    { observation },
  ))
    update(context.db, 'selection', again.id, { removed: 1 });
  execute(
    context.db,
    `UPDATE spare
      SET state = 'gone', version = version + 1
      WHERE observation = @observation AND state = 'kept'`,
    { observation },
  );
  const row = queryOne<Rows['selection']>(context.db, 'SELECT * FROM selection WHERE id = @selection', { selection });
  if (!row) return context.planStays();
  update(context.db, 'selection', selection, {
    found: null,
    ...(row.state === 'checked' ? { state: 'on site' as const } : {}),
  });
  addHistory(context, { job: row.job, selection }, 'the check was taken back');
  context.replan(row.job, goodsCause(row, 'check-taken-back'));
}
