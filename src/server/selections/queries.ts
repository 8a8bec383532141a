import type { SelectionView } from '@/contract/views/job';
import type { SelectionState } from '@/contract/commands/sites';
import type { Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { BUFFER_DAYS, decideBy, orderBy } from '@/core/selections/order-by';
import { addDays, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { standing, ofKind } from '@/core/walks/observation';
import { today } from '../clock';
import { all } from '../database/query';
import type { House } from '../house';
import { readPlan } from '../schedule/store-plan';
import { observationsOf } from '../walks/queries';

interface SelectionRow {
  id: string;
  version: number;
  area: string;
  area_name: string;
  phase: Phase;
  category: string;
  choice: string;
  code: string;
  supplier: string;
  lead_days: number;
  state: SelectionState;
  expected_on: Day | null;
  note: string;
}

/** How far ahead a date counts as near. */
const NEAR_DAYS = 14;

/**
 * A job's selections with their dates from the plan, the most urgent first. Need-by is the start of the work that uses the
 * thing; where nothing but the thing itself holds that work, it is the last day on which it would delay nobody.
 */
export function selectionsOf(house: House, job: string): SelectionView[] {
  const now = today(house.clock);
  const plan = readPlan(house.db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  const found = new Map(ofKind(standing(observationsOf(house.db, job)), 'selection-check').map((check) => [check.selection, check]));
  const rows = all<SelectionRow>(house.db, 'SELECT selection.*, area.name AS area_name FROM selection JOIN area ON area.id = selection.area WHERE selection.job = @job', { job });
  return rows.map((row): SelectionView => {
    const task = tasks.get(taskId(row.area, row.phase));
    const needBy = plan && task && task.state !== 'done' ? dayOfSlot(plan.origin, task.reason.kind === 'not-before' ? Math.max(task.start, task.lateStart) : task.start) : null;
    const order = needBy && orderBy(needBy, row.lead_days, BUFFER_DAYS);
    const decide = order && decideBy(order);
    const check = found.get(row.id);
    return {
      id: row.id, version: row.version, areaId: row.area, area: row.area_name, phase: row.phase, category: row.category, choice: row.choice, code: row.code,
      supplier: row.supplier, leadDays: row.lead_days, state: row.state, expectedOn: row.expected_on, note: row.note, needBy, orderBy: order, decideBy: decide,
      due: dueOf(row, needBy, order, decide, now),
      found: check ? (check.text ? `${check.verdict}: ${check.text}` : check.verdict) : null,
    };
  }).sort((a, b) => Number(a.due.what === 'settled') - Number(b.due.what === 'settled') || (a.due.day ?? '9').localeCompare(b.due.day ?? '9') || a.category.localeCompare(b.category));
}

function dueOf(row: SelectionRow, needBy: Day | null, order: Day | null, decide: Day | null, now: Day): SelectionView['due'] {
  if (row.state === 'on site' || row.state === 'fitted') return { what: 'settled', day: null, late: false, near: false };
  const [what, day] = row.state === 'ordered' ? (['arrive', row.expected_on ?? needBy] as const) : row.state === 'open' ? (['decide', decide] as const) : (['order', order] as const);
  return { what, day, late: day !== null && (what === 'arrive' ? day < now || (needBy !== null && day > needBy) : day < now), near: day !== null && day <= addDays(now, NEAR_DAYS) };
}
