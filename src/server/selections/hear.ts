import { supplierSays } from '@/contract/commands/selections';
import { today } from '../zone';
import { queryAll } from '../database/query';
import type { SupplierDesk } from '../outside/simulated/suppliers';
import { dispatch } from '../door/door';
import type { House } from '../house';
import { onOrderRows } from './rows';
import { orderOf } from './suppliers';

/** Has the desk say all that is due by today, each through the one door. @returns how often it spoke */
export function pollSuppliers(house: House, desk: SupplierDesk): number {
  const answering = new Set(
    queryAll<{ id: string }>(house.db, 'SELECT id FROM supplier WHERE desk = 1').map((row) => row.id),
  );
  let spoken = 0;
  for (const row of onOrderRows(house.db).filter((one_) => one_.supplier !== null && answering.has(one_.supplier))) {
    const word = desk.next(orderOf(house.db, row));
    // A confirmation comes as soon as the order is read; what is made takes its days.
    if (!word || (word.says !== 'confirms' && word.on > today(house))) continue;
    const { says, text, day, quantity } = word;
    const answer = dispatch(
      house,
      { kind: 'desk', id: 'suppliers' },
      {
        id: crypto.randomUUID(),
        type: supplierSays.type,
        at: house.clock.now().toISOString(),
        payload: { selection: row.id, says, text, ...(day ? { day } : {}), ...(quantity ? { quantity } : {}) },
      },
    );
    if (answer.status === 'applied') spoken++;
  }
  return spoken;
}

const DAILY_MS = 3_600_000;

/** Keeps an ear to the desk: soon after an order, at the start, and every hour for what its day brings. */
export function startSuppliers(house: House, desk: SupplierDesk, delayMs = 1_500): void {
  let timer: NodeJS.Timeout | undefined;
  const soon = (): void => {
    timer ??= setTimeout(() => {
      timer = undefined;
      if (pollSuppliers(house, desk) > 0) soon();
    }, delayMs).unref();
  };
  house.news.on('ordered', soon);
  setInterval(soon, DAILY_MS).unref();
  soon();
}
