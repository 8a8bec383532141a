import type { RoutePlace, RouteView } from '@/contract/views/route';
import { groupBy } from '@/core/group-by';
import { isVisit } from '@/core/schedule/visit';
import { leftoverId } from '@/core/sequence/site';
import { TRADES } from '@/core/sequence/trades';
import { routeOf, type Stop } from '@/core/trips/route';
import { tripsOf, type Left } from '@/core/trips/visits';
import { formatTime } from '@/core/units/date-words';
import { formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { workdaysAfter, workdaysBetween } from '@/core/units/workday';
import { countedWords } from '@/core/walks/record-words';
import { holidaysOf } from '../reading/firm';
import { jobRow } from '../reading/job';
import { wholePlan } from '../reading/plan';
import { dayStarts, minutesBetween, routeStops, spotsOf } from '../reading/routes';
import type { FirmReading } from '../reading/reading';
import { selectionRows } from '../reading/selections';
import { inspectionRows } from '../reading/sequence';
import { carriedOf } from '../reading/standing';
import { runView } from './run-list';

/** Where the day starts. */
const YARD = 'yard';
const STARTS = '07:30';

/** Halves of a day in which somebody is booked, as times to be there. */
const HALVES = [
  { from: '08:00', until: '12:00' },
  { from: '12:30', until: '16:30' },
] as const;

/** A day's stops in the best order, and one trip for what is left of each trade. */
export function routeView(firm: FirmReading, day: Day = firm.today): RouteView {
  const { today } = firm;
  const places = placesOf(firm, day);
  const names = new Map(places.map(({ id, name }) => [id, name] as const));
  const stops = routeStops(firm, day)
    // A site that was closed since is no stop any more.
    .filter(({ place }) => names.has(place))
    .map((row) => ({
      ...{ place: row.place, name: names.get(row.place) ?? '', stays: row.stays },
      ...{ from: row.from_hour, until: row.until_hour },
    }));
  const starts = dayStarts(firm, day);
  const ids = [YARD, ...stops.map(({ place }) => place)];
  const route = routeOf(
    stops.map((stop): Stop => ({
      ...{ id: stop.place, stays: stop.stays },
      ...{ from: stop.from ? minutesOf(stop.from) : 0, until: stop.until ? minutesOf(stop.until) : LAST },
    })),
    minutesOf(starts ?? STARTS),
    ids.map((one) => ids.slice(1).map((other) => minutesBetween(firm, one, other).minutes)),
  );
  const before = (at: number): string => route.visited[at - 1]?.stop ?? YARD;
  return {
    ...{ day, label: formatDay(day, today), starts: starts ?? STARTS, places, stops },
    route: route.visited.map((visited, at) => ({
      ...{ place: visited.stop, name: names.get(visited.stop) ?? '', travels: visited.travels },
      ...{ arrives: sayHour(visited.arrives), begins: sayHour(visited.begins), leaves: sayHour(visited.leaves) },
      guessed: minutesBetween(firm, before(at), visited.stop).guessed,
    })),
    missed: route.missed.map(({ stop, earliest }) => ({
      name: names.get(stop) ?? '',
      why: `in no order within its time; after the others it could begin at ${sayHour(earliest)}`,
    })),
    ...{ travels: route.travels, ends: sayHour(route.ends) },
    guesses: ids.flatMap((one, at) =>
      ids.slice(at + 1).flatMap((other) => {
        const { minutes, guessed } = minutesBetween(firm, one, other);
        return guessed ? [{ one, other, name: `${names.get(one) ?? ''} to ${names.get(other) ?? ''}`, minutes }] : [];
      }),
    ),
    trips: tripsByTrade(firm),
  };
}

const LAST = 24 * 60;
const minutesOf = (hour: string): number => 60 * Number(hour.slice(0, 2)) + Number(hour.slice(3));
const sayHour = (minutes: number): string =>
  formatTime(`${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`);

/** Open sites with why one would go there on a day, and shops from the run list on the way. */
function placesOf(firm: FirmReading, day: Day): RoutePlace[] {
  const plan = wholePlan(firm);
  const [from, until] = plan ? [slotOf(plan.origin, day), slotOf(plan.origin, day) + 2] : [0, 0];
  const sites = firm.jobs.map((id): RoutePlace => {
    const job = firm.job(id);
    const booked = inspectionRows(job).find((row) => row.state === 'booked' && row.day === day);
    const come = (plan?.tasks ?? []).filter(
      (task) =>
        task.job === id && task.crew !== null && task.state !== 'done' && task.start < until && task.finish > from,
    );
    const goods = selectionRows(job).filter((row) => row.expected_on === day).length;
    return {
      ...{ id, name: jobRow(job).name, spot: '' },
      why: [
        ...(booked ? ['an inspection is booked'] : []),
        ...(goods > 0 ? [goods === 1 ? 'a delivery' : `${goods} deliveries`] : []),
        ...(come.length > 0 ? [`${new Set(come.map(({ crew }) => crew)).size} at work`] : []),
      ],
      ...(booked ? HALVES[booked.half] : { from: '', until: '' }),
    };
  });
  const shops = runView(firm).stops.flatMap(({ supplier, lines }): RoutePlace[] => {
    const open = lines.filter(({ bought }) => !bought).length;
    return open === 0 || supplier === 'any shop'
      ? []
      : [{ id: `shop ${supplier}`, name: supplier, spot: '', why: [`${open} to buy`], from: '', until: '' }];
  });
  const spots = spotsOf(firm);
  return [{ id: YARD, name: 'The yard', spot: '', why: [], from: '', until: '' }, ...sites, ...shops].map((place) => {
    const spot = spots.get(place.id);
    return spot ? { ...place, spot: `${spot.north}, ${spot.east}` } : place;
  });
}

/** What is left over all houses, by trade: the fewest trips. */
function tripsByTrade(firm: FirmReading): RouteView['trips'] {
  const { today } = firm;
  const plan = wholePlan(firm);
  if (!plan) return [];
  const holidays = holidaysOf(firm);
  const tasks = new Map(plan.tasks.map((task) => [task.id as string, task]));
  const crews = new Map(plan.crewCapacity.map(({ sub, name }) => [sub, name]));
  const waits = groupBy(plan.notBefore, ({ task }) => task);
  const found = firm.jobs.flatMap((id) =>
    carriedOf(firm.job(id)).flatMap(({ item }) => {
      const task = item.kind === 'remaining' ? tasks.get(leftoverId(item.id)) : undefined;
      if (item.kind !== 'remaining' || !task || !isVisit(task)) return [];
      // Parts that come, and nothing else: a grouping may put it where nobody is yet.
      const slot = Math.max(0, ...(waits.get(task.id) ?? []).map((wait) => wait.slot));
      const ready = workdaysBetween(today, dayOfSlot(plan.origin, slot), holidays);
      const left: Left = { id: task.id, job: id, ready, halfDays: task.duration };
      return [{ left, task, text: countedWords(item) }];
    }),
  );
  return [...groupBy(found, ({ task }) => task.crew ?? '')].flatMap(([crew, list]): RouteView['trips'] => {
    const [first] = list;
    if (!first) return [];
    const trips = tripsOf(list.map(({ left }) => left));
    const text = new Map(list.map((one) => [one.left.id, one.text]));
    return [
      {
        ...{ trade: TRADES[first.task.trade], crew: crews.get(crew) ?? '' },
        ...{ trips: trips.trips, apart: trips.apart, proven: trips.bound === trips.cost },
        days: trips.days.map(({ day, houses }) => {
          const on = day === 0 ? today : workdaysAfter(today, day, holidays);
          return {
            ...{ day: on, label: formatDay(on, today) },
            houses: houses.map(({ job, items }) => ({
              name: jobRow(firm.job(job)).name,
              items: items.map((task) => ({ task, text: text.get(task) ?? '' })),
            })),
          };
        }),
      },
    ];
  });
}
