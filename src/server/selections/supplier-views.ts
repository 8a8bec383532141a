import type { SuppliersView } from '@/contract/views/selections';
import { groupBy } from '@/core/group-by';
import { isComing } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import { firmTime } from '../zone';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { whenSeen } from '../words';
import { selectionsOf, historyOf } from './queries';

/** Every supplier with its calendar, its list and what is on order with it, over all jobs. */
export function suppliersView(installation: Installation): SuppliersView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const jobs = queryAll<{ id: string; name: string }>(
    db,
    `SELECT id, name FROM job WHERE state <> 'closed' ORDER BY position`,
  );
  const orders = groupBy(
    jobs.flatMap((job) =>
      selectionsOf(installation, job.id)
        .filter((item) => item.supplierId && isComing(item.state))
        .map((item) => ({ job, item })),
    ),
    ({ item }) => item.supplierId ?? '',
  );
  const closures = groupBy(
    queryAll<{ supplier: string; first_day: Day; last_day: Day; why: string }>(
      db,
      'SELECT * FROM supplier_closure WHERE last_day >= @now ORDER BY first_day',
      { now },
    ),
    (row) => row.supplier,
  );
  const prices = new Map(
    queryAll<{ supplier: string; count: number; read_at: string }>(
      db,
      'SELECT supplier, count(*) AS count, max(read_at) AS read_at FROM price GROUP BY supplier',
    ).map((row) => [row.supplier, row]),
  );
  return {
    today: now,
    suppliers: queryAll<{
      id: string;
      version: number;
      name: string;
      email: string;
      phone: string;
      note: string;
      desk: 0 | 1;
    }>(db, 'SELECT * FROM supplier ORDER BY name').map((row) => ({
      id: row.id,
      version: row.version,
      name: row.name,
      email: row.email,
      phone: row.phone,
      note: row.note,
      desk: row.desk === 1,
      closures: (closures.get(row.id) ?? []).map((closure) => ({
        firstDay: closure.first_day,
        lastDay: closure.last_day,
        why: closure.why,
      })),
      prices: prices.get(row.id)?.count ?? 0,
      pricesRead: prices.has(row.id) ? whenSeen(prices.get(row.id)?.read_at ?? '', time) : null,
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
        words: historyOf(db, 'selection', item.id, time).slice(0, 4),
      })),
    })),
  };
}
