import type { AreaView, RoomsView, Rung, Standing } from '@/contract/views/job';
import { groupBy } from '@/core/group-by';
import type { Caption } from '@/core/sites/caption';
import { phaseFacts, shortLabel } from '@/core/sequence/phases';
import type { PlannedTask } from '@/core/schedule/plan';
import type { Site, SiteArea } from '@/core/sequence/site';
import { formatDate, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { sayCaption } from '@/core/words/caption';
import { sayWork } from '@/core/words/work';
import { nextWork } from '../plan/effect';
import { planProblem } from '../reading/firm';
import { areaRows, jobRow, levelRows } from '../reading/job';
import { finishDay, planOf, type StoredPlan } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { holdRows } from '../reading/sequence';
import { siteOf } from '../reading/site';
import { workDoneOf } from '../reading/weights';
import { attachmentsOf } from './attachments';
import { heldBy, holdsOf } from './holds';
import { jobHead } from './job-head';

type OpenHold = ReturnType<typeof holdRows>[number];

/** The face of a job: its section with a ladder an area, what holds it and who comes next. */
export function roomsView(job: JobReading): RoomsView {
  const now = job.firm.today;
  const plan = planOf(job);
  const areas = areaViews(job);
  const rows = areaRows(job);
  const of = (kind: string): AreaView[] =>
    rows.filter((area) => area.kind === kind && area.level === null).flatMap((area) => areas.get(area.id) ?? []);
  const { share: done, hidden } = workDoneOf(job);
  return {
    job: jobHead(job),
    today: now,
    done,
    hidden,
    finish: finishDay(job),
    promise: jobRow(job).promise_day,
    levels: levelRows(job).map(({ id, name, height, note }) => ({
      id,
      name,
      height,
      note,
      areas: rows.filter((area) => area.level === id).flatMap((area) => areas.get(area.id) ?? []),
    })),
    faces: of('face'),
    roofs: of('roof'),
    ground: of('ground'),
    outbuildings: of('outbuilding'),
    holds: holdsOf(job),
    attachments: attachmentsOf(job),
    next: plan ? nextVisits(plan, job.id, now) : [],
    problem: planProblem(job.firm),
  };
}

/** Every area's ladder and caption, by id. */
export const areaViews = ofJob((job): ReadonlyMap<string, AreaView> => {
  const now = job.firm.today;
  const site = siteOf(job);
  const plan = planOf(job);
  const holds = groupBy(holdRows(job), (hold) => hold.area as string);
  const tasks = groupBy(
    (plan?.tasks ?? []).filter((task) => task.area !== null && task.state !== 'done'),
    (task) => task.area ?? '',
  );
  const allHolds = groupBy(holdsOf(job), (hold) => hold.areaId);
  const lived = new Set(areaRows(job).flatMap((area) => (area.lived_in === 1 ? [area.id as string] : [])));
  return new Map(
    site.areas.map((area) => {
      const ofArea = holds.get(area.id) ?? [];
      const held = heldBy(allHolds.get(area.id) ?? []);
      const standing = standingOf(area, ofArea, held);
      return [
        area.id,
        {
          id: area.id,
          name: area.name,
          kind: area.kind,
          livedIn: lived.has(area.id),
          standing,
          held,
          caption: sayCaption(
            captionOf(
              area,
              standing,
              ofArea,
              tasks.get(area.id) ?? [],
              plan,
              lived.has(area.id),
              onlyToilet(site, area),
            ),
            now,
          ),
          front: frontOf(area),
          rungs: area.track.map((step) => rungOf(step, ofArea)),
        },
      ];
    }),
  );
});

function frontOf(area: SiteArea): AreaView['front'] {
  const last = area.track.findLast((step) => step.fraction > 0);
  return last?.seen ? { label: shortLabel(last.phase), day: formatDate(last.seen.day) } : null;
}

function rungOf(step: SiteArea['track'][number], holds: OpenHold[]): Rung {
  const hold = holds.find((openHold) => openHold.phase === step.phase);
  const facts = phaseFacts(step.phase);
  return {
    phase: step.phase,
    label: facts.label,
    fraction: step.fraction,
    ...(hold
      ? { hold: { label: hold.label, kind: hold.kind } }
      : facts.hold && step.fraction < 1
        ? { hold: { label: facts.label, kind: 'phase' as const } }
        : {}),
  };
}

function standingOf(area: SiteArea, holds: OpenHold[], held: AreaView['held']): Standing {
  if (area.track.length === 0) return 'untouched';
  if (area.track.every((step) => step.fraction >= 1)) return 'done';
  // Held by what comes at the next step or soon after it: a hold far up the ladder stops nobody today.
  const at = area.track.findIndex((step) => step.fraction < 1);
  const near = holds.find((hold) => area.track.slice(at, at + 4).some((step) => step.phase === hold.phase));
  if (near) return held === 'stop' ? 'stuck' : 'waiting';
  return area.track.some((step) => step.fraction > 0) ? 'under way' : 'not begun';
}

function onlyToilet(site: Site, area: SiteArea): boolean {
  if (!site.livedIn || !area.provides.includes('toilet')) return false;
  const works = (room: SiteArea): boolean =>
    room.track.every((step) => step.fraction === 0) || room.track.every((step) => step.fraction >= 1);
  return (
    works(area) && !site.areas.some((other) => other !== area && other.provides.includes('toilet') && works(other))
  );
}

function captionOf(
  area: SiteArea,
  standing: Standing,
  holds: OpenHold[],
  tasks: PlannedTask[],
  plan: StoredPlan | undefined,
  lived: boolean,
  only: boolean,
): Caption {
  if (standing === 'untouched') return { kind: 'no-work', livedIn: lived };
  if (standing === 'done') return { kind: 'done' };
  const hold = holds.find((openHold) => area.track.some((step) => step.phase === openHold.phase && step.fraction < 1));
  if ((standing === 'stuck' || standing === 'waiting') && hold) return { kind: 'waits', label: hold.label };
  const next = [...tasks].sort((a, b) => a.start - b.start).find((task) => task.phase !== null);
  if (!next || !plan || !next.phase) return { kind: 'not-planned' };
  const day = dayOfSlot(plan.origin, next.start);
  if (only) return { kind: 'only-toilet', until: day };
  return standing === 'not begun' ? { kind: 'begins', day } : { kind: 'next', phase: next.phase, day };
}

function nextVisits(plan: StoredPlan, job: string, now: Day): RoomsView['next'] {
  const works = nextWork(plan, new Set([job]), now, 4, (task) => task.crew !== null);
  return [...groupBy(works, (work) => `${work.day}${work.afternoon ? 'b' : 'a'}`)].slice(0, 3).map(([, list]) => ({
    when: `${formatDay(list[0]?.day ?? now, now)}, ${list[0]?.afternoon ? 'afternoon' : 'morning'}`,
    works: list.map((work) => ({ crew: work.crew, label: sayWork(work.work) })),
  }));
}
