import type { FirmView, SubView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import type { Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { timeIn } from '@/core/units/zone';
import { firmTime } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { readPlan } from '../schedule/read-plan';

/** Who the firm is and whom it calls in. */
export function firmView(installation: Installation): FirmView {
  const { db } = installation;
  const { zone, today: now } = firmTime(installation);
  const open = (readPlan(db)?.tasks ?? []).filter((task) => task.state !== 'done');
  const works = groupBy(open, (task) => task.crew ?? '');
  const away = groupBy(
    queryAll<{ sub: string; firstDay: Day; lastDay: Day }>(
      db,
      `SELECT sub, first_day AS firstDay, last_day AS lastDay
        FROM day_away
        WHERE last_day >= @now
        ORDER BY first_day`,
      { now },
    ),
    (row) => row.sub,
  );
  const subs = queryAll<Omit<SubView, 'away' | 'works'>>(
    db,
    `SELECT id, version, name, trade, crews, lead_name AS leadName, email, phone
      FROM sub
      ORDER BY trade, name`,
  );
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
    ...(queryOne<{ name: string; town: string }>(db, 'SELECT name, town FROM firm') ?? { name: '', town: '' }),
    zone,
    today: now,
    time: timeIn(zone, installation.clock.now()),
    people: queryAll(db, 'SELECT id, name, role, email, phone FROM person ORDER BY rowid'),
    subs: subs.map((sub) => ({
      ...sub,
      away: (away.get(sub.id) ?? []).map(({ firstDay, lastDay }) => ({ firstDay, lastDay })),
      works: works.get(sub.id)?.length ?? 0,
    })),
    holidays: queryAll(db, 'SELECT day, name FROM holiday WHERE day >= @now ORDER BY day', { now }),
    missing: needed.flatMap(({ trade }) => (known.has(trade) ? [] : [trade])),
  };
}
