import { routes } from '@/contract/routes';
import type { DeliveriesView, DeliveryView, StoredThing } from '@/contract/views/selections';
import { SPARE_KINDS } from '@/contract/commands/selections';
import { KEPT_WORDS, registerOf, REGISTERS } from '@/core/scope/register';
import { groupBy } from '@/core/group-by';
import { isHere, isOrdered } from '@/core/selections/states';
import { loadCautions, type PlannedLoad } from '@/core/selections/load-cautions';
import { STORED_PART, storageCheck, type RoomWork } from '@/core/selections/storage';
import { addDays } from '@/core/units/day';
import { dayOfSlot, lastDay } from '@/core/units/slot';
import { FULL_OCCUPANCY } from '@/core/schedule/network';
import { sayWork } from '@/core/words/work';
import { findingsOf, scopeOf } from './scope-parts';
import { sayLoadCaution } from '@/core/words/load-caution';
import { jobHead } from './job-head';
import { areaNames, areasUpward, type AreaRow, jobRow } from '../reading/job';
import { measuresIn } from '../reading/layouts';
import { planOf, type StoredPlan } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { deliveryRows, spareRows } from '../reading/selections';
import { selectionsOf } from './selection';
import { stuckGoods } from './way-in';
import { selectionCounts } from './selections';

type Row = ReturnType<typeof deliveryRows>[number];

/** Work that takes a whole room, in days: nothing can be stored in its way. */
function workIn(plan: StoredPlan | undefined, area: string): RoomWork[] {
  return (plan?.tasks ?? [])
    .filter(
      (task) => task.area === area && task.state !== 'done' && task.shares === FULL_OCCUPANCY && task.duration > 0,
    )
    .map((task) => ({
      label: sayWork(task.work),
      firstDay: dayOfSlot(plan?.origin ?? '', task.start),
      lastDay: lastDay(plan?.origin ?? '', task.finish),
    }));
}

const many = ({ quantity, unit, category }: { quantity: number | null; unit: string; category: string }): string =>
  `${category.toLowerCase()}${quantity === null ? '' : `, ${quantity} ${unit}`}`;

/** How things come on a job's site, where they are put and what stands there. */
export function deliveriesView(job: JobReading): DeliveriesView {
  const now = job.firm.today;
  const plan = planOf(job);
  const items = selectionsOf(job);
  const areas = areasUpward(job).filter(({ kind }) => kind !== 'face' && kind !== 'roof');
  const names = new Map(areas.map((area) => [area.id as string, area.name]));
  const floors = new Map(
    areas.map((area) => {
      const { floor } = measuresIn(job, area.id);
      return [area.id, typeof floor === 'number' ? floor : null];
    }),
  );
  const rows = deliveryRows(job);
  const deliveries = rows.map((row): DeliveryView => {
    const mine = items.filter((item) => item.delivery === row.id);
    const useDay =
      mine
        .map((item) => item.needBy)
        .filter((day) => day !== null)
        .sort()[0] ?? null;
    const taken = rows
      .filter(
        (other) =>
          other.id !== row.id &&
          other.place === row.place &&
          other.day <= row.day &&
          (other.state === 'came'
            ? items.some((item) => item.delivery === other.id && !['fitted', 'left over'].includes(item.state))
            : true),
      )
      .reduce((sum, other) => sum + (other.floor_area ?? 0), 0);
    const room =
      row.place && row.state === 'planned'
        ? storageCheck({
            day: row.day,
            useDay,
            work: workIn(plan, row.place),
            floor: floors.get(row.place) ?? null,
            takes: row.floor_area,
            taken,
          })
        : null;
    return {
      id: row.id,
      version: row.version,
      day: row.day,
      half: row.half,
      placeId: row.place,
      place: row.place ? (names.get(row.place) ?? '') : '',
      placeNote: row.place_note,
      protection: row.protection,
      floorArea: row.floor_area,
      heaviest: row.heaviest,
      people: row.people,
      carry: row.carry,
      state: row.state,
      cameOn: row.came_on,
      items: mine.map((item) => ({
        id: item.id,
        text: many(item),
        area: item.area,
        needBy: item.needBy,
        expectedOn: item.expectedOn,
      })),
      room,
      warnings:
        row.state === 'planned'
          ? loadCautions(
              loadOf(row),
              mine.map((item) => ({
                thing: item.category,
                stuck: stuckGoods(job).get(item.id),
                expected: item.expectedOn,
                needBy: item.needBy,
                ordered: isOrdered(item.state),
              })),
              room,
              now,
            ).map((caution) => sayLoadCaution(caution, now, jobRow(job).units))
          : [],
      late: row.state === 'planned' && row.day < now,
    };
  });
  const coming = items.filter((item) => !isHere(item.state));
  return {
    job: jobHead(job),
    today: now,
    deliveries,
    loose: coming
      .filter((item) => item.delivery === null)
      .map((item) => ({
        id: item.id,
        text: `${item.category}, ${item.area}`,
        needBy: item.needBy,
        expectedOn: item.expectedOn,
      })),
    places: areas.map((area) => ({ id: area.id, name: area.name, floor: floors.get(area.id) ?? null })),
    map: mapOf(job, { areas, rows, items, plan, floors }),
    storage: storageOf(job, items),
    fitted: items
      .filter((item) => item.state === 'fitted' || item.state === 'checked')
      .map((item) => ({ id: item.id, text: `${item.category}, ${item.area}` })),
    counts: selectionCounts(job),
    spareKinds: SPARE_KINDS,
  };
}

const loadOf = (row: Row): PlannedLoad => ({
  day: row.day,
  floorArea: row.floor_area,
  heaviest: row.heaviest,
  people: row.people,
  carry: row.carry,
  hasPlace: row.place !== null,
  protection: row.protection,
});

interface Stored {
  areas: readonly AreaRow[];
  rows: readonly Row[];
  items: ReturnType<typeof selectionsOf>;
  plan: StoredPlan | undefined;
  floors: ReadonlyMap<string, number | null>;
}

/** How far ahead the map looks for work in a room. */
const MAP_DAYS = 14;

/** Every room of a job as a place to keep things. */
function mapOf(job: JobReading, { areas, rows, items, plan, floors }: Stored): DeliveriesView['map'] {
  const now = job.firm.today;
  const spares = spareRows(job);
  const standing = (delivery: Row): boolean =>
    delivery.state === 'came' &&
    items.some((item) => item.delivery === delivery.id && (item.state === 'on site' || item.state === 'checked'));
  const rooms = areas.map((area) => {
    const here = rows.filter((row) => row.place === area.id && standing(row));
    const floor = floors.get(area.id) ?? null;
    const work = workIn(plan, area.id)
      .filter((roomWork) => roomWork.firstDay <= addDays(now, MAP_DAYS))
      .sort((a, b) => (a.firstDay < b.firstDay ? -1 : 1));
    // Work that follows on within a day keeps the room as one.
    const block = work
      .slice(1)
      .reduce(
        (sum, roomWork) =>
          sum && roomWork.firstDay <= addDays(sum.until, 3)
            ? { ...sum, until: roomWork.lastDay > sum.until ? roomWork.lastDay : sum.until }
            : sum,
        work[0] ? { label: work[0].label, from: work[0].firstDay, until: work[0].lastDay } : null,
      );
    return {
      level: area.level_name ?? 'outside',
      room: {
        id: area.id,
        name: area.name,
        kept: area.lived_in ? 'lived in' : area.passage ? 'everybody’s way through' : null,
        floor,
        left:
          floor === null
            ? null
            : Math.max(0, floor * STORED_PART - here.reduce((sum, row) => sum + (row.floor_area ?? 0), 0)),
        busy: block,
        things: [
          ...items.filter((item) => here.some((row) => row.id === item.delivery)).map(many),
          ...spares.filter((spare) => spare.place === area.id).map((spare) => spare.what),
        ],
      },
    };
  });
  return [...groupBy(rooms, (entry) => entry.level)]
    .map(([level, list]) => ({ level, rooms: list.map((entry) => entry.room) }))
    .reverse();
}

/** What stands on the site and where: things not fitted yet, what is kept, what was salvaged. */
function storageOf(job: JobReading, items: ReturnType<typeof selectionsOf>): DeliveriesView['storage'] {
  const names = areaNames(job);
  // What came wrong stands there once: as what goes back.
  const goesBack = new Set(spareRows(job).flatMap((row) => (row.kind === 'wrong part' ? (row.selection ?? []) : [])));
  const things: { place: string; thing: StoredThing }[] = [
    ...items
      .filter((item) => (item.state === 'on site' || item.state === 'checked') && !goesBack.has(item.id))
      .map((item) => ({
        place: item.keptAt || 'place not said',
        thing: {
          id: item.id,
          version: item.version,
          what: many(item),
          text: `for ${item.area} · ${item.step}`,
          from: 'selection' as const,
          kind: item.state,
          over: null,
          href: routes.selection(job.id, item.id),
          until: item.needBy,
        },
      })),
    ...spareRows(job).map((row) => ({
      place: row.kept_at || (row.place ? (names.get(row.place) ?? '') : 'place not said'),
      thing: {
        id: row.id,
        version: row.version,
        what: `${row.what}${row.quantity === null ? '' : `, ${row.quantity} ${row.unit}`}`,
        text: row.kind === 'wrong part' ? 'goes back' : 'stays',
        from: 'spare' as const,
        kind: row.kind,
        over: row.kind === 'wrong part' ? 'gone back' : 'used up',
        href: row.selection ? routes.selection(job.id, row.selection) : null,
        until: null,
      },
    })),
    ...registerOf(scopeOf(job), findingsOf(job))
      .filter(({ register, kept }) => register !== 'protect' && kept === 'kept')
      .map(({ register, of, id, version, area, what, place }) => ({
        place: place || 'place not said',
        thing: {
          id,
          version,
          what,
          text: area ? `from ${names.get(area) ?? ''}` : '',
          from: of,
          kind: REGISTERS[register].toLowerCase(),
          over: KEPT_WORDS[register].back,
          href: null,
          until: null,
        },
      })),
  ];
  return [...groupBy(things, (entry) => entry.place)]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([place, list]) => ({ place, things: list.map((entry) => entry.thing) }));
}
