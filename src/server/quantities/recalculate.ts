import type { Measure } from '@/core/layout/measures';
import { measuredIn, measureUnit } from '@/core/quantities/measured';
import { recalculate, type Calculation } from '@/core/scope/feed';
import { queryAll, execute } from '../database/query';
import { requireRow, type PlanContext } from '../door/handler';
import { measuresNow } from '../reading/layouts';
import { timeTrack } from '../sequence/lay-track';
import { measureLine } from './lines';

interface Row {
  id: string;
  calculator: string;
  input: string;
  fed: string;
}

const calculationOf = (row: Omit<Row, 'id'>): Calculation => ({
  calculator: row.calculator,
  input: JSON.parse(row.input) as Record<string, unknown>,
  fed: JSON.parse(row.fed) as Record<string, Measure>,
});

/**
 * Computes again everything in an area that follows its drawing: kept calculations, quantities of lines, and times of
 * steps with the plan.
 */
export function recalculateArea(context: PlanContext, area: string): void {
  const { db } = context;
  const measures = measuresNow(context.installation, area);
  const { units } = requireRow(context, 'job', requireRow(context, 'area', area).job, 'job');
  for (const row of queryAll<Row>(
    db,
    `SELECT id, calculator, input, fed
      FROM calculation
      WHERE area = @area AND removed = 0 AND fed <> '{}'`,
    { area },
  )) {
    const outcome = recalculate(calculationOf(row), measures, units);
    execute(
      db,
      `UPDATE calculation
        SET input = @input, output = @output, purchases = @purchases, problem = @problem, version = version + 1
        WHERE id = @id`,
      {
        id: row.id,
        input: outcome.ok ? JSON.stringify(outcome.value.input) : row.input,
        output: outcome.ok ? JSON.stringify(outcome.value.output) : null,
        purchases: JSON.stringify(outcome.ok ? outcome.value.purchases : []),
        problem: outcome.ok ? null : outcome.problem.message,
      },
    );
  }
  for (const line of queryAll<{ id: string; measure: Measure }>(
    db,
    'SELECT id, measure FROM scope_item WHERE area = @area AND removed = 0 AND measure IS NOT NULL',
    { area },
  )) {
    // What can no longer be measured has no quantity: an old figure that looks valid is worse than none.
    const quantity = measuredIn(measures, line.measure, units) ?? null;
    measureLine(db, line.id, quantity, measureUnit(line.measure, units));
  }
  const timed = timeTrack(context.installation, area, 'quantity');
  if (timed) context.replan(timed, { kind: 'drawn', area, place: requireRow(context, 'area', area).name });
  else context.planStays();
}
