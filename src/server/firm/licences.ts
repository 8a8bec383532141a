import { execute, insert, orNull, update } from '../database/query';
import { handlers, requireRow, requireVersion } from '../door/handler';
import { unprocessable } from '../refusal';

export const licenceHandlers = handlers({
  'licence.set': (context, { id, version, sub, trade, holder, number, expiresOn }) => {
    if (trade === 'nobody') throw unprocessable('trade-of-nobody', 'Waiting is no trade; choose one.', 'trade');
    if (sub) requireRow(context, 'sub', sub, 'sub');
    const row = { sub: sub ? sub : null, trade, holder, number, expires_on: orNull(expiresOn) };
    if (version === 0) return insert(context.db, 'licence', { id, ...row });
    requireVersion(context, 'licence', id, version);
    update(context.db, 'licence', id, row);
  },
  'licence.remove': (context, { id }) => {
    requireRow(context, 'licence', id);
    execute(context.db, 'DELETE FROM licence WHERE id = @id', { id });
  },
  'firm.set-licensed-trades': (context, { trades }) => {
    if (trades.includes('nobody')) throw unprocessable('trade-of-nobody', 'Waiting is no trade.', 'trades');
    execute(context.db, 'DELETE FROM licensed_trade');
    for (const trade of new Set(trades)) insert(context.db, 'licensed_trade', { trade });
  },
});
