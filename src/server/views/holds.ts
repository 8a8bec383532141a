import type { HoldKind } from '@/contract/commands/sites';
import type { AreaView, HoldView } from '@/contract/views/job';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { HITS } from '@/core/sequence/rules';
import { wallsUnsaid } from '@/core/sequence/ways-through';
import { expectedOf, isGiven, PARTIES, type Party } from '@/core/selections/requests';
import { proofId, taskId } from '@/core/sequence/site';
import { counted, listed } from '@/core/words/count';
import { sayWorkHere } from '@/core/words/work';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, lastDay } from '@/core/units/slot';
import { workdaysAfter, workdaysBetween } from '@/core/units/workday';
import { dayIn } from '@/core/units/zone';
import { closeInsOf, openWords } from '../reading/close-ins';
import { coveredIn } from '../reading/covered';
import { holidaysOf } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { openingsOf } from '../reading/openings';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { requestRows, requestsOf, waitRows } from '../reading/selections';
import { holdRows } from '../reading/sequence';
import { siteOf } from '../reading/site';
import { progressOf } from '../reading/standing';

/** What a job's work waits for, the nearest first. */
export const holdsOf = ofJob((job): HoldView[] => {
  const names = areaNames(job);
  const holds = holdRows(job).map((row): HoldView => ({
    id: row.id,
    version: row.version,
    request: null,
    area: names.get(row.area) ?? '',
    areaId: row.area,
    phase: phaseFacts(row.phase).label,
    kind: row.kind,
    label: row.label,
    text: row.text,
    expectedOn: row.expected_on,
    askedOn: row.asked_on,
    overdue: row.expected_on < job.firm.today,
    stops: stopsAt(job, row.area, row.phase, row.expected_on),
  }));
  // What is seen of the work itself stops it where it was begun all the same.
  const seen = [closeInHolds, coveredHolds, serviceHolds, openingHolds, openHolds, wallHolds].flatMap((of) =>
    of(job).map((hold): HoldView => ({ ...hold, stops: hold.overdue ? null : hold.expectedOn })),
  );
  return [...holds, ...requestHolds(job), ...seen].sort(
    (a, b) => rankOf(a).localeCompare(rankOf(b)) || a.expectedOn.localeCompare(b.expectedOn),
  );
});

/** The worst of what holds an area: the same on the drawing, in the list beside it and on Today. */
export const heldBy = (holds: readonly HoldView[]): AreaView['held'] =>
  holds.some(({ stops }) => stops === null) ? 'stop' : holds.length > 0 ? 'will-stop' : null;

/** What stops work now comes first, then by the day from which it will. */
export const rankOf = ({ stops }: HoldView): string => stops ?? '';

/**
 * When what waits for a word stops the work of its area: now where everything before it there is done, else once what comes
 * before it is done as planned.
 */
function stopsAt(job: JobReading, area: string, phase: Phase, expected: Day): HoldView['stops'] {
  const track = siteOf(job).areas.find(({ id }) => id === area)?.track ?? [];
  const before = track.slice(
    0,
    Math.max(
      0,
      track.findIndex((step) => step.phase === phase),
    ),
  );
  const open = before.filter(({ fraction }) => fraction < 1);
  if (open.length === 0) {
    const begun = jobRow(job).state === 'active' || track.some(({ fraction }) => fraction > 0);
    return begun && track.some((step) => step.phase === phase && step.fraction < 1) ? null : expected;
  }
  const plan = planOf(job);
  const finishes = open.flatMap((step) => tasksOf(job).get(taskId(area, step.phase))?.finish ?? []);
  return plan && finishes.length > 0
    ? workdaysAfter(lastDay(plan.origin, Math.max(...finishes)), 1, holidaysOf(job.firm))
    : expected;
}

/** What is seen of the work itself: when it stops it follows from whether it was begun. */
type SeenHold = Omit<HoldView, 'stops'>;

/** Steps of the work that wait for an approval, an answer or a drawing. */
function requestHolds(job: JobReading): HoldView[] {
  const now = job.firm.today;
  const requests = requestsOf(job);
  const rows = new Map(requestRows(job).map((row) => [row.id as string, row]));
  const areas = areaNames(job);
  return waitRows(job).flatMap(({ request: id, area, phase }): HoldView[] => {
    const [request, row] = [requests.get(id), rows.get(id)];
    if (!request || !row || !area || !phase || isGiven(request)) return [];
    const promised = row.expected_on ?? (row.sent_on ? addDays(row.sent_on, row.takes_high) : null);
    return [
      {
        id: `${id}:${area}:${phase}`,
        version: row.version,
        request: id,
        area: areas.get(area) ?? '',
        areaId: area,
        phase: phaseFacts(phase).label,
        kind: HOLD_OF[request.party],
        label: request.party,
        text:
          `${request.kind} ${request.kind === 'drawing' ? 'owed by' : 'by'} ${PARTIES[request.party]}: ` +
          request.subject,
        expectedOn: expectedOf(request, requests, now),
        askedOn: row.sent_on,
        overdue: promised !== null && promised < now,
        stops: stopsAt(job, area, phase, expectedOf(request, requests, now)),
      },
    ];
  });
}

/** Days ahead that a check before covering is told of. */
const CHECK_AHEAD = 2;

/**
 * Checks before covering that were begun, or whose wall is about to be closed or was closed with lines open: they hold
 * what covers.
 */
function closeInHolds(job: JobReading): SeenHold[] {
  const now = job.firm.today;
  const plan = planOf(job);
  return [...closeInsOf(job).values()].flatMap((check): SeenHold[] => {
    if (check.closed || check.open.length === 0) return [];
    const task = tasksOf(job).get(taskId(check.area, 'close-in'));
    // Before there is a plan nobody knows when; then only what was begun is told.
    const due = plan && task ? dayOfSlot(plan.origin, task.start) : null;
    if (!check.covered && !check.begun && (due === null || due > addDays(now, CHECK_AHEAD))) return [];
    return [
      {
        id: `close-in:${check.area}`,
        version: 1,
        request: null,
        settled: { by: 'room' },
        area: check.name,
        areaId: check.area,
        phase: phaseFacts('close-in').label,
        kind: 'close-in',
        label: phaseFacts('close-in').label,
        text: `${openWords(check)}${check.covered ? '; covering was begun all the same' : ''}`,
        expectedOn: due ?? now,
        askedOn: null,
        overdue: check.covered,
      },
    ];
  });
}

/** What was begun over something that nobody has passed: it is looked at, or opened again, before anything else. */
const coveredHolds = (job: JobReading): SeenHold[] =>
  coveredIn(job).map(({ area, name, looked, text }) => ({
    id: `covered:${area}:${looked}`,
    version: 1,
    request: null,
    settled: { by: 'room' },
    area: name,
    areaId: area,
    phase: phaseFacts(looked).label,
    kind: 'inspection',
    label: phaseFacts(looked).label,
    text,
    expectedOn: job.firm.today,
    askedOn: null,
    overdue: true,
  }));

/** Services of which nobody has proved that they are dead, where something comes out, is cut or dug within days. */
function serviceHolds(job: JobReading): SeenHold[] {
  const { today } = job.firm;
  const plan = planOf(job);
  const site = siteOf(job);
  return (site.unproved ?? []).flatMap((service): SeenHold[] => {
    const areas = site.areas.filter((area) => service.area === null || area.id === service.area);
    const next = areas
      .flatMap((area) => area.track.map((step) => ({ area, step })))
      .find(({ step }) => HITS.includes(step.phase) && step.fraction < 1);
    const task = tasksOf(job).get(proofId(service.id));
    if (!next || !plan || !task) return [];
    const due = dayOfSlot(plan.origin, task.start);
    const begun = next.step.fraction > 0;
    if (!begun && due > addDays(today, CHECK_AHEAD)) return [];
    return [
      {
        id: `service:${service.id}`,
        version: service.version,
        request: null,
        settled: { by: 'proof', finding: service.id },
        area: next.area.name,
        areaId: next.area.id,
        phase: phaseFacts(next.step.phase).label,
        kind: 'unknown',
        label: 'live?',
        text:
          `nobody has proved whether ${service.text} is live` +
          (begun ? `; ${phaseFacts(next.step.phase).label} was begun all the same` : ''),
        expectedOn: due,
        askedOn: null,
        overdue: begun,
      },
    ];
  });
}

/** Days ahead from which it is told that something would be opened that nothing closes yet. */
const OPENING_AHEAD = 8;

/** What is opened within days, or stands open, while what closes it is not chosen or has no promised day. */
function openingHolds(job: JobReading): SeenHold[] {
  const { today } = job.firm;
  const plan = planOf(job);
  return openingsOf(job).flatMap(({ area, opens, what, begun, coming, unchosen }): SeenHold[] => {
    const task = tasksOf(job).get(taskId(area.id, opens));
    const unpromised = coming.filter(({ open }) => open);
    // What stands open already is told by how long it does.
    const lacks = begun ? [] : unchosen;
    if (!plan || !task || (unpromised.length === 0 && lacks.length === 0)) return [];
    const due = dayOfSlot(plan.origin, task.start);
    if (!begun && due > addDays(today, OPENING_AHEAD)) return [];
    const lacking = [
      ...lacks.map((phase) => `nothing is chosen for ${phaseFacts(phase).label}`),
      ...unpromised.map(({ thing, usable }) => `nobody has promised ${thing}, expected ${formatDay(usable, today)}`),
    ];
    return [
      {
        id: `opening:${area.id}:${opens}`,
        version: 1,
        request: null,
        settled: { by: 'decision', area: area.id, phase: opens },
        area: area.name,
        areaId: area.id,
        phase: phaseFacts(opens).label,
        kind: 'unknown',
        label: 'not closed',
        text: `${what} ${begun ? 'stands' : 'would stand'} open: ${listed(lacking)}`,
        expectedOn: begun ? today : due,
        askedOn: null,
        overdue: begun,
      },
    ];
  });
}

/** What stands open on site longer than is right, since when, and when it is to be closed. */
function openHolds(job: JobReading): SeenHold[] {
  const { today, zone } = job.firm;
  const plan = planOf(job);
  const tasks = tasksOf(job);
  if (!plan) return [];
  return plan.exposures.flatMap((exposure): SeenHold[] => {
    const [from, to] = [tasks.get(exposure.from), tasks.get(exposure.to)];
    if (!from?.area || !from.phase || !to || from.state === 'waiting' || to.state === 'done') return [];
    const opened = progressOf(job)
      .get(from.id)
      ?.readings.find(({ fraction }) => fraction > 0);
    const since = opened ? dayIn(zone, opened.at) : today;
    const days = workdaysBetween(since, today, holidaysOf(job.firm));
    const most = Math.floor(exposure.most / 2);
    if (days < most && exposure.kept) return [];
    return [
      {
        id: `open:${exposure.from}`,
        version: 1,
        request: null,
        settled: { by: 'room' },
        area: areaNames(job).get(from.area) ?? '',
        areaId: from.area,
        phase: sayWorkHere(to.work),
        kind: 'weather',
        label: 'stands open',
        text:
          `open since ${formatDay(since, today)} (${sayWorkHere(from.work)}), closed by ` +
          `${formatDay(lastDay(plan.origin, to.finish), today)} as planned; ` +
          `${counted(most, 'day')} ${most === 1 ? 'is' : 'are'} the most that is right: ${exposure.cure}`,
        expectedOn: today,
        askedOn: null,
        overdue: days >= most,
      },
    ];
  });
}

/** Walls that come out within days while nobody has said to which room: until then all rooms beside it wait for its dust. */
function wallHolds(job: JobReading): SeenHold[] {
  const { today } = job.firm;
  const plan = planOf(job);
  return wallsUnsaid(siteOf(job)).flatMap((area): SeenHold[] => {
    const task = tasksOf(job).get(taskId(area.id, 'wall-out'));
    if (!plan || !task || task.state === 'done') return [];
    const due = dayOfSlot(plan.origin, task.start);
    if (due > addDays(today, OPENING_AHEAD)) return [];
    return [
      {
        id: `wall:${area.id}`,
        version: 1,
        request: null,
        settled: { by: 'room' },
        area: area.name,
        areaId: area.id,
        phase: phaseFacts('wall-out').label,
        kind: 'unknown',
        label: 'opens to?',
        text: 'nobody has said to which room the wall comes out; until then every room beside it waits for its dust (Change the area)',
        expectedOn: due,
        askedOn: null,
        overdue: false,
      },
    ];
  });
}

const HOLD_OF: Record<Party, HoldKind> = {
  client: 'client',
  association: 'association',
  authority: 'authority',
  conservation: 'authority',
  engineer: 'engineer',
  designer: 'unknown',
  us: 'unknown',
};
