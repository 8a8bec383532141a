import { quietTimes } from './quiet';
import { groupBy } from '@/core/group-by';
import { kindsLeft, type InspectionKind } from '@/core/sequence/inspections';
import { LOGISTIC_FACTS } from '@/core/sequence/logistics';
import { inUsualOrder, phaseFacts, type Phase } from '@/core/sequence/phases';
import {
  taskId,
  type ExtraWork,
  type Gate,
  type Leftover,
  type Logistic,
  type OwnLink,
  type Site,
  type SiteArea,
  type TrackStep,
} from '@/core/sequence/site';
import { providesOf, type Work } from '@/core/sequence/works';
import { isHouseholdNeed, type HouseholdNeed } from '@/core/sites/household-needs';
import type { Day } from '@/core/units/day';
import { workdaysBetween } from '@/core/units/workday';
import { remainingHalfDays, type PhaseProgress } from '@/core/walks/progress';
import { dayIn, halfIn, type Zone } from '@/core/units/zone';
import { closeInsOf, type AreaCloseIn } from './close-ins';
import { holidaysOf, officesOf, plantRows } from './firm';
import { areaRows, besideRows, jobRow, partRows, stepsByArea, type StepRow } from './job';
import { knowledgeOf } from './knowledge';
import { ofFirm, ofJob, type JobReading } from './reading';
import { carriedOf, progressOf } from './standing';
import { extraRows, unprovedServices } from './scope';
import { selectionRows } from './selections';
import { gatesWith, inspectionRows, logisticRows, ownLinkRows, settledTasks } from './sequence';

/** Worked half-days between two instants by the firm's days: weekdays that are no holiday. */
function workedBetween(zone: Zone, holidays: ReadonlySet<Day>): (from: string, to: string) => number {
  return (from, to) =>
    2 * workdaysBetween(dayIn(zone, from), dayIn(zone, to), holidays) + halfIn(zone, to) - halfIn(zone, from);
}

/** The same by the holidays and the zone of the firm. */
export const workedHalfDays = ofFirm((firm) => workedBetween(firm.zone, holidaysOf(firm)));

/** A job as the sequence sees it, with what its walks have found. */
export const siteOf = ofJob((job): Site => {
  const row = jobRow(job);
  const steps = stepsByArea(job);
  const beside = besideRows(job);
  const extras = stepExtras(job);
  return {
    id: row.id,
    name: row.name,
    startDay: row.start_day,
    livedIn: row.lived_in === 1,
    areas: areaRows(job).map((area): SiteArea => ({
      id: area.id,
      name: area.name,
      kind: area.kind,
      position: area.position,
      passage: area.passage === 1,
      ...(area.level !== null && area.level_height !== null
        ? { level: { id: area.level, height: area.level_height, name: area.level_name ?? '' } }
        : {}),
      ...providesOf(JSON.parse(area.provides) as string[], JSON.parse(area.works) as Work[]),
      shelters: JSON.parse(area.shelters) as string[],
      beside: beside.flatMap((pair) =>
        pair.one === area.id ? [pair.other] : pair.other === area.id ? [pair.one] : [],
      ),
      ...opensToOf(beside, area.id),
      track: trackOf(steps.get(area.id) ?? [], progressOf(job), extras),
    })),
    ...(row.promise_day ? { promise: row.promise_day } : {}),
    ...(row.loud_half ? { loudHalf: row.loud_half } : {}),
    quiet: quietTimes(job),
    ownLinks: ownLinks(job),
    leftovers: [
      ...carriedOf(job).flatMap(({ item }) =>
        item.kind === 'remaining' ? [{ id: item.id, area: item.area, text: item.text, trade: item.trade }] : [],
      ),
      ...fittedLater(job),
    ],
    extras: extrasOf(job),
    ...knowledgeOf(job),
    unproved: unprovedServices(job),
    settled: settledTasks(job),
    gates: gatesOf(job),
    logistics: logisticsOf(job),
  };
});

/** What the household has in an area now. */
export const needsOf = (job: JobReading, area: string): HouseholdNeed[] =>
  (siteOf(job).areas.find(({ id }) => id === area)?.provides ?? []).filter(isHouseholdNeed);

/** To which neighbours a wall comes out, where anybody has said so. */
function opensToOf(beside: ReturnType<typeof besideRows>, area: string): Pick<SiteArea, 'opensTo'> {
  const opensTo = beside.flatMap(({ one, other, opens }) =>
    opens === 0 ? [] : one === area ? [other] : other === area ? [one] : [],
  );
  return opensTo.length > 0 ? { opensTo } : {};
}

/** What stands beside the steps of a job. */
interface StepExtras {
  zone: Zone;
  today: Day;
  between: (from: string, to: string) => number;
  visits: ReadonlyMap<string, ReturnType<typeof inspectionRows>>;
  closeIns: ReadonlyMap<string, AreaCloseIn>;
  offices: ReturnType<typeof officesOf>;
  parts: ReadonlyMap<string, { label: string; half_days: number }[]>;
  plant: readonly { phase: Phase; id: string }[];
}

const stepExtras = (job: JobReading): StepExtras => ({
  zone: job.firm.zone,
  today: job.firm.today,
  between: workedHalfDays(job.firm),
  visits: groupBy(inspectionRows(job), (row) => taskId(row.area, row.phase) as string),
  offices: officesOf(job.firm),
  closeIns: closeInsOf(job),
  parts: groupBy(partRows(job), (part) => taskId(part.area, part.phase) as string),
  plant: plantRows(job.firm).flatMap((row) => row.phases.map((phase) => ({ phase, id: row.id }))),
});

/** The visit with which everything there was to look at was passed. */
function passedVisit(
  visits: ReturnType<typeof inspectionRows>,
  phase: Phase,
  track: readonly Phase[],
): { day: Day; half: 0 | 1 } | undefined {
  const passed = visits.filter((visit) => visit.state === 'passed');
  const kinds = passed.map((visit) => JSON.parse(visit.kinds) as InspectionKind[]);
  return passed.length > 0 && kindsLeft(phase, track, kinds).length === 0 ? passed.at(-1) : undefined;
}

const earlier = (entry: Day, other: Day): Day => (entry < other ? entry : other);

function trackOf(
  steps: readonly StepRow[],
  progress: ReadonlyMap<string, PhaseProgress>,
  extra: StepExtras,
): TrackStep[] {
  const { today, between } = extra;
  const byPhase = new Map(steps.map((step) => [step.phase, step]));
  return inUsualOrder(byPhase.keys()).flatMap((phase) => {
    const step = byPhase.get(phase);
    if (!step) return [];
    const known =
      phase === 'close-in'
        ? checked(extra.closeIns.get(step.area), progress.get(taskId(step.area, phase)))
        : progress.get(taskId(step.area, phase));
    const passed = passedVisit(extra.visits.get(taskId(step.area, phase)) ?? [], phase, [...byPhase.keys()]);
    const parts = extra.parts.get(taskId(step.area, phase));
    const plant = extra.plant.find((entry) => entry.phase === phase)?.id;
    const office = extra.offices.find((entry) => entry.phases.includes(phase))?.id;
    if (passed)
      return [
        {
          phase,
          trade: step.trade,
          halfDays: step.half_days,
          fraction: 1,
          remaining: 0,
          seen: { day: earlier(passed.day, today), half: passed.half },
        },
      ];
    return [
      {
        phase,
        trade: step.trade,
        halfDays: step.half_days,
        fraction: known?.fraction ?? 0,
        remaining: remainingHalfDays(step.half_days, known, between),
        ...(step.crews > 1 ? { crews: step.crews } : {}),
        ...(step.others ? { others: step.others } : {}),
        ...(plant ? { plant } : {}),
        ...(office ? { office } : {}),
        ...(parts ? { parts: parts.map((part) => ({ label: part.label, halfDays: part.half_days })) } : {}),
        ...(known
          ? { seen: { day: earlier(dayIn(extra.zone, known.at), today), half: halfIn(extra.zone, known.at) } }
          : {}),
      },
    ];
  });
}

/** How far the check before covering is: never done while a line is open, done with its last one. */
function checked(check: AreaCloseIn | undefined, known: PhaseProgress | undefined): PhaseProgress | undefined {
  if (!check) return known;
  if (check.closed) return { fraction: 1, at: check.at ?? known?.at ?? '', readings: [] };
  if (!check.begun) return known && known.fraction >= 1 ? { ...known, fraction: 0.9 } : known;
  const at =
    check.lines
      .flatMap((line) => line.at ?? [])
      .sort()
      .at(-1) ?? known?.at;
  return at === undefined
    ? known
    : { fraction: Math.min(0.9, (check.lines.length - check.open.length) / check.lines.length), at, readings: [] };
}

function ownLinks(job: JobReading): OwnLink[] {
  return ownLinkRows(job).map((row) => ({
    id: row.id,
    before: { area: row.before_area, phase: row.before_phase },
    after: { area: row.after_area, phase: row.after_phase },
    reason: row.reason,
  }));
}

/** What was wrong when it came and is fitted on a return trip, once the right one is there. */
function fittedLater(job: JobReading): Leftover[] {
  return selectionRows(job).flatMap(({ id, area, phase, category, return_trip, state }) => {
    if (!return_trip || state === 'fitted' || state === 'left over') return [];
    const step = stepsByArea(job)
      .get(area)
      ?.find((entry) => entry.phase === phase);
    return [{ id, area, text: `fit ${category.toLowerCase()}`, trade: step?.trade ?? phaseFacts(phase).trade }];
  });
}

/** Added work that is not done: from assumptions that were wrong and from changes that were approved. */
const extrasOf = (job: JobReading): ExtraWork[] =>
  extraRows(job).flatMap(({ id, area, text, trade, half_days, after_phase, follows, reason, state }) =>
    state === 'open' ? [{ id, area, text, trade, halfDays: half_days, after: after_phase, follows, reason }] : [],
  );

const gatesOf = (job: JobReading): Gate[] => gatesWith(job, ({ area, phase }) => ({ area, phase }));

const logisticsOf = (job: JobReading): Logistic[] =>
  logisticRows(job).map(({ id, kind, label, area, phase, state }) => ({
    id,
    label,
    area,
    phase,
    reason: LOGISTIC_FACTS[kind].reason,
    here: state === 'here',
  }));
