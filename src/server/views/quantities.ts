import type { BenchView } from '@/contract/views/layout';
import type { CalculationView, MaterialsView } from '@/contract/views/scope';
import { groupBy } from '@/core/group-by';
import { calculatorNamed } from '@/core/quantities/registry';
import { boughtIn, sayPurchase } from '@/core/quantities/units';
import { sayAnswer } from '@/core/quantities/say';
import { materialsList, materialsTotal, type Needed } from '@/core/scope/materials';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import type { Measure } from '@/core/layout/measures';
import type { LengthSystem } from '@/core/units/length';
import { roundMoney, type Currency } from '@/core/units/money';
import { dayOfSlot } from '@/core/units/slot';
import { capital } from '@/core/words/letters';
import { notFound } from '../refusal';
import { scopeCounts, scopeOf } from './scope-parts';
import { jobHead } from './job-head';
import { purchasesOf } from '../reading/goods';
import { currencyOfFirm } from '../reading/money';
import { areasUpward, jobRow, phasesOf } from '../reading/job';
import { measuresIn } from '../reading/layouts';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob, type FirmReading, type JobReading } from '../reading/reading';
import { calculationRows, jobOfCalculation, type CalculationRow as Row } from '../reading/selections';

function viewOf(row: Row, system: LengthSystem, currency: Currency, prices: boolean): CalculationView {
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
    answer: calculator && output ? sayAnswer(calculator, output, system, currency) : '',
    problem: row.problem,
    unitPrice: prices ? row.unit_price : null,
    supplier: row.supplier,
    trade: row.trade,
    phase: row.phase,
  };
}

const calculationViews = ofJob((job): CalculationView[] =>
  calculationRows(job).map((row) => viewOf(row, jobRow(job).units, currencyOfFirm(job.firm), job.firm.sees.prices)),
);

/** Results kept in a job's areas, or in one of them. */
export const calculationsOf = (job: JobReading, area?: string): CalculationView[] =>
  calculationViews(job).filter((kept) => area === undefined || kept.areaId === area);

/** One kept result, to be changed on Bench. */
export function keptCalculation(firm: FirmReading, id: string): CalculationView {
  const job = jobOfCalculation(firm, id);
  const kept = job && calculationsOf(firm.job(job)).find((entry) => entry.id === id);
  if (!kept) throw notFound('kept result');
  return kept;
}

/** What a kept calculation buys, with the day on which the work that uses it begins. */
function neededBy(job: JobReading, row: Row): Needed[] {
  const plan = planOf(job);
  const { units } = jobRow(job);
  const task = row.phase && tasksOf(job).get(taskId(row.area, row.phase));
  const purchases = purchasesOf(job).get(row.id) ?? [];
  return purchases.map((purchase): Needed => ({
    what: row.product
      ? purchases.length > 1
        ? `${row.product}: ${sayPurchase(purchase, units)}`
        : row.product
      : capital(sayPurchase(purchase, units)),
    ...boughtIn(purchase.quantity, purchase.unit, units),
    // The price of one is of what is bought alone; where there are several kinds only the calculator knows.
    unitPrice: purchases.length === 1 && job.firm.sees.prices ? row.unit_price : null,
    price: job.firm.sees.prices ? (purchase.price ?? null) : null,
    supplier: row.supplier,
    trade: row.trade ?? (row.phase ? phaseFacts(row.phase).trade : null),
    area: row.area_name,
    needBy: plan && task && task.state !== 'done' ? dayOfSlot(plan.origin, task.start) : null,
  }));
}

/** What the kept calculations of each line of scope buy, in hundredths; null where a price is not known. */
export const boughtForLines = ofJob((job): ReadonlyMap<string, number | null> => {
  const { units } = jobRow(job);
  const sums = new Map<string, number | null>();
  for (const row of calculationRows(job)) {
    if (row.scope_item === null) continue;
    const purchases = purchasesOf(job).get(row.id) ?? [];
    const prices = purchases.map((purchase) =>
      purchases.length === 1 && row.unit_price !== null
        ? roundMoney(
            row.unit_price * boughtIn(purchase.quantity, purchase.unit, units).quantity,
            currencyOfFirm(job.firm),
          )
        : (purchase.price ?? null),
    );
    const before = sums.get(row.scope_item);
    sums.set(row.scope_item, [before === undefined ? 0 : before, ...prices].reduce(added, 0));
  }
  return sums;
});

/** What is not known stays unknown, whatever is added. */
const added = (sum: number | null, price: number | null): number | null =>
  sum === null || price === null ? null : sum + price;

export function materialsView(job: JobReading): MaterialsView {
  const lines = materialsList(
    calculationRows(job).flatMap((row) => neededBy(job, row)),
    currencyOfFirm(job.firm),
  );
  const calculations = calculationsOf(job);
  const { price, unpriced } = materialsTotal(lines);
  return {
    job: jobHead(job),
    currency: currencyOfFirm(job.firm),
    today: job.firm.today,
    lines,
    total: job.firm.sees.prices ? price : null,
    unpriced: job.firm.sees.prices ? unpriced : 0,
    calculations,
    counts: scopeCounts(job),
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
export const benchView = (firm: FirmReading): BenchView => ({
  today: firm.today,
  jobs: firm.jobs.map((id) => {
    const job = firm.job(id);
    const { name, units } = jobRow(job);
    const lines = groupBy(scopeOf(job), (line) => line.areaId);
    return {
      id,
      name,
      units,
      areas: areasUpward(job).map((area) => ({
        id: area.id,
        name: area.name,
        measures: measuresIn(job, area.id),
        phases: phasesOf(job).get(area.id) ?? [],
        lines: (lines.get(area.id) ?? []).map((line) => ({ id: line.id, text: `${line.verb} ${line.subject}` })),
      })),
    };
  }),
});
