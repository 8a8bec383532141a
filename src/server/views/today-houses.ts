import { routes } from '@/contract/routes';
import type { SmallRoom, SmallSection, Stopper, TodayHouse } from '@/contract/views/today';
import { groupBy } from '@/core/group-by';
import { isVisit } from '@/core/schedule/visit';
import { sayStops } from '@/core/words/stops';
import { subRows } from '../reading/firm';
import { areaRows, jobRow, levelRows } from '../reading/job';
import { daysLate, finishDay, planOf } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { siteOf } from '../reading/site';
import { visitDays } from '../reading/visits';
import { workDoneOf } from '../reading/weights';
import { carryingOf } from './carrying';
import { heldBy, holdsOf } from './holds';
import { shareOf } from './house';

/** A job as a house on Today: how far, by when, and the one thing that stops it. */
export function houseToday(job: JobReading): TodayHouse {
  const [{ name, promise_day: promise }, finish] = [jobRow(job), finishDay(job)];
  const late = daysLate(job);
  return {
    job: job.id,
    name,
    done: workDoneOf(job).share,
    finish,
    promise,
    late,
    because: late !== null && late > 0 ? (carryingOf(job)?.first ?? null) : null,
    sure: sureOf(job),
    section: smallSection(job, standsNow(job)),
    stopper: stopperOf(job),
  };
}

/** An end is as sure as the days that lead to it: of those that are asked of people outside, how many stand. */
function sureOf(job: JobReading): TodayHouse['sure'] {
  const subs = new Set(subRows(job.firm).map(({ id }) => id as string));
  const said = visitDays(job.firm);
  const visits = (planOf(job)?.tasks ?? []).filter(
    (task) => task.job === job.id && isVisit(task) && subs.has(task.crew ?? ''),
  );
  return { confirmed: visits.filter(({ id }) => said.get(id)?.said === 'confirmed').length, visits: visits.length };
}

/** Whoever needs somebody first: what stops now, then the latest, then what will stop first. */
export function byNeed(a: TodayHouse, b: TodayHouse): number {
  const lateness = ({ late }: TodayHouse): number => Math.max(0, late ?? 0);
  const stopped = ({ stopper }: TodayHouse): number => (stopper?.mark === 'stop' ? 1 : 0);
  return lateness(b) - lateness(a) || stopped(b) - stopped(a) || (a.late === null ? 1 : 0) - (b.late === null ? 1 : 0);
}

function stopperOf(job: JobReading): Stopper | null {
  const [hold] = holdsOf(job);
  if (!hold) return null;
  return {
    mark: hold.stops === null ? 'stop' : 'will-stop',
    when: sayStops(hold.stops, job.firm.today),
    area: hold.areaId,
    text: `${hold.area}: ${hold.text}`,
    href: hold.request ? routes.requests(job.id, hold.request) : routes.room(job.id, hold.areaId),
  };
}

/** How far each area is, and what holds it. */
function standsNow(job: JobReading): (id: string) => SmallRoom {
  const tracks = new Map(siteOf(job).areas.map((area) => [area.id as string, area.track]));
  const holds = groupBy(holdsOf(job), ({ areaId }) => areaId);
  return (id) => ({ id, share: shareOf(tracks.get(id) ?? []), held: heldBy(holds.get(id) ?? []) });
}

/** A job cut through, small. @param stands what is shown of each of its areas */
export function smallSection(job: JobReading, stands: (id: string) => SmallRoom): SmallSection {
  const rows = areaRows(job);
  const room = ({ id }: { id: string }): SmallRoom => stands(id);
  const of = (kind: string): SmallRoom[] => rows.filter((area) => area.kind === kind && area.level === null).map(room);
  return {
    storeys: levelRows(job)
      .map(({ id, height }) => ({ below: height < 0, rooms: rows.filter(({ level }) => level === id).map(room) }))
      .filter(({ rooms }) => rooms.length > 0),
    roofs: of('roof'),
    faces: of('face'),
    outbuildings: of('outbuilding'),
    ground: of('ground'),
  };
}
