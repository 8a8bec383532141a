import type { BenchView } from '@/contract/views/layout';
import type { CalculationView, MaterialsView } from '@/contract/views/scope';
import { groupBy } from '@/core/group-by';
import { calculatorNamed } from '@/core/quantities/registry';
import type { Purchase } from '@/core/quantities/calculator';
import { sayAnswer } from '@/core/quantities/say';
import { materialsList, materialsTotal, type Needed } from '@/core/scope/materials';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import type { Trade } from '@/core/sequence/trades';
import type { Measure } from '@/core/layout/measures';
import type { LengthSystem } from '@/core/units/length';
import { dayOfSlot } from '@/core/units/slot';
import { capital } from '@/core/words';
import { today } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { measuresIn } from '../layout/read-layout';
import { readPlan } from '../schedule/read-plan';
import { areasOf, phasesOf } from '../scope/queries';
import { scopeCounts, scopeOf } from '../scope/read-scope';
import { jobHead, requireJob } from '../sites/queries';

interface Row {
  id: string;
  version: number;
  area: string;
  area_name: string;
  scope_item: string | null;
  calculator: string;
  product: string;
  input: string;
  fed: string;
  output: string | null;
  purchases: string;
  problem: string | null;
  unit_price: number | null;
  supplier: string;
  trade: Trade | null;
  phase: Phase | null;
}

const rowsOf = (db: Connection, job: string): Row[] =>
  queryAll<Row>(
    db,
    `SELECT calculation.*, area.name AS area_name
      FROM calculation
      JOIN area ON area.id = calculation.area
      WHERE calculation.job = @job AND calculation.removed = 0
      ORDER BY area.position, calculation.rowid`,
    { job },
  );

function viewOf(row: Row, system: LengthSystem): CalculationView {
  const calculator = calculatorNamed(row.calculator);
  const output = row.output === null ? null : (JSON.parse(row.output) as Record<string, unknown>);
  return {
    id: row.id,
    version: row.version,
    areaId: row.area,
    area: row.area_name,
    scopeItem: row.scope_item,
    calculator: row.calculator,
    title: calculator?.title ?? row.calculator,
    product: row.product,
    input: JSON.parse(row.input) as Record<string, unknown>,
    fed: JSON.parse(row.fed) as Record<string, Measure>,
    output,
    answer: calculator && output ? sayAnswer(calculator, output, system) : '',
    problem: row.problem,
    unitPrice: row.unit_price,
    supplier: row.supplier,
    trade: row.trade,
    phase: row.phase,
  };
}

/** Results kept in a job's areas, or in one of them. */
export const calculationsOf = (db: Connection, job: string, system: LengthSystem, area?: string): CalculationView[] =>
  rowsOf(db, job)
    .filter((row) => area === undefined || row.area === area)
    .map((row) => viewOf(row, system));

/** One kept result, to be changed on Bench. */
export function keptCalculation(installation: Installation, id: string): CalculationView {
  const row = queryOne<Row & { units: LengthSystem }>(
    installation.db,
    `SELECT calculation.*, area.name AS area_name, units
      FROM calculation
      JOIN area ON area.id = calculation.area
      JOIN job ON job.id = calculation.job
      WHERE calculation.id = @id AND calculation.removed = 0`,
    { id },
  );
  if (!row) throw notFound('kept result');
  return viewOf(row, row.units);
}

/** What all kept calculations buy, with the day on which the work that uses it begins. */
function neededOf(db: Connection, job: string): Needed[] {
  const plan = readPlan(db, { job });
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  return rowsOf(db, job).flatMap((row) => {
    const task = row.phase && tasks.get(taskId(row.area, row.phase));
    const purchases = JSON.parse(row.purchases) as Purchase[];
    return purchases.map((purchase): Needed => ({
      what: row.product
        ? purchases.length > 1
          ? `${row.product}: ${purchase.what}`
          : row.product
        : capital(purchase.what),
      quantity: purchase.quantity,
      unit: purchase.unit,
      // The price of one is of what is bought alone; where there are several kinds only the calculator knows.
      unitPrice: purchases.length === 1 ? row.unit_price : null,
      price: purchase.price ?? null,
      supplier: row.supplier,
      trade: row.trade ?? (row.phase ? phaseFacts(row.phase).trade : null),
      area: row.area_name,
      needBy: plan && task && task.state !== 'done' ? dayOfSlot(plan.origin, task.start) : null,
    }));
  });
}

export function materialsView(installation: Installation, job: string): MaterialsView {
  const { units } = requireJob(installation.db, job);
  const lines = materialsList(neededOf(installation.db, job));
  const calculations = calculationsOf(installation.db, job, units);
  const { price, unpriced } = materialsTotal(lines);
  return {
    job: jobHead(installation, job),
    today: today(installation),
    lines,
    total: price,
    unpriced,
    calculations,
    counts: scopeCounts(installation.db, job),
    problems: calculations.flatMap((calculation) =>
      calculation.problem
        ? [
            {
              id: calculation.id,
              area: calculation.area,
              areaId: calculation.areaId,
              title: calculation.product || calculation.title,
              problem: calculation.problem,
            },
          ]
        : [],
    ),
  };
}

/** Where a result from Bench can be kept. */
export function benchView(installation: Installation): BenchView {
  const { db } = installation;
  const jobs = queryAll<{ id: string; name: string; units: LengthSystem }>(
    db,
    `SELECT id, name, units FROM job WHERE state <> 'closed' ORDER BY position`,
  );
  return {
    today: today(installation),
    jobs: jobs.map((job) => {
      const phases = phasesOf(db, job.id);
      const lines = groupBy(scopeOf(db, job.id), (line) => line.areaId);
      return {
        ...job,
        areas: areasOf(db, job.id).map(({ id, name }) => ({
          id,
          name,
          measures: measuresIn(db, id),
          phases: phases.get(id) ?? [],
          lines: (lines.get(id) ?? []).map((line) => ({ id: line.id, text: `${line.verb} ${line.subject}` })),
        })),
      };
    }),
  };
}
