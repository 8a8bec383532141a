import type { Concerned, MovedEnd, MovedView, MovedVisit } from '@/contract/views/visits';
import { groupBy } from '@/core/group-by';
import type { PlannedTask } from '@/core/schedule/plan';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { dayOfSlot, isAfternoon, slotOf } from '@/core/units/slot';
import { sayCauses } from '@/core/words/cause';
import { sayReason } from '@/core/words/reason';
import { sayHalfDay } from '@/core/words/visit-word';
import { sayWork } from '@/core/words/work';
import { subRows } from '../reading/firm';
import { jobNames, jobRow } from '../reading/job';
import { finishDay, wholePlan, type StoredPlan } from '../reading/plan';
import { ofFirm, type FirmReading } from '../reading/reading';
import {
  endDays,
  frozenUntil,
  isToldSo,
  lastCauses,
  mustHear,
  nearUntil,
  visitDays,
  type VisitDay,
} from '../reading/visits';
import { movedNearby, movedOffices } from './moved-others';
import { waitingReaders } from '../reading/updates';
import { whenSeen } from '../words';
import { isVisit } from '@/core/schedule/visit';

/** A visit that moved: the half-day people go by, and where the plan has it. */
interface Moved {
  row: VisitDay;
  task: PlannedTask;
  from: Pick<VisitDay, 'day' | 'half'>;
}

/** The half-day that whoever comes was told last, else the one it stands on. */
const goesBy = (row: VisitDay): Moved['from'] =>
  row.told_day !== null && row.said !== 'declined'
    ? { day: row.told_day, half: row.told_half ?? 0 }
    : { day: row.day, half: row.half };

/** Visits that whoever comes has to be told of: those that were told, and those of the next two weeks. */
export const movedVisits = ofFirm((firm): Moved[] => {
  const plan = wholePlan(firm);
  if (!plan) return [];
  const rows = visitDays(firm);
  const shift = slotOf(firm.today, plan.origin);
  const moved = plan.tasks.flatMap((task): Moved[] => {
    const row = rows.get(task.id);
    if (!row || !isVisit(task)) return [];
    const from = goesBy(row);
    const [was, is] = [slotOf(firm.today, from.day, from.half), task.start + shift];
    return row.said === 'declined' || mustHear(firm, row, was, is) ? [{ row, task, from }] : [];
  });
  return moved.sort((a, b) => a.task.start - b.task.start);
});

/** What each was found because of, by the newest plan that moved it. */
const causesOf = (firm: FirmReading, moved: readonly Moved[]): Map<string, string> =>
  new Map(
    [
      ...lastCauses(
        firm,
        moved.map(({ task }) => task.id),
      ),
    ].map(([task, causes]) => [task, sayCauses(causes, firm.today)]),
  );

/** What moved and who has to be told, over all jobs or for one. */
export function movedView(firm: FirmReading, only?: string): MovedView {
  const plan = wholePlan(firm);
  if (!plan) return { concerned: [], ends: [], offices: [], neighbours: [], unasked: [], unanswered: [] };
  const jobs = firm.jobs.filter((job) => only === undefined || job === only);
  const moved = movedVisits(firm).filter(({ task }) => only === undefined || task.job === only);
  const causes = causesOf(firm, moved);
  const visits = groupBy(moved, ({ task }) => task.crew ?? '');
  return {
    concerned: [...visits].map(([crew, list]) => concernedOf(firm, plan, crew, list, causes)),
    ends: jobs.flatMap((job) => endMoved(firm, job)),
    offices: movedOffices(firm, jobs),
    neighbours: movedNearby(firm, jobs),
    unasked: unaskedOf(firm, plan, moved, only),
    unanswered: unansweredOf(firm, only),
  };
}

/** Visits of subs in the next two weeks that stand where they stood and nobody has asked for. */
function unaskedOf(firm: FirmReading, plan: StoredPlan, moved: readonly Moved[], only?: string): MovedView['unasked'] {
  const rows = visitDays(firm);
  const last = nearUntil(firm) + slotOf(plan.origin, firm.today);
  const elsewhere = new Set(moved.map(({ task }) => task));
  const open = plan.tasks.filter(
    (task) =>
      (only === undefined || task.job === only) &&
      isVisit(task) &&
      task.start < last &&
      rows.get(task.id)?.said === 'nothing' &&
      !elsewhere.has(task),
  );
  const byCrew = groupBy(
    open.sort((a, b) => a.start - b.start),
    (task) => task.crew ?? '',
  );
  return subRows(firm).flatMap(({ id: crew, name, phone, email }) => {
    const visits = (byCrew.get(crew) ?? []).map(({ id: task, start }) => ({
      ...{ task, day: dayOfSlot(plan.origin, start), half: isAfternoon(start) ? (1 as const) : (0 as const) },
    }));
    const [first] = visits;
    return first ? [{ crew, name, phone, email, visits, first: sayHalfDay(first, firm.today) }] : [];
  });
}

/** Subs who were asked for a day that still stands and have not answered. */
function unansweredOf(firm: FirmReading, only?: string): MovedView['unanswered'] {
  const asked = new Set(
    [...visitDays(firm).values()].flatMap((row) =>
      row.said === 'asked' && isToldSo(row) && (only === undefined || row.job === only) ? [row.crew] : [],
    ),
  );
  return subRows(firm).flatMap(({ id: crew, name, phone, email }) =>
    asked.has(crew) ? [{ crew, name, phone, email }] : [],
  );
}

function concernedOf(
  firm: FirmReading,
  plan: StoredPlan,
  crew: string,
  moved: readonly Moved[],
  causes: ReadonlyMap<string, string>,
): Concerned {
  const sub = subRows(firm).find(({ id }) => id === crew);
  const { phone = '', email = '' } = sub ?? {};
  return {
    ...{ crew, phone, email, sub: sub !== undefined },
    name: sub?.name ?? plan.crewCapacity.find((one) => one.sub === crew)?.name ?? '',
    visits: moved.map((one) => movedVisit(firm, plan, one, causes)),
  };
}

function movedVisit(
  firm: FirmReading,
  plan: StoredPlan,
  { row, task, from }: Moved,
  causes: ReadonlyMap<string, string>,
): MovedVisit {
  const { today } = firm;
  const half = isAfternoon(task.start) ? 1 : 0;
  const day = dayOfSlot(plan.origin, task.start);
  return {
    ...{ task: task.id, day, half, said: row.said },
    label: sayWork(task.work),
    job: jobNames(firm).get(task.job) ?? '',
    jobId: task.job,
    fromDay: from.day,
    from: sayHalfDay(from, today),
    to: sayHalfDay({ day, half }, today),
    saidBy: saidBy(firm, row),
    wish: wishOf(firm, row),
    conflict: row.said === 'confirmed' || slotOf(today, from.day, from.half) < frozenUntil(firm),
    reason: sayReason(task.reason, plan.origin),
    cause: causes.get(task.id) ?? '',
  };
}

/** The day on which they said they could, while it is not over. */
function wishOf({ today }: FirmReading, { said, wish_day, wish_half }: VisitDay): MovedVisit['wish'] {
  if (said !== 'declined' || wish_day === null || wish_day < today) return null;
  const half = wish_half ?? 0;
  return { day: wish_day, half, words: sayHalfDay({ day: wish_day, half }, today) };
}

/** `Marek, Tue 9 Mar 14:20`. */
const saidBy = (firm: FirmReading, { said, said_by, said_at }: VisitDay): string =>
  said === 'nothing' || said_at === null ? '' : [said_by, whenSeen(said_at, firm)].filter(Boolean).join(', ');

function endMoved(firm: FirmReading, job: string): MovedEnd[] {
  const [row, finish] = [endDays(firm).get(job), finishDay(firm.job(job))];
  if (!row || !finish || row.day === finish) return [];
  const { name, client, client_email } = jobRow(firm.job(job));
  const on = (day: string): string => formatDay(day, firm.today);
  return [
    {
      ...{ job, name, client, email: client_email },
      ...{ from: on(row.day), to: on(finish), day: finish, later: finish > row.day },
      inLetter: client_email !== '' && waitingReaders(firm.job(job)).includes('client'),
    },
  ];
}

/** What was said of a visit's day, as a sentence. */
export function saidWords(firm: FirmReading, row: VisitDay): string {
  if (row.said === 'nothing' || row.told_day === null) return 'Nothing was said of this day yet.';
  const on = sayHalfDay({ day: row.told_day, half: row.told_half ?? 0 }, firm.today);
  const wish = wishOf(firm, row);
  const note = [row.note, wish && `could come ${wish.words}`].filter(Boolean).join('; ');
  return `${SAID[row.said]} ${on} (${saidBy(firm, row)})${note && `: ${note}`}.`;
}

const SAID = { told: 'Told', asked: 'Asked for', confirmed: 'Said yes to', declined: 'Said no to' } as const;

/** A page of whoever comes opens for so long: longer than any visit is said ahead. */
const LINK_DAYS = 90;
export const subLinksUntil = (today: Day): Day => addDays(today, LINK_DAYS);
