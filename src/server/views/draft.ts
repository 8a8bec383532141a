import type { Reader } from '@/contract/commands/news';
import { clientDraft } from '@/core/news/client-draft';
import { crewDraft } from '@/core/news/crew-draft';
import { neighbourDraft } from '@/core/news/neighbour-draft';
import type { Draft, MovedWork, NamedDay, News, NextWork } from '@/core/news/news';
import { draftText, unsettled, withOwnWords, type OwnWords, type ShownPart } from '@/core/news/own-words';
import { sumByCause } from '@/core/schedule/slippage';
import { taskId } from '@/core/sequence/site';
import { addDays, formatDay } from '@/core/units/day';
import { formatMoney } from '@/core/units/money';
import { dayOfSlot, slotOf } from '@/core/units/slot';
import { dayIn } from '@/core/units/zone';
import { diffSince, type ProgressChange } from '@/core/walks/diff';
import { sayPlaceAndHours } from '@/core/words/logistic';
import { sayBy } from '@/core/words/day';
import { capital } from '@/core/words/letters';
import { sayHangsOn } from '@/core/words/wait';
import { sayWork } from '@/core/words/work';
import { endMovesSince } from '../reading/baselines';
import { coveredIn } from '../reading/covered';
import { writerOf } from '../reading/firm';
import { areaNames, jobRow } from '../reading/job';
import { licenceFor } from '../reading/licences';
import { currencyOfFirm } from '../reading/money';
import { finishDay, planOf, tasksOf } from '../reading/plan';
import { ofJob, type FirmReading, type JobReading } from '../reading/reading';
import { LATELY_DAYS, recordsKeptAfter } from '../reading/records';
import { settledAfter } from '../reading/scope';
import { selectionNames } from '../reading/selections';
import { holdRows } from '../reading/sequence';
import { siteOf } from '../reading/site';
import { draftLineRows, toldOf } from '../reading/updates';
import { endDays, lastCauses } from '../reading/visits';
import { weightsOf, workDoneOf } from '../reading/weights';
import { clientChange, liveChanges } from './changes';
import { livingOff } from './living';
import { logisticsOf } from './logistics';
import { movedVisits } from './moved';
import { cautionsTonight, leftAloneTonight } from './tonight';
import { daysMoved, neededOf, workAhead } from './nearby';
import { selectionsOf } from './selection';

/** For how long it is told what is off. */
const OFF_DAYS = 14;
/** Days ahead in which a decision is asked for, and in which days have names for whoever writes by hand. */
const NAMED_DAYS = 28;

/** How far each step is. */
const stepsOf = ofJob((job): { area: string; phase: ProgressChange['phase']; task: string; fraction: number }[] =>
  siteOf(job).areas.flatMap((area) =>
    area.track.map(({ phase, fraction }) => ({ area: area.id, phase, task: taskId(area.id, phase), fraction })),
  ),
);

/** How far each step is that is begun, by its piece of work: what a reader is told of by being written to. */
export const stepsBegun = (job: JobReading): Record<string, number> =>
  Object.fromEntries(stepsOf(job).flatMap(({ task, fraction }) => (fraction > 0 ? [[task, fraction]] : [])));

/**
 * The facts of what a reader is told: everything from when they were written to last until now.
 * @param told what they were told last; without it, how things stand, with what was seen in so many days
 */
function newsFor(job: JobReading, audience: Reader, told: ReturnType<typeof toldOf>, lately = LATELY_DAYS): News {
  const { firm } = job;
  const { today } = firm;
  const row = jobRow(job);
  const before = told ? (JSON.parse(told.steps) as Record<string, number>) : {};
  const { all, fresh } = recordsKeptAfter(job, told?.record, lately);
  const diff = diffSince(
    all,
    ({ id }) => fresh.has(id),
    stepsOf(job).map(({ area, phase, task, fraction }) => ({ area, phase, from: before[task] ?? 0, to: fraction })),
    weightsOf(job),
  );
  const end = { before: endDays(firm).get(job.id)?.day, after: finishDay(job), promised: row.promise_day };
  return {
    job: row.name,
    address: row.address,
    today,
    ...(told ? { since: dayIn(firm.zone, told.at) } : {}),
    livedIn: row.lived_in === 1,
    diff,
    areas: areaNames(job),
    selections: selectionNames(job),
    settled: settledAfter(job, told?.at ?? addDays(today, -lately)),
    done: workDoneOf(job).share,
    moved: audience === 'crew' ? movedOf(job) : [],
    finish: Object.fromEntries(Object.entries(end).filter(([, day]) => day)),
    causes: causesOfEnd(job),
    hangsOn: audience === 'client' ? hangsOn(job) : [],
    changes: audience === 'client' ? changesOfFindings(job) : NO_CHANGES,
    next: workAhead(job).map(withLicence(firm)),
    decisions: decisionsOf(job),
    cautions: audience === 'crew' ? [...coveredIn(job), ...diff.cautions] : [],
    leftAlone: audience === 'crew' ? [...leftAloneTonight(job), ...cautionsTonight(job, diff.cautions)] : [],
    there: audience === 'neighbour' ? thereAt(job) : [],
    needed: audience === 'neighbour' ? neededOf(job) : [],
    daysMoved: audience === 'neighbour' && told ? daysMoved(job) : [],
    loudHalf: row.loud_half,
    from: writerOf(firm),
    off: livingOff(job).filter(({ day }) => day <= addDays(today, OFF_DAYS)),
  };
}

/** What stands on a job or is booked, with its place, hours and day; nothing of what nobody has placed or booked. */
export const thereAt = (job: JobReading): { key: string; what: string; text: string }[] =>
  logisticsOf(job).flatMap((logistic) => {
    const { id, label, state, bookedOn } = logistic;
    const day = state === 'booked' && bookedOn ? `comes ${formatDay(bookedOn, job.firm.today)}` : '';
    const text = [sayPlaceAndHours(logistic), state === 'here' ? 'is there' : day].filter(Boolean).join(', ');
    return text === '' ? [] : [{ key: id, what: label, text }];
  });

/** With the licence it needs and whether whoever comes has one. */
const withLicence =
  (firm: FirmReading) =>
  (work: NextWork): NextWork => ({
    ...work,
    licence: licenceFor(firm, { trade: work.trade, crew: work.crewKey }, work.until),
  });

/** Visits of a job that stand on another half-day than people go by. */
function movedOf(job: JobReading): MovedWork[] {
  const { firm } = job;
  const plan = planOf(job);
  const moved = movedVisits(firm).filter(({ task }) => task.job === job.id);
  const causes = lastCauses(
    firm,
    moved.map(({ task }) => task.id),
  );
  return moved.flatMap(({ task, from }) => {
    const to = plan && dayOfSlot(plan.origin, task.start);
    const { id, area, work, phase, reason } = task;
    return to && to !== from.day
      ? [{ task: id, area, work, phase, from: from.day, to, reason, causes: causes.get(id) ?? [] }]
      : [];
  });
}

/** What moved the last day most since the client was told one, the way it moved in all. */
function causesOfEnd(job: JobReading): News['causes'] {
  const [told, end] = [endDays(job.firm).get(job.id), finishDay(job)];
  if (!told || !end || told.day === end) return [];
  return sumByCause(endMovesSince(job, told.said_at))
    .filter(({ halves }) => halves > 0 === end > told.day)
    .slice(0, 2)
    .flatMap(({ causes }) => causes);
}

/** What the last day of a job hangs on: what work without slack waits for from outside, the latest first. */
function hangsOn(job: JobReading): string[] {
  const plan = planOf(job);
  const { today } = job.firm;
  const waits = (plan?.notBefore ?? []).filter(({ task, slot }) => {
    const work = tasksOf(job).get(task);
    return plan && work?.critical === true && work.state !== 'done' && slot > slotOf(plan.origin, today);
  });
  return [...new Set(waits.sort((a, b) => b.slot - a.slot).flatMap(({ wait }) => sayHangsOn(wait, today) ?? []))];
}

const NO_CHANGES: News['changes'] = new Map();

/** The change that says what a finding costs, by the assumption or record it came from; what is only thought of is none. */
const changesOfFindings = (job: JobReading): News['changes'] =>
  new Map(
    liveChanges(job).flatMap((row) => {
      const source = row.assumption ?? row.observation;
      if (source === null || row.state === 'draft') return [];
      const { number, total, before, after } = clientChange(job, row);
      const sum = formatMoney(total, currencyOfFirm(job.firm));
      return [[source, { number, total: sum, before, after, state: row.state }] as const];
    }),
  );

/** What the client is asked: what work waits for, and what they are to choose soon. */
function decisionsOf(job: JobReading): News['decisions'] {
  const last = addDays(job.firm.today, NAMED_DAYS);
  return [
    ...holdRows(job).flatMap(({ id, kind, text, expected_on: by }) => (kind === 'client' ? [{ id, text, by }] : [])),
    ...selectionsOf(job).flatMap(({ id, state, decides, decideBy: by, category, area }) =>
      state === 'open' && decides === 'client' && by !== null && by <= last
        ? [{ id, text: `${category}, ${area}`, by }]
        : [],
    ),
  ];
}

/** What a client is to decide within so many days, with its words and a key that is another when its day is. */
export function dueDecisions(job: JobReading, days: number): { key: string; text: string }[] {
  const { today } = job.firm;
  const last = addDays(today, days);
  return decisionsOf(job).flatMap(({ id, text, by }) =>
    by !== null && by <= last ? [{ key: `decide:${id}:${by}`, text: `${capital(text)}, ${sayBy(by, today)}` }] : [],
  );
}

/** Days that have a name for whoever writes by hand: the end, what begins soon, goods that come, what is to be decided. */
export const namedDays = ofJob((job): NamedDay[] => {
  const { today } = job.firm;
  const last = addDays(today, NAMED_DAYS);
  const plan = planOf(job);
  const end = finishDay(job);
  const soon = (plan?.tasks ?? []).flatMap((task): NamedDay[] => {
    const day = plan && dayOfSlot(plan.origin, task.start);
    return day && task.job === job.id && task.state === 'waiting' && day <= last
      ? [{ key: task.id, what: sayWork(task.work), day }]
      : [];
  });
  return [
    ...(end ? [{ key: 'end', what: 'the end of the work', day: end }] : []),
    ...soon,
    ...selectionsOf(job).flatMap(({ id, category, expectedOn, cameOn }) =>
      expectedOn && !cameOn ? [{ key: `goods:${id}`, what: `${category}: they come`, day: expectedOn }] : [],
    ),
    ...decisionsOf(job).flatMap(({ id, text, by }) => (by ? [{ key: `decide:${id}`, what: text, day: by }] : [])),
  ];
});

/** What a reader would be told now. */
export interface Composed {
  draft: Draft;
  /** With what somebody wrote by hand. */
  parts: ShownPart[];
  text: string;
  /** Lines to be settled before it goes out. */
  unsettled: number;
}

const ownWords = (job: JobReading, audience: Reader): OwnWords[] =>
  draftLineRows(job)
    .filter((row) => row.audience === audience)
    .map(({ line, words, was, days, written_at }) => ({
      ...{ line, words, was },
      days: JSON.parse(days) as NamedDay[],
      written: dayIn(job.firm.zone, written_at),
    }));

const DRAFTS: Record<Reader, (news: News) => Draft> = {
  client: clientDraft,
  crew: crewDraft,
  neighbour: neighbourDraft,
};

/** How far back a page looks that shows how things stand. */
const PAGE_DAYS = 21;

/** How things stand for a reader, whatever they were told: nothing that was written by hand, nothing “since”. */
export const draftOfNow = (job: JobReading, audience: Reader): Draft =>
  DRAFTS[audience](newsFor(job, audience, undefined, PAGE_DAYS));

export function composeDraft(job: JobReading, audience: Reader): Composed {
  const draft = DRAFTS[audience](newsFor(job, audience, toldOf(job, audience)));
  const parts = withOwnWords(draft, ownWords(job, audience), namedDays(job));
  return { draft, parts, text: draftText(parts), unsettled: unsettled(parts).length };
}
