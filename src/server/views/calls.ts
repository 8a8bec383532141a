import { routes } from '@/contract/routes';
import type { UnbookedView } from '@/contract/views/coordination';
import type { TodayView } from '@/contract/views/today';
import { binSwapDay } from '@/core/walks/housekeeping';
import { jobTaskId } from '@/core/sequence/site';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { subOf } from '@/core/sequence/crews';
import { TRADES } from '@/core/sequence/trades';
import { sayLicence } from '@/core/words/licence';
import { workdaysBefore } from '@/core/units/workday';
import { holidaysOf, officesOf, subRows } from '../reading/firm';
import { jobRow } from '../reading/job';
import { licenceFor } from '../reading/licences';
import { planOf, tasksOf, wholePlan } from '../reading/plan';
import type { FirmReading, JobReading } from '../reading/reading';
import { pinRows } from '../reading/sequence';
import { binLevelsOf } from '../reading/walks';
import { unbookedOf } from './coordination';
import { provisionMoves } from './living';
import { logisticsOf, proposalViews } from './logistics';

/** The rooms that one visit looks at. */
const roomsOf = ({ areaName, also }: UnbookedView): string =>
  [areaName, ...also.map((room) => room.areaName)].join(', ');

/** Days ahead that a call is told of. */
const CALL_AHEAD = 3;

/** Whom to call in the next days: offices for a visit, and for what has to be there. */
export function callsOf(firm: FirmReading): TodayView['calls'] {
  const now = firm.today;
  const jobs = firm.jobs.map((id) => firm.job(id));
  const until = addDays(now, CALL_AHEAD);
  const phones = new Map(officesOf(firm).map(({ name, phone }) => [name, phone]));
  const visits = unbookedOf(firm)
    .filter((visit) => visit.office !== null && visit.askBy <= until)
    .map((visit) => ({
      key: `${visit.area}${visit.phase}`,
      text: `${visit.office ?? ''} for ${roomsOf(visit)} · ${visit.label}, ready ${formatDay(visit.ready, now)}`,
      job: visit.job,
      jobName: visit.jobName,
      href: routes.coordination(),
      day: visit.askBy,
      late: visit.late,
      phone: phones.get(visit.office ?? '') ?? '',
    }));
  const finals = jobs.flatMap((job) => finalToBook(job, until));
  const things = jobs.flatMap((job) =>
    logisticsOf(job)
      .filter((logistic) => logistic.state === 'open' && logistic.askBy !== null && logistic.askBy <= until)
      .map((logistic) => ({
        key: logistic.id,
        text: `${logistic.label} for ${logistic.step}${logistic.contact ? `: ${logistic.contact}` : ''}`,
        job: job.id,
        jobName: jobRow(job).name,
        href: routes.sequence(job.id),
        day: logistic.askBy ?? now,
        late: logistic.late,
        phone: logistic.phone,
      })),
  );
  // What the works ask for is one line a job, until somebody has answered it.
  const asked = jobs.flatMap((job) => {
    const soon = proposalViews(job).filter(({ askBy }) => askBy !== null && askBy <= until);
    const first = soon[0];
    return first
      ? [
          {
            key: `asked-${job.id}`,
            text: `Needed or not: ${soon.map(({ label }) => label).join(' · ')}`,
            job: job.id,
            jobName: jobRow(job).name,
            href: routes.sequence(job.id),
            day: soon.flatMap(({ askBy }) => askBy ?? []).sort()[0] ?? now,
            late: soon.some(({ late }) => late),
            phone: '',
          },
        ]
      : [];
  });
  // What stands in for something of the household has to be brought, and to be fetched again.
  const moves = jobs.flatMap((job) =>
    provisionMoves(job)
      .filter(({ day }) => day <= until)
      .map((move) => ({
        ...move,
        ...{ job: job.id, jobName: jobRow(job).name, href: routes.living(job.id), late: false, phone: '' },
      })),
  );
  // A bin is swapped before it is full: the day is computed from how it filled.
  const bins = jobs.flatMap((job) => {
    const swap = binSwapDay(binLevelsOf(job), now);
    return swap && swap <= until
      ? [
          {
            key: `bin-${job.id}`,
            text: `Bin: swap by ${formatDay(swap, now)}`,
            job: job.id,
            jobName: jobRow(job).name,
            href: routes.walks(job.id),
            day: swap,
            late: swap <= now,
            phone: logisticsOf(job).find(({ kind, phone }) => kind === 'bin' && phone !== '')?.phone ?? '',
          },
        ]
      : [];
  });
  return [...visits, ...finals, ...things, ...asked, ...bins, ...moves, ...licenceCalls(firm)].sort((a, b) =>
    a.day < b.day ? -1 : 1,
  );
}

/** Working days of notice for a final inspection where no office has said its own. */
const USUAL_NOTICE = 5;

/** The final inspection of a job that is due to be booked and is not. */
function finalToBook(job: JobReading, until: Day): TodayView['calls'] {
  const plan = planOf(job);
  const task = tasksOf(job).get(jobTaskId(job.id, 'final-inspection'));
  if (!plan || !task || task.state === 'done' || pinRows(job).some((pin) => pin.task === task.id)) return [];
  const notice = Math.max(USUAL_NOTICE, ...officesOf(job.firm).map((office) => office.notice_days));
  const planned = dayOfSlot(plan.origin, task.start);
  const day = workdaysBefore(planned, notice, holidaysOf(job.firm));
  return day > until
    ? []
    : [
        {
          key: `final-${job.id}`,
          text: `Book the final inspection, planned ${formatDay(planned, job.firm.today)}`,
          job: job.id,
          jobName: jobRow(job).name,
          href: routes.sequence(job.id),
          day,
          late: day < job.firm.today,
          phone: '',
        },
      ];
}

/** Days ahead in which whoever comes is asked for a licence that is not on record, or not any more. */
const LICENCE_AHEAD = 14;

/** Whom to ask for a licence before they come: each once, for the first work that needs it. */
function licenceCalls(firm: FirmReading): TodayView['calls'] {
  const plan = wholePlan(firm);
  if (!plan) return [];
  const last = slotOf(plan.origin, addDays(firm.today, LICENCE_AHEAD));
  const phones = new Map(subRows(firm).map(({ id, phone }) => [id as string, phone]));
  const names = new Map(plan.crewCapacity.map(({ sub, name }) => [sub, name]));
  const open = plan.tasks
    .filter(({ state, start, duration }) => state !== 'done' && start < last && duration > 0)
    .sort((a, b) => a.start - b.start);
  const calls = new Map<string, TodayView['calls'][number]>();
  for (const { crew, trade, job, start, finish } of open) {
    const standing = licenceFor(firm, { trade, crew }, dayOfSlot(plan.origin, finish - 1));
    const key = `licence-${crew ?? ''}-${trade}`;
    // That nobody does a trade is said where subs are.
    if (subOf(crew) === null || !standing || standing.kind === 'held' || calls.has(key)) continue;
    calls.set(key, {
      key,
      text: `${names.get(crew ?? '') ?? ''}, ${TRADES[trade].toLowerCase()}: ${sayLicence(standing, firm.today)}`,
      job,
      jobName: jobRow(firm.job(job)).name,
      href: routes.firm(),
      day: dayOfSlot(plan.origin, start),
      late: dayOfSlot(plan.origin, start) <= firm.today,
      phone: phones.get(crew ?? '') ?? '',
    });
  }
  return [...calls.values()];
}
