import { routes } from '@/contract/routes';
import type { RequestView } from '@/contract/views/selections';
import { groupBy } from '@/core/group-by';
import { addDays, type Day } from '@/core/units/day';
import { expectedOf, isGiven, neededBy, sendBy, requestStatus, type Standing } from '@/core/selections/requests';
import { NEAR_DAYS } from '@/core/selections/due';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { newestHistory } from '../reading/history';
import { areaNames } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob } from '../reading/reading';
import { requestRows, requestsOf, waitRows } from '../reading/selections';
import { attachmentsOf } from './attachments';
import { historyLine, selectionsOf, workStart } from './selection';

/** How many lines of a request's history are told at once. */
const HISTORY_LINES = 20;

/** A job's approvals, answers and drawings with their dates from the plan, the most urgent first. */
export const requestViews = ofJob((job): RequestView[] => {
  const now = job.firm.today;
  const rows = requestRows(job);
  if (rows.length === 0) return [];
  const requests = requestsOf(job);
  const plan = planOf(job);
  const selections = new Map(selectionsOf(job).map((item) => [item.id, item]));
  const areas = areaNames(job);
  const waits = new Map(
    [...groupBy(waitRows(job), (wait) => wait.request)].map(([request, list]) => [
      request,
      list.flatMap(({ selection, area, phase }): RequestView['waits'] => {
        if (area && phase) {
          const task = tasksOf(job).get(taskId(area, phase));
          return [
            {
              selection,
              area,
              phase,
              text: `${areas.get(area) ?? ''} · ${phaseFacts(phase).label}`,
              href: task ? routes.schedule(job.id, { by: 'room', task: task.id }) : routes.room(job.id, area),
              by: workStart(plan, taskId(area, phase)),
            },
          ];
        }
        const item = selection ? selections.get(selection) : undefined;
        // What is ordered or here waits for nothing any more.
        return item
          ? [
              {
                selection: item.id,
                area: null,
                phase: null,
                text: `the order of ${item.category.toLowerCase()}, ${item.area}`,
                href: routes.selection(job.id, item.id),
                by: item.due.what === 'decide' || item.due.what === 'order' ? item.orderBy : null,
              },
            ]
          : [];
      }),
    ]),
  );
  const histories = groupBy(
    newestHistory(
      job.firm.db,
      'request',
      rows.map((row) => row.id),
      HISTORY_LINES,
    ),
    (line) => line.request ?? '',
  );
  const papers = groupBy(
    attachmentsOf(job).filter((paper) => paper.request !== null),
    (paper) => paper.request ?? '',
  );
  const needed = neededBy(
    requests,
    new Map([...waits].map(([id, list]) => [id, list.flatMap((wait) => wait.by ?? [])])),
  );
  return rows
    .map((row): RequestView => {
      const request = requests.get(row.id);
      if (!request) throw new Error('A request is not among those it was read with.');
      const by = needed.get(row.id) ?? null;
      const dates: Dates = {
        by,
        send: by === null ? null : sendBy(by, request),
        expected: expectedOf(request, requests, now),
        promised: row.expected_on ?? (row.sent_on ? addDays(row.sent_on, row.takes_high) : null),
        standing: requestStatus(request, requests),
      };
      const overdue = isOverdue(dates, now);
      const given = isGiven(request);
      return {
        id: row.id,
        version: row.version,
        kind: row.kind,
        party: row.party,
        who: row.who,
        subject: row.subject,
        takesLow: row.takes_low,
        takesHigh: row.takes_high,
        after: row.after,
        afterText: row.after ? (requests.get(row.after)?.subject ?? null) : null,
        standing: dates.standing,
        sent: row.sent,
        sentOn: row.sent_on,
        expected: dates.expected,
        named: row.expected_on,
        remindedOn: row.reminded_on,
        outcome: row.outcome,
        conditions: row.conditions,
        answeredBy: row.answered_by,
        neededBy: by,
        sendBy: dates.send,
        overdue,
        late: !given && (overdue || isLate(dates, now)),
        near: !given && isNear(dates, now),
        waits: waits.get(row.id) ?? [],
        attachments: papers.get(row.id) ?? [],
        history: (histories.get(row.id) ?? []).map((line) => historyLine(job.firm, line)),
      };
    })
    .sort((a, b) => ORDER.indexOf(a.standing) - ORDER.indexOf(b.standing) || dayOf(a).localeCompare(dayOf(b)));
});

/** The days of one request and how it stands. */
interface Dates {
  /** When the first thing that waits for it is needed. */
  by: Day | null;
  /** When it is to be sent so that the answer is there by then. */
  send: Day | null;
  expected: Day;
  /** The day they named, or the longest they usually take. */
  promised: Day | null;
  standing: Standing;
}

const asking = (standing: Standing): boolean => standing === 'to send' || standing === 'refused';

/** Sent, and not answered by the day it was promised for. */
const isOverdue = ({ standing, promised }: Dates, now: Day): boolean =>
  standing === 'sent' && promised !== null && promised < now;

const isLate = ({ by, expected, standing, send }: Dates, now: Day): boolean =>
  (by !== null && expected > by) || (asking(standing) && send !== null && send < now);

/** To be sent, or to be answered, within the days that are looked at. */
function isNear({ standing, send, expected }: Dates, now: Day): boolean {
  const soon = addDays(now, NEAR_DAYS);
  return asking(standing) ? send !== null && send <= soon : standing === 'sent' && expected <= soon;
}

/** What somebody can do something about comes first. */
const ORDER: readonly Standing[] = ['refused', 'to send', 'sent', 'waits for another', 'answered'];

/** The day on which a request wants something done: to be sent, or to be answered. */
const dayOf = (request: RequestView): Day =>
  request.standing === 'sent' ? (request.named ?? request.expected) : (request.sendBy ?? '9');
