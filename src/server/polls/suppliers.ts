import { supplierSays } from '@/contract/commands/selections';
import { today } from '../zone';
import { queryAll } from '../database/query';
import { dispatch } from '../dispatch/dispatch';
import type { Installation } from '../installation';
import { readHouse } from '../reading/reading';
import { onOrderRows } from '../reading/selections';
import { orderOf } from '../selections/suppliers';

/** Has the desk say all that is due by today, each through the one door. @returns how often it spoke */
export function pollSuppliers(installation: Installation): number {
  const answering = new Set(
    queryAll<{ id: string }>(installation.db, 'SELECT id FROM supplier WHERE desk = 1').map((row) => row.id),
  );
  const house = readHouse(installation);
  let spoken = 0;
  for (const row of onOrderRows(installation.db).filter(
    (selection) => selection.supplier !== null && answering.has(selection.supplier),
  )) {
    const word = installation.outside.suppliers.next(orderOf(house, row));
    // A confirmation comes as soon as the order is read; what is made takes its days.
    if (!word || (word.says !== 'confirms' && word.on > today(installation))) continue;
    const { says, text, day, quantity } = word;
    const answer = dispatch(
      installation,
      { kind: 'desk', id: 'suppliers' },
      {
        id: crypto.randomUUID(),
        type: supplierSays.type,
        at: installation.clock.now().toISOString(),
        payload: { selection: row.id, says, text, ...(day ? { day } : {}), ...(quantity ? { quantity } : {}) },
      },
    );
    if (answer.status === 'applied') spoken++;
  }
  return spoken;
}

const DAILY_MS = 3_600_000;

/** Keeps an ear to the desk: soon after an order, at the start, and every hour for what its day brings. */
export function startSuppliers(installation: Installation, delayMs = 1_500): void {
  let timer: NodeJS.Timeout | undefined;
  const soon = (): void => {
    timer ??= setTimeout(() => {
      timer = undefined;
      if (pollSuppliers(installation) > 0) soon();
    }, delayMs).unref();
  };
  installation.news.on('ordered', soon);
  setInterval(soon, DAILY_MS).unref();
  soon();
}
