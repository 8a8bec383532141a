import { groupBy } from '@/core/group-by';
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
import type { Trade } from '@/core/sequence/trades';
import { addDays, daysBetween, type Day } from '@/core/units/day';
import { isWorkday } from '@/core/units/workday';
import { notWithdrawn } from '@/core/walks/observation';
import { openItems } from '@/core/walks/open-items';
import { progressOf, remainingHalfDays, type PhaseProgress } from '@/core/walks/progress';
import { dayIn, halfIn, type Zone } from '@/core/units/zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../dispatch/refusal';
import type { LogisticKind } from '@/contract/commands/schedule';
import { knowledgeOf } from '../sequence/knowledge';
import { closeInsOf, type AreaCloseIn } from '../walks/close-in';
import { observationsOf } from '../walks/queries';
import { officesOf } from './offices';
import { zoneOf } from '../zone';
import type { Rows } from '../database/rows';

export type JobRow = Rows['job'];

export type AreaRow = Rows['area'];

type StepRow = Rows['step'];

/** Worked half-days between two instants by the firm's days: weekdays that are no holiday. */
export function workedBetween(zone: Zone, holidays: ReadonlySet<Day>): (from: string, to: string) => number {
  return (from, to) => {
    const first = dayIn(zone, from);
    let count = halfIn(zone, to) - halfIn(zone, from);
    const last = daysBetween(first, dayIn(zone, to));
    for (let day = 0; day < last; day++) {
      const date = addDays(first, day);
      if (isWorkday(date, holidays)) count += 2;
    }
    return count;
  };
}

export const holidaysOf = (db: Connection): Set<Day> =>
  new Set(queryAll<{ day: Day }>(db, 'SELECT day FROM holiday').map((row) => row.day));

/**
 * A job as the sequence sees it, with what its walks have found.
 * @param today a step under way without a date counts from here
 */
export function readSite(db: Connection, job: string, today: Day): Site {
  const row = queryOne<JobRow>(db, 'SELECT * FROM job WHERE id = @job', { job });
  if (!row) throw notFound('job', 'job');
  const seen = notWithdrawn(observationsOf(db, job));
  const progress = progressOf(seen);
  const levels = new Map(
    queryAll<{ id: string; height: number; name: string }>(db, 'SELECT id, height, name FROM level WHERE job = @job', {
      job,
    }).map((level) => [level.id, level]),
  );
  const steps = groupBy(
    queryAll<StepRow>(db, 'SELECT step.* FROM step JOIN area ON area.id = step.area WHERE area.job = @job', { job }),
    (step) => step.area,
  );
  const beside = queryAll<{ one: string; other: string }>(
    db,
    'SELECT beside.* FROM beside JOIN area ON area.id = beside.one WHERE area.job = @job',
    { job },
  );
  const zone = zoneOf(db);
  const between = workedBetween(zone, holidaysOf(db));
  const passed = new Map(
    queryAll<{ area: string; phase: Phase; day: Day; half: 0 | 1 }>(
      db,
      `SELECT area, phase, day, half FROM inspection WHERE job = @job AND state = 'passed'`,
      { job },
    ).map((entry) => [taskId(entry.area, entry.phase), entry]),
  );
  const extra: StepExtras = {
    zone,
    passed,
    offices: officesOf(db),
    closeIns: closeInsOf(db, job, seen),
    parts: groupBy(
      queryAll<{ area: string; phase: Phase; label: string; half_days: number }>(
        db,
        `SELECT step_part.*
          FROM step_part
          JOIN area ON area.id = step_part.area
          WHERE area.job = @job
          ORDER BY part`,
        { job },
      ),
      (part) => taskId(part.area, part.phase),
    ),
    plant: queryAll<{ id: string; phases: string }>(db, 'SELECT id, phases FROM plant ORDER BY rowid').flatMap((row) =>
      (JSON.parse(row.phases) as Phase[]).map((phase) => ({ phase, id: row.id })),
    ),
  };
  const areas = queryAll<AreaRow>(db, 'SELECT * FROM area WHERE job = @job ORDER BY position', { job }).map(
    (area): SiteArea => {
      const level = area.level === null ? undefined : levels.get(area.level);
      return {
        id: area.id,
        name: area.name,
        kind: area.kind,
        position: area.position,
        passage: area.passage === 1,
        ...(level ? { level } : {}),
        provides: JSON.parse(area.provides) as string[],
        shelters: JSON.parse(area.shelters) as string[],
        beside: beside.flatMap((pair) =>
          pair.one === area.id ? [pair.other] : pair.other === area.id ? [pair.one] : [],
        ),
        track: trackOf(steps.get(area.id) ?? [], progress, between, today, extra),
      };
    },
  );
  return {
    id: row.id,
    name: row.name,
    startDay: row.start_day,
    livedIn: row.lived_in === 1,
    areas,
    ...(row.promise_day ? { promise: row.promise_day } : {}),
    ...(row.loud_half ? { loudHalf: row.loud_half } : {}),
    ownLinks: ownLinks(db, job),
    leftovers: [
      ...openItems(seen).map(({ item }) => ({ id: item.id, area: item.area, text: item.text, trade: item.trade })),
      ...fittedLater(db, job),
    ],
    extras: extrasOf(db, job),
    ...knowledgeOf(
      db,
      job,
      areas.map((area) => area.id),
    ),
    gates: gatesOf(db, job),
    logistics: logisticsOf(db, job),
  };
}

/** What stands beside the steps of a job. */
interface StepExtras {
  zone: Zone;
  passed: ReadonlyMap<string, { day: Day; half: 0 | 1 }>;
  closeIns: ReadonlyMap<string, AreaCloseIn>;
  offices: ReturnType<typeof officesOf>;
  parts: ReadonlyMap<string, { label: string; half_days: number }[]>;
  plant: readonly { phase: Phase; id: string }[];
}

const earlier = (entry: Day, other: Day): Day => (entry < other ? entry : other);

function trackOf(
  steps: StepRow[],
  progress: Map<string, PhaseProgress>,
  between: (from: string, to: string) => number,
  today: Day,
  extra: StepExtras,
): TrackStep[] {
  const byPhase = new Map(steps.map((step) => [step.phase, step]));
  return inUsualOrder(byPhase.keys()).flatMap((phase) => {
    const step = byPhase.get(phase);
    if (!step) return [];
    const known =
      phase === 'close-in'
        ? checked(extra.closeIns.get(step.area), progress.get(taskId(step.area, phase)))
        : progress.get(taskId(step.area, phase));
    const passed = extra.passed.get(taskId(step.area, phase));
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

function ownLinks(db: Connection, job: string): OwnLink[] {
  return queryAll<{
    id: string;
    before_area: string;
    before_phase: Phase;
    after_area: string;
    after_phase: Phase;
    reason: string;
  }>(db, 'SELECT * FROM own_link WHERE job = @job', { job }).map((row) => ({
    id: row.id,
    before: { area: row.before_area, phase: row.before_phase },
    after: { area: row.after_area, phase: row.after_phase },
    reason: row.reason,
  }));
}

/** What was wrong when it came and is fitted on a return trip, once the right one is there. */
function fittedLater(db: Connection, job: string): Leftover[] {
  return queryAll<{ id: string; area: string; phase: Phase; category: string; trade: Trade | null }>(
    db,
    `SELECT selection.id, selection.area, selection.phase, category, step.trade
      FROM selection
      LEFT JOIN step ON step.area = selection.area AND step.phase = selection.phase
      WHERE selection.job = @job AND selection.removed = 0 AND return_trip = 1 AND state NOT IN ('fitted', 'left over')
      ORDER BY selection.rowid`,
    { job },
  ).map(({ id, area, phase, category, trade }) => ({
    id,
    area,
    text: `fit ${category.toLowerCase()}`,
    trade: trade ?? phaseFacts(phase).trade,
  }));
}

/** Added work that is not done: from assumptions that were wrong and from changes that were approved. */
function extrasOf(db: Connection, job: string): ExtraWork[] {
  return queryAll<{
    id: string;
    area: string;
    text: string;
    trade: Trade;
    half_days: number;
    after_phase: Phase | null;
    reason: string;
  }>(db, `SELECT * FROM extra_work WHERE job = @job AND state = 'open' ORDER BY rowid`, { job }).map(
    ({ id, area, text, trade, half_days, after_phase, reason }) => ({
      id,
      area,
      text,
      trade,
      halfDays: half_days,
      after: after_phase,
      reason,
    }),
  );
}

function gatesOf(db: Connection, job: string): Gate[] {
  const ends = groupBy(
    queryAll<{ gate: string; side: 'before' | 'after'; area: string; phase: Phase }>(
      db,
      `SELECT gate_end.*
        FROM gate_end
        JOIN gate ON gate.id = gate_end.gate
        WHERE gate.job = @job
        ORDER BY place`,
      { job },
    ),
    (end) => end.gate,
  );
  const side = (gate: string, which: 'before' | 'after'): { area: string; phase: Phase }[] =>
    (ends.get(gate) ?? []).flatMap(({ side: at, area, phase }) => (at === which ? [{ area, phase }] : []));
  return queryAll<{ id: string; label: string; reason: string; together: 0 | 1 }>(
    db,
    'SELECT * FROM gate WHERE job = @job ORDER BY rowid',
    { job },
  ).map(({ id, label, reason, together }) => ({
    id,
    label,
    reason,
    together: together === 1,
    before: side(id, 'before'),
    after: side(id, 'after'),
  }));
}

const LOGISTIC_REASONS: Record<LogisticKind, string> = {
  bin: 'what is torn out has to go somewhere',
  scaffold: 'nobody works at a height without it',
  crane: 'nobody carries it in by hand',
  pump: 'concrete waits for nobody',
  parking: 'the lorry may not stand there without it',
  neighbours: 'they have to be told before it is loud or in their way',
  other: 'it has to be there first',
};

const logisticsOf = (db: Connection, job: string): Logistic[] =>
  queryAll<{ id: string; kind: LogisticKind; label: string; area: string; phase: Phase; state: string }>(
    db,
    `SELECT * FROM logistic WHERE job = @job AND state <> 'dropped' ORDER BY rowid`,
    { job },
  ).map(({ id, kind, label, area, phase, state }) => ({
    id,
    label,
    area,
    phase,
    reason: LOGISTIC_REASONS[kind],
    here: state === 'here',
  }));
