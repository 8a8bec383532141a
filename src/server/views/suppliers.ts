import type { SuppliersView } from '@/contract/views/selections';
import { groupBy } from '@/core/group-by';
import { isComing } from '@/core/selections/states';
import { closureRows, supplierRows } from '../reading/firm';
import { newestHistory } from '../reading/history';
import { jobRow } from '../reading/job';
import { priceLists } from '../reading/prices';
import type { FirmReading } from '../reading/reading';
import { whenSeen } from '../words';
import { historyLine, selectionsOf } from './selection';

/** What was said last of an order. */
const WORDS = 4;

/** Every supplier with its calendar, its list and what is on order with it, over all jobs. */
export function suppliersView(firm: FirmReading): SuppliersView {
  const now = firm.today;
  const orders = groupBy(
    firm.jobs.flatMap((id) =>
      selectionsOf(firm.job(id))
        .filter((item) => item.supplierId && isComing(item.state))
        .map((item) => ({ job: jobRow(firm.job(id)), item })),
    ),
    ({ item }) => item.supplierId ?? '',
  );
  const closures = closureRows(firm);
  const prices = priceLists(firm);
  const histories = groupBy(
    newestHistory(
      firm.db,
      'selection',
      [...orders.values()].flat().map(({ item }) => item.id),
      WORDS,
    ),
    (line) => line.selection ?? '',
  );
  return {
    today: now,
    suppliers: supplierRows(firm).map((row) => ({
      id: row.id,
      version: row.version,
      name: row.name,
      email: row.email,
      phone: row.phone,
      note: row.note,
      desk: row.desk === 1,
      closures: (closures.get(row.id) ?? [])
        .filter((closure) => closure.last_day >= now)
        .map((closure) => ({
          firstDay: closure.first_day,
          lastDay: closure.last_day,
          why: closure.why,
        })),
      prices: prices.get(row.id)?.count ?? 0,
      pricesRead: prices.has(row.id) ? whenSeen(prices.get(row.id)?.read_at ?? '', firm) : null,
      orders: (orders.get(row.id) ?? []).map(({ job, item }) => ({
        id: item.id,
        job: job.id,
        jobName: job.name,
        text: `${item.category}${item.quantity === null ? '' : `, ${item.quantity} ${item.unit}`}, ${item.area}`,
        state: item.state,
        orderedOn: item.orderedOn,
        expectedOn: item.expectedOn,
        needBy: item.needBy,
        after: item.there?.after ?? 0,
        words: (histories.get(item.id) ?? []).map((line) => historyLine(firm, line)),
      })),
    })),
  };
}
