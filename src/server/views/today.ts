import type { TodayView } from '@/contract/views/today';
import { groupBy } from '@/core/group-by';
import type { JobState } from '@/core/sites/area';
import { addDays, daysBetween, formatDay } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { dayIn, instantIn } from '@/core/units/zone';
import { isDue } from '@/core/selections/due';
import { isDueToLeave } from '@/core/walks/housekeeping';
import { selectionsOf } from './selection';
import { requestViews } from './requests';
import { requestLabel } from '@/core/selections/requests';
import type { WalkDue } from '@/core/walks/walk-due';
import { sayWalkDue } from '@/core/words/walk-due';
import { sayWork } from '@/core/words/work';
import { callsOf } from './calls';
import { firstHour } from './first-hour';
import { holdsOf, rankOf } from './holds';
import { endMovesOf } from '../reading/baselines';
import { outlookRows, planProblem } from '../reading/firm';
import { jobRow } from '../reading/job';
import { planOf, wholePlan, type StoredPlan } from '../reading/plan';
import { ofFirm, type FirmReading, type JobReading } from '../reading/reading';
import { movedView } from './moved';
import { doneWordsOf } from './news';
import { whenSeen } from '../words';
import { routeStops } from '../reading/routes';
import { failedMessages, openQuestions, waitingReaders } from '../reading/updates';
import { lastLeftDay, lastWalk } from '../reading/walks';
import { routeView } from './route';
import { runView } from './run-list';
import { byNeed, houseToday } from './today-houses';
import { ago } from '../words';

/** How long a site of each state may go without a walk. */
const WALK_EVERY: Partial<Record<JobState, number>> = { active: 2, completing: 4, scoping: 14, booked: 14 };

/** What people go by and the plan has otherwise, in short. */
function movedToday(firm: FirmReading): TodayView['moved'] {
  const { concerned, ends, offices, neighbours } = movedView(firm);
  const visits = concerned.flatMap((one) => one.visits);
  return {
    visits: visits.length,
    conflicts: visits.filter(({ conflict }) => conflict).length,
    people: [
      ...concerned.map(({ name }) => name),
      ...ends.map(({ client, name }) => client || `the client of ${name}`),
      ...offices.map(({ office }) => office),
      ...neighbours.map(({ name }) => `the neighbours of ${name}`),
    ],
  };
}

/** The next hours over all jobs, every line leading to where it is settled. */
export const todayView = ofFirm((firm): TodayView => {
  const now = firm.today;
  const plan = wholePlan(firm);
  const jobs = firm.jobs.map((id) => firm.job(id));
  const name = (job: JobReading): string => jobRow(job).name;
  const soon = addDays(now, 10);
  const route = routeStops(firm, now).length > 0 ? routeView(firm).route : [];
  const arrivals = new Map(route.map(({ place, arrives }) => [place, arrives]));
  return {
    firstHour: firstHour(firm),
    today: now,
    weekday: formatDay(now),
    sites: jobs
      .map((job) => site(job, arrivals.get(job.id) ?? null))
      .filter((entry) => entry.why.length > 0 || entry.openWalk)
      .sort((a, b) => (a.arrives ?? '~').localeCompare(b.arrives ?? '~') || Number(b.urgent) - Number(a.urgent)),
    onSite: jobs
      .map((job) => ({
        job: job.id,
        name: name(job),
        morning: crewsAt(plan, job.id, slotOf(plan?.origin ?? now, now)),
        afternoon: crewsAt(plan, job.id, slotOf(plan?.origin ?? now, now, 1)),
      }))
      .filter((row) => row.morning.length + row.afternoon.length > 0),
    holds: jobs
      .flatMap((job) =>
        holdsOf(job)
          .filter(({ stops, expectedOn }) => stops === null || stops <= soon || expectedOn <= soon)
          .map((hold) => ({ ...hold, job: job.id, jobName: name(job) })),
      )
      .sort((a, b) => rankOf(a).localeCompare(rankOf(b)) || a.expectedOn.localeCompare(b.expectedOn)),
    orders: jobs
      .flatMap((job) =>
        selectionsOf(job).flatMap((item) => {
          const { what, day, late } = item.due;
          return day && what !== 'settled' && isDue(item.due)
            ? [
                {
                  job: job.id,
                  jobName: name(job),
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
        requestViews(job)
          .filter((request) => request.late || request.near)
          .flatMap((request) => {
            if (request.standing === 'waits for another') return [];
            const what = request.overdue ? 'remind' : request.standing === 'sent' ? 'answer' : 'send';
            const day = what === 'send' ? request.sendBy : (request.named ?? request.expected);
            return day
              ? [
                  {
                    job: job.id,
                    jobName: name(job),
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
    calls: callsOf(firm),
    moved: movedToday(firm),
    run: {
      open: runView(firm).stops.reduce((sum, stop) => sum + stop.lines.filter((line) => !line.bought).length, 0),
    },
    drafts: jobs.flatMap((job) => {
      const count = waitingReaders(job).length;
      return count > 0 ? [{ job: job.id, jobName: name(job), count }] : [];
    }),
    questions: jobs.flatMap((job) =>
      openQuestions(job).map(({ id, name: asker, text, asked_at }) => ({
        ...{ id, job: job.id, jobName: name(job), name: asker, text },
        when: whenSeen(asked_at, firm),
      })),
    ),
    doneWords: jobs.flatMap((job) => doneWordsOf(job).map((word) => ({ ...word, job: job.id, jobName: name(job) }))),
    failed: jobs.flatMap((job) => {
      const failed = failedMessages(job);
      return failed.length > 0
        ? [{ job: job.id, jobName: name(job), to: [...new Set(failed.map(({ recipient }) => recipient))] }]
        : [];
    }),
    houses: jobs.map(houseToday).sort(byNeed),
    since: endMovesOf(firm, instantIn(firm.zone, addDays(now, -1), 0).toISOString()).flatMap(({ job, halves }) =>
      firm.jobs.includes(job) && Math.abs(halves) >= 2
        ? [{ job, name: name(firm.job(job)), days: Math.trunc(halves / 2) }]
        : [],
    ),
    outlook: outlookOf(firm),
    problem: planProblem(firm),
  };
});

/** Days of the outlook that are shown. */
const OUTLOOK_DAYS = 7;

function outlookOf(firm: FirmReading): TodayView['outlook'] {
  return [...groupBy(outlookRows(firm), ({ day }) => day)].slice(0, OUTLOOK_DAYS).map(([day, halves]) => ({
    day,
    label: day === firm.today ? 'today' : formatDay(day, firm.today),
    rain: Math.max(...halves.map(({ rain }) => rain)),
    wind: Math.max(...halves.map(({ wind }) => wind)),
    low: Math.min(...halves.map(({ low }) => low)),
  }));
}

/** Why a site wants a walk today; nothing where it does not. */
function site(job: JobReading, arrives: string | null): TodayView['sites'][number] {
  const { zone, today: now } = job.firm;
  const plan = planOf(job);
  const row = jobRow(job);
  const walked = lastWalk(job);
  const why: WalkDue[] = [];
  const days = walked.at ? daysBetween(dayIn(zone, walked.at), now) : undefined;
  const checks = holdsOf(job).filter((hold) => hold.kind === 'close-in' && hold.expectedOn <= addDays(now, 1));
  for (const check of checks) why.push({ kind: 'check', area: check.area, day: check.expectedOn });
  const covering = (plan?.tasks ?? []).filter(
    (task) =>
      task.phase === 'close-in' &&
      task.state !== 'done' &&
      plan &&
      task.start < slotOf(plan.origin, addDays(now, 2)) &&
      !checks.some((check) => check.areaId === task.area),
  );
  for (const task of covering) why.push({ kind: 'check-planned', work: task.work });
  if (row.state === 'active' && isDueToLeave(row.leaves, lastLeftDay(job), now)) why.push({ kind: 'left-unsaid' });
  if (days === undefined) why.push({ kind: 'never-walked' });
  else if (days >= (WALK_EVERY[row.state] ?? 7)) why.push({ kind: 'long-ago', days });
  const starting = (plan?.tasks ?? []).filter(
    (task) =>
      task.crew !== null &&
      task.state === 'waiting' &&
      plan &&
      task.start >= slotOf(plan.origin, now) &&
      task.start < slotOf(plan.origin, addDays(now, 1)),
  );
  if (starting.length > 0 && row.state === 'active') why.push({ kind: 'work-begins', pieces: starting.length });
  return {
    job: job.id,
    name: row.name,
    address: row.address,
    why: why.map((due) => sayWalkDue(due, now)),
    walked: walked.at ? ago(dayIn(zone, walked.at), now) : 'never',
    openWalk: walked.open,
    urgent: checks.length > 0,
    arrives,
  };
}

function crewsAt(plan: StoredPlan | undefined, job: string, slot: number): string[] {
  const names = new Map((plan?.crewCapacity ?? []).map((crew) => [crew.sub, crew.name]));
  return (plan?.tasks ?? [])
    .filter((task) => task.job === job && task.crew !== null && task.slots.includes(slot))
    .map((task) => `${names.get(task.crew ?? '') ?? ''}: ${sayWork(task.work)}`);
}
