import { groupBy } from '@/core/group-by';
import type { Crew } from '@/core/schedule/plan-input';
import { crewOf, ownCrew, plantCrew } from '@/core/sequence/crews';
import { TRADE_KEYS, TRADES, type Trade } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { slotOf, type Slot } from '@/core/units/slot';
import { daysFrom } from '@/core/units/workday';
import { queryAll } from '../database/query';
import type { Rows } from '../database/rows';
import { plantDownRows, plantRows, subRows, tradesNeeded } from './firm';
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

/** Every trade that each sub does, the one they are listed under first. */
export const tradesOfSubs = ofFirm((firm): ReadonlyMap<string, Trade[]> => {
  const more = groupBy(
    queryAll<Rows['sub_trade']>(firm.db, 'SELECT * FROM sub_trade ORDER BY trade'),
    (row) => row.sub as string,
  );
  return new Map(
    subRows(firm).map(({ id, trade }) => [
      id,
      [trade, ...(more.get(id) ?? []).flatMap((row) => (row.trade === trade ? [] : [row.trade]))],
    ]),
  );
});

/** Subs, and the firm's own people of every trade that none of them does: one crew. */
export const subCrews = ofFirm((firm): Crew[] => {
  const { today } = firm;
  const subs = subRows(firm).map((sub): Crew => {
    const slots = [
      ...(awayRows(firm).get(sub.id) ?? []).flatMap((row) => slotsOf(today, row.first_day, row.last_day)),
      ...(busyRows(firm).get(sub.id) ?? []).map((row) => slotOf(today, row.day, row.half)),
    ];
    return { id: sub.id, name: sub.name, capacity: sub.crews, away: new Set(slots) };
  });
  const trades = tradesOfSubs(firm);
  const done = new Set([...trades.values()].flat());
  const own = TRADE_KEYS.filter((trade) => trade !== 'nobody' && !done.has(trade));
  const first = (crew: Crew): number => TRADE_KEYS.indexOf(trades.get(crew.id)?.[0] ?? 'nobody');
  return TRADE_KEYS.flatMap((trade, at) => [
    ...subs.filter((crew) => first(crew) === at),
    ...(own.includes(trade) ? [ownPeople(trade)] : []),
  ]);
});

const ownPeople = (trade: Trade): Crew => ({
  ...{ id: ownCrew(trade), name: `our own ${TRADES[trade].toLowerCase()}`, capacity: 1, away: new Set<Slot>() },
});

/** Who there is for each trade. */
export const crewsByTrade = ofFirm((firm): ReadonlyMap<Trade, Crew[]> => {
  const trades = tradesOfSubs(firm);
  const crews = groupBy(
    subCrews(firm).flatMap((crew) => {
      const known = crewOf(crew.id);
      return (known.of === 'own' ? [known.trade] : (trades.get(crew.id) ?? [])).map((trade) => ({ trade, crew }));
    }),
    ({ trade }) => trade,
  );
  return new Map([...crews].map(([trade, list]) => [trade, list.map(({ crew }) => crew)]));
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

/** The trades that open jobs need and nobody of the firm's subs does. */
export const tradesUnserved = ofFirm((firm): Trade[] => {
  const served = new Set([...tradesOfSubs(firm).values()].flat());
  return tradesNeeded(firm).filter((trade) => !served.has(trade));
});
