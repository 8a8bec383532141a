import type { NotBefore } from '@/core/schedule/network';
import { arrivalOf } from '@/core/selections/arrival';
import { expectedOf, isGiven, requestLabel } from '@/core/selections/requests';
import { leftoverId, partId, taskId } from '@/core/sequence/site';
import { addDays } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { closuresOf } from '../reading/firm';
import { partRows } from '../reading/job';
import { openingsOf } from '../reading/openings';
import type { JobReading } from '../reading/reading';
import { openRequests, orderedOf, requestsOf, selectionRows, waitRows, type SelectionRow } from '../reading/selections';

/** The task that a selection is for: the step that uses it, or the return trip on which it is fitted. */
export const taskOf = (row: Pick<SelectionRow, 'id' | 'area' | 'phase' | 'return_trip'>): string =>
  row.return_trip ? leftoverId(row.id) : taskId(row.area, row.phase);

/** Where the step is done in parts the first of them waits; the rest of an order is waited for by the last. */
function firstTaskOf(job: JobReading, row: SelectionRow): string {
  const parts = partRows(job).some(({ area, phase }) => area === row.area && phase === row.phase);
  return parts && !row.return_trip && row.follows_as !== 'rest' ? partId(row.area, row.phase, 1) : taskOf(row);
}

/** Work waits for what it uses, and for what must be granted or answered first. */
export const waitsOf = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  const closures = closuresOf(job.firm);
  const requests = requestsOf(job);
  const open = openRequests(job);
  const deliveries = selectionRows(job).flatMap((row): NotBefore[] => {
    const coming = arrivalOf(
      orderedOf(row),
      (row.supplier && closures.get(row.supplier)) || [],
      open.get(row.id) ?? [],
      today,
    );
    return coming
      ? [
          {
            task: firstTaskOf(job, row),
            slot: slotOf(today, coming.usable),
            wait: { kind: 'delivery', thing: row.category, why: coming.why },
            open: coming.open,
            selection: row.id,
          },
        ]
      : [];
  });
  const answers = waitRows(job).flatMap((wait): NotBefore[] => {
    const request = requests.get(wait.request);
    if (!wait.area || !wait.phase || !request || isGiven(request)) return [];
    const expected = expectedOf(request, requests, today);
    return [
      {
        task: taskId(wait.area, wait.phase),
        slot: slotOf(today, expected),
        wait: {
          kind: 'request',
          of: request.kind === 'drawing' || request.kind === 'answer' ? request.kind : 'approval',
          label: requestLabel(request),
          expected,
          asked: request.sentOn,
        },
        open: true,
        request: request.id,
      },
    ];
  });
  return [...deliveries, ...answers, ...openingWaits(job)];
};

/** Days for which nothing is opened whose closing nobody has promised: by then it is chosen, or said why not. */
const SOONEST = 5;

/** Nothing is opened so early that what closes it is not there when the work reaches it, nor while that has no day. */
const openingWaits = (job: JobReading): NotBefore[] => {
  const { today } = job.firm;
  const soonest = addDays(today, SOONEST);
  return openingsOf(job).flatMap(({ area, opens, what, begun, coming, unchosen, from }): NotBefore[] => {
    if (begun) return [];
    const task = taskId(area.id, opens);
    const last = coming.at(-1);
    const unsaid: NotBefore[] =
      unchosen.length > 0
        ? [{ task, slot: slotOf(today, soonest), wait: { kind: 'not-chosen', what, phases: unchosen }, open: true }]
        : [];
    const first = last?.open && (from ?? '') < soonest ? soonest : from;
    if (!last || first === null || first <= today) return unsaid;
    return [
      ...unsaid,
      {
        task,
        slot: slotOf(today, first),
        wait: { kind: 'not-closed', what, thing: last.thing, due: last.usable, promised: !last.open },
        open: last.open,
        closedBy: last.selection,
      },
    ];
  });
};
