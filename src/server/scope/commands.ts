import { addScope, changeScope } from '@/contract/commands/sites';
import { insert, orNull, run } from '../database/query';
import { handler, needAreaOf, needVersion, type Handler } from '../door/handler';

export const scopeHandlers: Handler[] = [
  handler(addScope, (visit, item) => {
    needAreaOf(visit, item.job, item.area);
    insert(visit.db, 'scope_item', {
      id: item.id, job: item.job, area: item.area, stance: item.stance, verb: item.verb, subject: item.subject, quantity: orNull(item.quantity),
      unit: orNull(item.unit), trade: orNull(item.trade), depends_on: item.dependsOn,
    });
    visit.touches(item.job);
  }),
  handler(changeScope, (visit, item) => {
    const { job } = needVersion<{ version: number; job: string }>(visit, 'scope_item', item.id, item.version);
    run(visit.db, `UPDATE scope_item SET stance = @stance, verb = @verb, subject = @subject, quantity = @quantity, unit = @unit, trade = @trade,
      depends_on = @dependsOn, version = version + 1 WHERE id = @id`, {
      id: item.id, stance: item.stance, verb: item.verb, subject: item.subject, quantity: orNull(item.quantity), unit: orNull(item.unit),
      trade: orNull(item.trade), dependsOn: item.dependsOn,
    });
    visit.touches(job);
  }),
];
