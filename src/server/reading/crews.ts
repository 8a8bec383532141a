import { groupBy } from '@/core/group-by';
import type { Crew } from '@/core/schedule/plan-input';
import { ownCrew, plantCrew } from '@/core/sequence/crews';
import { TRADE_KEYS, TRADES, type Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { slotOf, type Slot } from '@/core/units/slot';
import { daysFrom } from '@/core/units/workday';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { plantDownRows, plantRows, subRows } from './firm';
import { ofFirm } from './reading';

/** Days from today on on which subs do not come, the nearest first. */
export const awayRows = ofFirm(({ db, today }) =>
  groupBy(
    queryAll<Rows['day_away']>(db, 'SELECT * FROM day_away WHERE last_day >= @today ORDER BY first_day', { today }),
    (row) => row.sub as string,
  ),
);

/** Half-days from today on of which a sub's own calendar says that it is busy. */
export const busyRows = ofFirm(({ db, today }) =>
  groupBy(
    queryAll<Pick<Rows['busy'], 'sub' | 'day' | 'half'>>(db, 'SELECT sub, day, half FROM busy WHERE day >= @today', {
      today,
    }),
    (row) => row.sub as string,
  ),
);

/** Subs by trade; where the firm has none for a trade, its own people: one crew. */
export const crewsByTrade = ofFirm((firm): ReadonlyMap<Trade, Crew[]> => {
  const { today } = firm;
  const crews = new Map<Trade, Crew[]>(TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, []]));
  for (const sub of subRows(firm)) {
    const slots = [
      ...(awayRows(firm).get(sub.id) ?? []).flatMap((row) => slotsOf(today, row.first_day, row.last_day)),
      ...(busyRows(firm).get(sub.id) ?? []).map((row) => slotOf(today, row.day, row.half)),
    ];
    crews.get(sub.trade)?.push({ id: sub.id, name: sub.name, capacity: sub.crews, away: new Set(slots) });
  }
  for (const [trade, list] of crews)
    if (list.length === 0)
      list.push({ id: ownCrew(trade), name: `our own ${TRADES[trade].toLowerCase()}`, capacity: 1, away: new Set() });
  return crews;
});

const slotsOf = (today: Day, first: Day, last: Day): Slot[] =>
  daysFrom(first, last).flatMap((day) => [slotOf(today, day), slotOf(today, day, 1)]);

/** Plant as crews: away when all of it is broken, else so many fewer. */
export const plantCrews = ofFirm((firm): Crew[] =>
  plantRows(firm).map((plant) => {
    const fewer = new Map<Slot, number>();
    for (const down of plantDownRows(firm).get(plant.id) ?? [])
      for (const slot of slotsOf(firm.today, down.first_day, down.last_day))
        fewer.set(slot, (fewer.get(slot) ?? 0) + down.units);
    const away = [...fewer].flatMap(([slot, units]) => (units >= plant.units ? [slot] : []));
    for (const slot of away) fewer.delete(slot);
    return {
      id: plantCrew(plant.id),
      name: plant.name,
      capacity: plant.units,
      away: new Set(away),
      ...(fewer.size > 0 ? { fewer } : {}),
    };
  }),
);
