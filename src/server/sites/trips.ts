import { execute, insert } from '../database/query';
import { handlers } from '../door/handler';
import { unprocessable } from '../refusal';
import { today } from '../zone';

/** Ways between places, and the route of a day. */
export const tripHandlers = handlers({
  'travel.set': ({ db }, { one, other, minutes }) => {
    const [first, second] = [one, other].sort();
    execute(db, 'INSERT OR REPLACE INTO travel (one, other, minutes) VALUES (@first, @second, @minutes)', {
      ...{ first: first ?? one, second: second ?? other, minutes },
    });
  },
  'spot.set': ({ db }, { place, north, east }) => {
    execute(db, 'INSERT OR REPLACE INTO spot (place, north, east) VALUES (@place, @north, @east)', {
      ...{ place, north, east },
    });
  },
  'route.keep': (context, { day, starts, stops }) => {
    if (day < today(context.installation))
      throw unprocessable('route-over', 'That day is over; plan the route of today or a later day.', 'day');
    const { db } = context;
    execute(db, 'DELETE FROM route_stop WHERE day = @day', { day });
    execute(db, 'INSERT OR REPLACE INTO route_day (day, starts) VALUES (@day, @starts)', { day, starts });
    for (const { place, stays, from, until } of new Map(stops.map((stop) => [stop.place, stop])).values())
      insert(db, 'route_stop', { day, place, stays, from_hour: from, until_hour: until });
  },
});
