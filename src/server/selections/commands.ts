import { addSelection, changeSelection } from '@/contract/commands/sites';
import { insert, orNull, run } from '../database/query';
import { handler, needAreaOf, needVersion, needStep, type Handler } from '../door/handler';

export const selectionHandlers: Handler[] = [
  handler(addSelection, (visit, item) => {
    needAreaOf(visit, item.job, item.area);
    needStep(visit, item.area, item.phase);
    insert(visit.db, 'selection', {
      id: item.id, job: item.job, area: item.area, phase: item.phase, category: item.category, choice: item.choice, code: item.code, supplier: item.supplier,
      lead_days: item.leadDays, state: item.state, expected_on: orNull(item.expectedOn), note: item.note,
    });
    visit.mark(item.job, `${item.category} was added`);
  }),
  handler(changeSelection, (visit, item) => {
    const { job, category } = needVersion<{ version: number; job: string; category: string }>(visit, 'selection', item.id, item.version);
    run(visit.db, `UPDATE selection SET choice = @choice, code = @code, supplier = @supplier, lead_days = @leadDays, state = @state, expected_on = @expectedOn,
      note = @note, version = version + 1 WHERE id = @id`, {
      id: item.id, choice: item.choice, code: item.code, supplier: item.supplier, leadDays: item.leadDays, state: item.state, expectedOn: orNull(item.expectedOn), note: item.note,
    });
    visit.mark(job, `${category} changed`);
  }),
];
