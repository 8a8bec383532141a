import type { HoldKind } from '@/contract/commands/sites';
import type { HoldView } from '@/contract/views/job';
import { groupBy } from '@/core/group-by';
import { coveredUnseen } from '@/core/sequence/inspections';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { HITS } from '@/core/sequence/rules';
import { expectedOf, isGiven, PARTIES, type Party } from '@/core/selections/requests';
import { proofId, taskId } from '@/core/sequence/site';
import { listed } from '@/core/words/count';
import { addDays, formatDay } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { closeInsOf, openWords } from '../reading/close-ins';
import { areaNames } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { requestRows, requestsOf, waitRows } from '../reading/selections';
import { holdRows, inspectionRows } from '../reading/sequence';
import { siteOf } from '../reading/site';

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
  }));
  return [...holds, ...requestHolds(job), ...closeInHolds(job), ...coveredHolds(job), ...serviceHolds(job)].sort(
    (a, b) => a.expectedOn.localeCompare(b.expectedOn),
  );
});

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
function closeInHolds(job: JobReading): HoldView[] {
  const now = job.firm.today;
  const plan = planOf(job);
  return [...closeInsOf(job).values()].flatMap((check): HoldView[] => {
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
function coveredHolds(job: JobReading): HoldView[] {
  const { today } = job.firm;
  return siteOf(job).areas.flatMap((area) =>
    [...groupBy(coveredUnseen(area.track), ({ looked }) => looked)].map(([looked, covers]): HoldView => {
      const failed = lastVisit(job, area.id, looked);
      const label = phaseFacts(looked).label;
      return {
        id: `covered:${area.id}:${looked}`,
        version: 1,
        request: null,
        area: area.name,
        areaId: area.id,
        phase: label,
        kind: 'inspection',
        label,
        text:
          `${listed(covers.map(({ cover }) => phaseFacts(cover).label))} begun, and ${label} ` +
          (failed?.state === 'failed'
            ? `failed on ${formatDay(failed.day, today)}: ${failed.words}`
            : 'nobody has passed') +
          '; stop, and have it looked at before more is covered',
        expectedOn: today,
        askedOn: null,
        overdue: true,
      };
    }),
  );
}

/** The newest visit for a step. */
export const lastVisit = (job: JobReading, area: string, phase: Phase) =>
  inspectionRows(job).findLast((row) => row.area === area && row.phase === phase);

/** Services of which nobody has proved that they are dead, where something comes out, is cut or dug within days. */
function serviceHolds(job: JobReading): HoldView[] {
  const { today } = job.firm;
  const plan = planOf(job);
  const site = siteOf(job);
  return (site.unproved ?? []).flatMap((service): HoldView[] => {
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
        version: 1,
        request: null,
        area: next.area.name,
        areaId: next.area.id,
        phase: phaseFacts(next.step.phase).label,
        kind: 'unknown',
        label: 'live?',
        text: `nobody has proved whether ${service.text} is live${begun ? `; ${phaseFacts(next.step.phase).label} was begun all the same` : ''}`,
        expectedOn: due,
        askedOn: null,
        overdue: begun,
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
