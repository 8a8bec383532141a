import type { FirmView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import type { Trade } from '@/core/sequence/trades';
import { timeIn } from '@/core/units/zone';
import { queryAll } from '../database/query';
import type { Installation } from '../installation';
import { awayRows } from '../reading/crews';
import { firmRow, subRows } from '../reading/firm';
import { wholePlan } from '../reading/plan';
import { readFirm } from '../reading/reading';

/** Who the firm is and whom it calls in. */
export function firmView(installation: Installation): FirmView {
  const firm = readFirm(installation);
  const { db, zone, today: now } = firm;
  const open = (wholePlan(firm)?.tasks ?? []).filter((task) => task.state !== 'done');
  const works = groupBy(open, (task) => task.crew ?? '');
  const away = awayRows(firm);
  const subs = [...subRows(firm)].sort((a, b) => (a.trade < b.trade ? -1 : a.trade > b.trade ? 1 : 0));
  const known = new Set(subs.map((sub) => sub.trade));
  const needed = queryAll<{ trade: Trade }>(
    db,
    `SELECT DISTINCT step.trade
      FROM step
      JOIN area ON area.id = step.area
      JOIN job ON job.id = area.job
      WHERE job.state <> 'closed' AND step.trade <> 'nobody'
      ORDER BY step.trade`,
  );
  return {
    name: firmRow(firm)?.name ?? '',
    town: firmRow(firm)?.town ?? '',
    zone,
    today: now,
    time: timeIn(zone, installation.clock.now()),
    people: queryAll(db, 'SELECT id, name, role, email, phone FROM person ORDER BY rowid'),
    subs: subs.map((sub) => ({
      id: sub.id,
      version: sub.version,
      name: sub.name,
      trade: sub.trade,
      crews: sub.crews,
      leadName: sub.lead_name,
      email: sub.email,
      phone: sub.phone,
      away: (away.get(sub.id) ?? []).map((row) => ({ firstDay: row.first_day, lastDay: row.last_day })),
      works: works.get(sub.id)?.length ?? 0,
    })),
    holidays: queryAll(db, 'SELECT day, name FROM holiday WHERE day >= @now ORDER BY day', { now }),
    missing: needed.flatMap(({ trade }) => (known.has(trade) ? [] : [trade])),
  };
}
