import { chanceSeen } from '@/core/forecast/seen';
import { groupBy } from '@/core/group-by';
import type { PhaseProgress } from '@/core/walks/progress';
import { workdaysBetween } from '@/core/units/workday';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { holidaysOf } from './firm';
import { ofFirm, type FirmReading } from './reading';
import { workedHalfDays } from './site';

/** Cases that are read at most: older ones say little of now. */
const MOST = 2_000;

interface FinishedStep {
  trade: string;
  half_days: number;
  state: string;
}

/**
 * What finished steps took against what was planned for them, by trade, as the firm's own walks saw it, the newest last. Only
 * those are cases that were seen on their way, and whose end is known to within what they were planned for.
 */
export const pacesByTrade = ofFirm((firm): ReadonlyMap<string, number[]> => {
  const rows = queryAll<FinishedStep>(
    firm.db,
    `SELECT step.trade, step.half_days, standing.state
      FROM standing
      JOIN standing_observation AS observation ON observation.id = standing.observation
      JOIN step ON step.area = observation.area AND step.phase = observation.phase
      WHERE observation.kind = 'progress' AND observation.fraction = 1
      ORDER BY standing.at DESC
      LIMIT ${MOST}`,
  );
  const between = workedHalfDays(firm);
  const cases = rows.reverse().flatMap(({ trade, half_days: planned, state }) => {
    const ratio = ratioOf((JSON.parse(state) as Partial<PhaseProgress>).readings ?? [], planned, between);
    return ratio === undefined ? [] : [{ trade, ratio }];
  });
  return new Map(
    [...groupBy(cases, ({ trade }) => trade)].map(([trade, list]) => [trade, list.map(({ ratio }) => ratio)]),
  );
});

function ratioOf(
  readings: PhaseProgress['readings'],
  planned: number,
  between: (from: string, to: string) => number,
): number | undefined {
  const [first, before, last] = [readings[0], readings.at(-2), readings.at(-1)];
  if (!first || !before || !last || first.fraction >= 1 || last.fraction < 1) return undefined;
  const gap = between(before.at, last.at);
  if (gap > planned) return undefined;
  // It ended some time between the walk that saw it nearly done and the one that saw it done.
  const took = between(first.at, before.at) + gap / 2;
  const share = 1 - first.fraction;
  return took > 0 ? took / (planned * share) : undefined;
}

/** Half-days after the day they were told that subs came, by sub, the newest last. */
export const latenessBySub = ofFirm((firm): ReadonlyMap<string, number[]> => {
  const rows = queryAll<Rows['visit_came']>(
    firm.db,
    `SELECT * FROM (SELECT * FROM visit_came ORDER BY came_day DESC LIMIT ${MOST}) ORDER BY came_day`,
  );
  const holidays = holidaysOf(firm);
  return new Map(
    [...groupBy(rows, ({ crew }) => crew)].map(([crew, list]) => [
      crew,
      list.map((row) => 2 * Math.max(0, workdaysBetween(row.told_day, row.came_day, holidays))),
    ]),
  );
});

/** How likely an inspection fails, from those that were made, together with what is usual. */
export const failing = ofFirm(({ db }): number => {
  const { failed = 0, made = 0 } =
    queryOne<{ failed: number; made: number }>(
      db,
      `SELECT count(*) FILTER (WHERE state = 'failed') AS failed, count(*) AS made
        FROM inspection
        WHERE state IN ('passed', 'failed')`,
    ) ?? {};
  return chanceSeen(failed, made, 0.15);
});

/** How likely goods come late, and by how many days in the mean, from those that came, together with what is usual. */
export const lateGoods = ofFirm(({ db }): { late: number; days: number } => {
  const {
    came = 0,
    late = 0,
    days = 0,
  } = queryOne<{ came: number; late: number; days: number | null }>(
    db,
    `SELECT count(*) AS came, count(*) FILTER (WHERE came_on > promised_on) AS late,
          sum(max(0, julianday(came_on) - julianday(promised_on))) AS days
        FROM selection
        WHERE came_on IS NOT NULL AND promised_on IS NOT NULL AND removed = 0`,
  ) ?? {};
  const usual = 6;
  return { late: chanceSeen(late, came, 0.25), days: ((days ?? 0) + 4 * usual) / (late + 4) };
});

/** How likely an assumption that nobody rated turns out wrong. */
export const wrongAssumptions = ofFirm(({ db }: FirmReading): number => {
  const { wrong = 0, settled = 0 } =
    queryOne<{ wrong: number; settled: number }>(
      db,
      `SELECT count(*) FILTER (WHERE state = 'wrong') AS wrong, count(*) AS settled
        FROM assumption
        WHERE state IN ('held', 'wrong') AND removed = 0`,
    ) ?? {};
  return chanceSeen(wrong, settled, 0.3);
});
