import { groupBy } from '@/core/group-by';
import type { Crew } from '@/core/schedule/plan-input';
import { ownCrew, plantCrew } from '@/core/sequence/crews';
import { TRADE_KEYS, TRADES, type Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { slotOf, type Slot } from '@/core/units/slot';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import { daysFrom } from '../../core/units/workday';

/** Subs by trade; where the firm has none for a trade, its own people: one crew. */
export function crewsByTrade(db: Connection, today: Day): Map<Trade, Crew[]> {
  const away = groupBy(
    queryAll<{ sub: string; first_day: Day; last_day: Day }>(db, 'SELECT * FROM day_away WHERE last_day >= @today', {
      today,
    }),
    (row) => row.sub,
  );
  const busy = groupBy(
    queryAll<{ sub: string; day: Day; half: 0 | 1 }>(db, 'SELECT sub, day, half FROM busy WHERE day >= @today', {
      today,
    }),
    (row) => row.sub,
  );
  const crews = new Map<Trade, Crew[]>(TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, []]));
  for (const sub of queryAll<{ id: string; name: string; trade: Trade; crews: number }>(
    db,
    'SELECT id, name, trade, crews FROM sub ORDER BY name, id',
  )) {
    const slots = [
      ...(away.get(sub.id) ?? []).flatMap((row) => slotsOf(today, row.first_day, row.last_day)),
      ...(busy.get(sub.id) ?? []).map((row) => slotOf(today, row.day, row.half)),
    ];
    crews.get(sub.trade)?.push({ id: sub.id, name: sub.name, capacity: sub.crews, away: new Set(slots) });
  }
  for (const [trade, list] of crews)
    if (list.length === 0)
      list.push({ id: ownCrew(trade), name: `our own ${TRADES[trade].toLowerCase()}`, capacity: 1, away: new Set() });
  return crews;
}

const slotsOf = (today: Day, first: Day, last: Day): Slot[] =>
  daysFrom(first, last).flatMap((day) => [slotOf(today, day), slotOf(today, day, 1)]);

/** Plant as crews: away when all of it is broken, else so many fewer. */
export function plantOf(db: Connection, today: Day): Crew[] {
  return queryAll<{ id: string; name: string; units: number }>(
    db,
    'SELECT id, name, units FROM plant ORDER BY rowid',
  ).map((plant) => {
    const fewer = new Map<Slot, number>();
    for (const down of queryAll<{ first_day: Day; last_day: Day; units: number }>(
      db,
      'SELECT * FROM plant_down WHERE plant = @id AND last_day >= @today',
      { id: plant.id, today },
    )) {
      for (const slot of slotsOf(today, down.first_day, down.last_day))
        fewer.set(slot, (fewer.get(slot) ?? 0) + down.units);
    }
    const away = [...fewer].flatMap(([slot, units]) => (units >= plant.units ? [slot] : []));
    for (const slot of away) fewer.delete(slot);
    return {
      id: plantCrew(plant.id),
      name: plant.name,
      capacity: plant.units,
      away: new Set(away),
      ...(fewer.size > 0 ? { fewer } : {}),
    };
  });
}
