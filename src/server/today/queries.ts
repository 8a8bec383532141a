import { routes } from '@/contract/routes';
import type { TodayView } from '@/contract/views/plan';
import type { JobState } from '@/core/sites/area';
import { addDays, daysBetween, formatDay, type Day } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { dayIn } from '@/core/units/zone';
import { firmTime, type FirmTime } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Installation } from '../installation';
import { readPlan, type StoredPlan } from '../schedule/read-plan';
import { isDue } from '@/core/selections/due';
import { selectionsOf } from '../selections/queries';
import { requestViews } from '../selections/request-views';
import { requestLabel } from '../selections/waits';
import { holdsOf } from '../sites/queries';
import { unbookedOf } from '../coordination/view';
import { logisticsOf } from '../sequence/logistics';
import { binSwapDay, isDueToLeave, type LeftRhythm } from '@/core/walks/housekeeping';
import { binLevelsOf, lastLeftOf } from '../walks/left';
import { runView } from '../walks/run-list';
import { ago } from '../words';

interface JobLine {
  id: string;
  name: string;
  address: string;
  state: JobState;
  promise_day: Day | null;
  leaves: LeftRhythm;
  walked_at: string | null;
  open_walk: string | null;
}

/** How long a site of each state may go without a walk. */
const WALK_EVERY: Partial<Record<JobState, number>> = { active: 2, completing: 4, scoping: 14, booked: 14 };

/** The next hours over all jobs, every line leading to where it is settled. */
export function todayView(installation: Installation): TodayView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const plan = readPlan(db);
  const jobs = queryAll<JobLine>(
    db,
    `SELECT job.id, name, address, state, promise_day, leaves,
        (SELECT max(started_at) FROM walk WHERE walk.job = job.id AND finished_at IS NOT NULL) AS walked_at,
        (SELECT id FROM walk WHERE walk.job = job.id
        AND finished_at IS NULL ORDER BY started_at DESC LIMIT 1) AS open_walk
      FROM job
      WHERE state IN ('scoping', 'booked', 'active', 'completing')
      ORDER BY position`,
  );
  const selections = new Map(jobs.map((job) => [job.id, selectionsOf(installation, job.id)]));
  return {
    today: now,
    weekday: formatDay(now),
    sites: jobs
      .map((job) => site(installation, job, plan, time))
      .filter((entry) => entry.why.length > 0 || entry.openWalk)
      .sort((a, b) => Number(b.urgent) - Number(a.urgent)),
    onSite: jobs
      .map((job) => ({
        job: job.id,
        name: job.name,
        morning: crewsAt(plan, job.id, slotOf(plan?.origin ?? now, now)),
        afternoon: crewsAt(plan, job.id, slotOf(plan?.origin ?? now, now, 1)),
      }))
      .filter((row) => row.morning.length + row.afternoon.length > 0),
    holds: jobs
      .flatMap((job) =>
        holdsOf(db, job.id, now)
          .filter((hold) => hold.expectedOn <= addDays(now, 10))
          .map((hold) => ({ ...hold, job: job.id, jobName: job.name })),
      )
      .sort((a, b) => (a.expectedOn < b.expectedOn ? -1 : 1)),
    orders: jobs
      .flatMap((job) =>
        (selections.get(job.id) ?? []).flatMap((item) => {
          const { what, day, late } = item.due;
          return day && what !== 'settled' && isDue(item.due)
            ? [
                {
                  job: job.id,
                  jobName: job.name,
                  selection: item.id,
                  category: item.category,
                  area: item.area,
                  what,
                  day,
                  late,
                },
              ]
            : [];
        }),
      )
      .sort((a, b) => (a.day < b.day ? -1 : 1)),
    requests: jobs
      .flatMap((job) =>
        requestViews(installation, job.id)
          .filter((request) => request.late || request.near)
          .flatMap((request) => {
            if (request.standing === 'waits for another') return [];
            const what = request.overdue ? 'remind' : request.standing === 'sent' ? 'answer' : 'send';
            const day = what === 'send' ? request.sendBy : (request.named ?? request.expected);
            return day
              ? [
                  {
                    job: job.id,
                    jobName: job.name,
                    request: request.id,
                    text: requestLabel(request),
                    what,
                    day,
                    late: request.late,
                  } as const,
                ]
              : [];
          }),
      )
      .sort((a, b) => (a.day < b.day ? -1 : 1)),
    calls: callsOf(installation, plan, jobs, now),
    run: {
      open: runView(installation).stops.reduce(
        (sum, stop) => sum + stop.lines.filter((line) => !line.bought).length,
        0,
      ),
    },
    drafts: queryAll(
      db,
      `SELECT job, job.name AS jobName, count(*) AS count
        FROM job_update
        JOIN job ON job.id = job
        WHERE job_update.state = 'draft'
        GROUP BY job
        ORDER BY job.position`,
    ),
    finishes: jobs.map((job) => {
      const finish =
        queryOne<{ finish_day: Day | null }>(
          db,
          'SELECT finish_day FROM plan_part WHERE job = @job ORDER BY version DESC',
          {
            job: job.id,
          },
        )?.finish_day ?? null;
      return {
        job: job.id,
        name: job.name,
        finish,
        promise: job.promise_day,
        late: finish && job.promise_day ? Math.max(0, daysBetween(job.promise_day, finish)) : 0,
      };
    }),
    problem: queryOne<{ message: string }>(db, 'SELECT message FROM plan_problem')?.message ?? null,
  };
}

/** Days ahead that a call is told of. */
const CALL_AHEAD = 3;

/** Whom to call in the next days: offices for a visit, and for what has to be there. */
function callsOf(
  installation: Installation,
  plan: StoredPlan | undefined,
  jobs: readonly JobLine[],
  now: Day,
): TodayView['calls'] {
  const until = addDays(now, CALL_AHEAD);
  const visits = unbookedOf(installation, plan, now)
    .filter((visit) => visit.office !== null && visit.askBy <= until)
    .map((visit) => ({
      key: `${visit.area}${visit.phase}`,
      text: `${visit.office ?? ''} for ${visit.areaName} · ${visit.label}, ready ${formatDay(visit.ready, now)}`,
      jobName: visit.jobName,
      href: routes.coordination(),
      day: visit.askBy,
      late: visit.late,
    }));
  const things = jobs.flatMap((job) =>
    logisticsOf(installation.db, job.id, plan, now)
      .filter((logistic) => logistic.state === 'open' && logistic.askBy !== null && logistic.askBy <= until)
      .map((logistic) => ({
        key: logistic.id,
        text: `${logistic.label} for ${logistic.step}`,
        jobName: job.name,
        href: routes.sequence(job.id),
        day: logistic.askBy ?? now,
        late: logistic.late,
      })),
  );
  // A bin is swapped before it is full: the day is computed from how it filled.
  const bins = jobs.flatMap((job) => {
    const swap = binSwapDay(binLevelsOf(installation.db, job.id), now);
    return swap && swap <= until
      ? [
          {
            key: `bin-${job.id}`,
            text: `Bin: swap by ${formatDay(swap, now)}`,
            jobName: job.name,
            href: routes.walks(job.id),
            day: swap,
            late: swap <= now,
          },
        ]
      : [];
  });
  return [...visits, ...things, ...bins].sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** Why a site wants a walk today; nothing where it does not. */
function site(
  installation: Installation,
  job: JobLine,
  plan: StoredPlan | undefined,
  { zone, today: now }: FirmTime,
): TodayView['sites'][number] {
  const why: string[] = [];
  const days = job.walked_at ? daysBetween(dayIn(zone, job.walked_at), now) : undefined;
  const checks = holdsOf(installation.db, job.id, now).filter(
    (hold) => hold.kind === 'close-in' && hold.expectedOn <= addDays(now, 1),
  );
  for (const check of checks) why.push(`${check.area}: close-in ${check.expectedOn <= now ? 'today' : 'tomorrow'}`);
  const covering = (plan?.tasks ?? []).filter(
    (task) =>
      task.job === job.id &&
      task.phase === 'close-in' &&
      task.state !== 'done' &&
      plan &&
      task.start < slotOf(plan.origin, addDays(now, 2)) &&
      !checks.some((check) => check.areaId === task.area),
  );
  for (const task of covering) why.push(`${task.label} is due`);
  if (job.state === 'active' && isDueToLeave(job.leaves, lastLeftOf(installation.db, job.id), now))
    why.push('how it is left was not said');
  if (days === undefined) why.push('never walked');
  else if (days >= (WALK_EVERY[job.state] ?? 7)) why.push(`last walk ${days} days ago`);
  const starting = (plan?.tasks ?? []).filter(
    (task) =>
      task.job === job.id &&
      task.crew !== null &&
      task.state === 'waiting' &&
      plan &&
      task.start >= slotOf(plan.origin, now) &&
      task.start < slotOf(plan.origin, addDays(now, 1)),
  );
  if (starting.length > 0 && job.state === 'active')
    why.push(`${starting.length} ${starting.length === 1 ? 'piece of work begins' : 'pieces of work begin'} today`);
  return {
    job: job.id,
    name: job.name,
    address: job.address,
    why,
    walked: job.walked_at ? ago(dayIn(zone, job.walked_at), now) : 'never',
    openWalk: job.open_walk,
    urgent: checks.length > 0,
  };
}

function crewsAt(plan: StoredPlan | undefined, job: string, slot: number): string[] {
  const names = new Map((plan?.crewCapacity ?? []).map((crew) => [crew.sub, crew.name]));
  return (plan?.tasks ?? [])
    .filter((task) => task.job === job && task.crew !== null && task.slots.includes(slot))
    .map((task) => `${names.get(task.crew ?? '') ?? ''}: ${task.label}`);
}
