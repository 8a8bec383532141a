import type { Against, AllowanceView, MoneyView, PaymentStepView } from '@/contract/views/money';
import { damageInPrice } from '@/core/money/held';
import { costsSoFar } from '@/core/money/glance';
import { paymentAmounts, type PaymentDue } from '@/core/money/payments';
import { lineNet } from '@/core/money/price';
import { SPENDING_KINDS, type SpendingKind } from '@/core/money/spending';
import { groupBy } from '@/core/group-by';
import { taskId } from '@/core/sequence/site';
import { lastDay } from '@/core/units/slot';
import { dayIn } from '@/core/units/zone';
import type { Day } from '@/core/units/day';
import { sum } from '@/core/units/rounding';
import { capital } from '@/core/words/letters';
import { daysOf } from '@/core/words/count';
import { goodsOf } from '../reading/goods';
import { allowanceHeld, changesFrom, damageHeld } from '../reading/held';
import { areaNames, jobRow } from '../reading/job';
import { currencyOfFirm, paymentRows, paymentSteps, priceTerms, spendingRows } from '../reading/money';
import { liveOrders, ordersOf } from '../reading/purchasing';
import { finishDay, planOf, tasksOf } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { assumptionRows, findingRows, scopeRows } from '../reading/scope';
import { statementRows } from '../reading/statements';
import { workDoneOf } from '../reading/weights';
import { whenSeen } from '../words';
import { changePrice, liveChanges } from './changes';
import { estimateOf } from './estimate';
import { jobHead } from './job-head';
import { choosable } from './scope';
import { findingsOf, scopeCounts } from './scope-parts';
import { contentOf } from './statement';
import { dueWords } from './statement-prices';

type Change = ReturnType<typeof liveChanges>[number];

const shown = (rows: readonly Pick<Change, 'number' | 'state'>[] = []): Against['changes'] =>
  rows.map(({ number, state }) => ({ number, state: state === 'sent' ? 'asked' : state }));

/** Assumptions that were wrong: what follows from them is paid by a change, or by nobody. */
const wrongAssumptions = (job: JobReading): Against[] =>
  assumptionRows(job)
    .filter(({ state }) => state === 'wrong')
    .map((row) => {
      const changes = changesFrom(job).assumption.get(row.id);
      return {
        id: row.id,
        of: 'assumption',
        text: placed(job, row.area, row.fallback),
        note: `“${row.text}” was wrong${row.found ? `: ${row.found}` : ''}; ${daysOf(row.fallback_half_days)} more`,
        open: changes ? 0 : row.fallback_price > 0 ? row.fallback_price : null,
        changes: shown(changes),
        draftable: !changes,
      };
    });

/** What open assumptions would cost; where nobody said how sure they are, it may be either way. */
function riskOf(job: JobReading): MoneyView['risk'] {
  const open = assumptionRows(job).filter(({ state, fallback_price }) => state === 'open' && fallback_price > 0);
  return {
    open: open.length,
    most: sum(open.map((row) => row.fallback_price)),
    likely: Math.round(sum(open.map((row) => row.fallback_price * (1 - (row.sure ?? 50) / 100)))),
  };
}

/** Damage that was measured once it was opened, against what the price allows for. */
const damageFound = (job: JobReading): Against[] =>
  findingRows(job).flatMap((row) => {
    const over = row.kind === 'damage' ? damageHeld(job, row) : null;
    if (over === null) return [];
    const { id, found, unit, unit_price, found_by } = row;
    return [
      {
        id,
        of: 'finding' as const,
        text: placed(job, row.area, row.subject),
        note:
          `found ${found ?? 0} ${unit}, ${damageInPrice(row)} ${unit} allowed for` +
          (found_by ? `; seen by ${found_by}` : ''),
        open:
          over === 0
            ? 0
            : unit_price === null
              ? null
              : lineNet({ quantity: over, unitPrice: unit_price }, currencyOfFirm(job.firm)),
        changes: shown(changesFrom(job).finding.get(id)),
        draftable: over !== 0,
      },
    ];
  });

/** A thing with the room it is in, where it is in one. */
const placed = (job: JobReading, area: string | null, text: string): string =>
  [area === null ? '' : (areaNames(job).get(area) ?? ''), text].filter(Boolean).join(': ');

function allowanceViews(job: JobReading): AllowanceView[] {
  const goods = groupBy(goodsOf(job), (item) => item.allowance ?? '');
  const texts = new Map(findingsOf(job).map(({ id, text }) => [id, text]));
  return findingRows(job)
    .filter(({ kind }) => kind === 'allowance')
    .map((row) => ({
      ...allowanceHeld(job, row),
      id: row.id,
      text: placed(job, row.area, texts.get(row.id) ?? row.subject),
      choices: (goods.get(row.id) ?? []).map(({ id, category, choice, area, price, open }) => ({
        id,
        text: `${category}${choice ? `, ${choice}` : ''}, ${area}`,
        price,
        open,
      })),
      changes: shown(changesFrom(job).finding.get(row.id)),
    }));
}

/** Chosen things that cost something, and that neither a line of scope nor an allowance pays for. */
function unpaidGoods(job: JobReading): MoneyView['unpaid'] {
  const named = new Set(scopeRows(job).flatMap(({ selection }) => selection ?? []));
  return goodsOf(job).flatMap(({ id, open, price, allowance, category, area }) =>
    open || price === null || price === 0 || allowance !== null || named.has(id)
      ? []
      : [{ id, text: `${category}, ${area}`, price }],
  );
}

/** The day on which a part of the price is due: known, or by today's plan. */
function dueOn(job: JobReading, due: PaymentDue, agreedOn: Day | null): Day | null {
  switch (due.kind) {
    case 'agreed':
      return agreedOn;
    case 'begun':
      return jobRow(job).start_day;
    case 'finished':
      return finishDay(job);
    case 'day':
      return due.day;
    case 'step': {
      const [plan, task] = [planOf(job), tasksOf(job).get(taskId(due.area, due.phase))];
      return plan && task ? lastDay(plan.origin, task.finish) : null;
    }
  }
}

/** Whether it is due now: its day has come, or its step is done. */
function isDue(job: JobReading, due: PaymentDue, on: Day | null): boolean {
  const come = on !== null && on <= job.firm.today;
  switch (due.kind) {
    case 'step':
      return tasksOf(job).get(taskId(due.area, due.phase))?.state === 'done';
    case 'begun':
      return come && ['active', 'completing', 'closed'].includes(jobRow(job).state);
    case 'finished':
      return jobRow(job).state === 'closed';
    default:
      return come;
  }
}

function paymentViews(job: JobReading, total: number | null, agreedOn: Day | null): MoneyView['payments'] {
  const steps = paymentSteps(job);
  const amounts = paymentAmounts(steps, total, priceTerms(job).currency);
  const views = steps.map(({ id, text, share, due }, at): PaymentStepView => {
    const on = dueOn(job, due, agreedOn);
    return {
      id,
      text,
      share,
      due,
      when: capital(dueWords(job, due)),
      on,
      amount: total !== null && amounts.ok ? (amounts.value[at] ?? 0) : null,
      // Before a price is agreed nobody owes any of it.
      isDue: agreedOn !== null && isDue(job, due, on),
    };
  });
  const received = sum(paymentRows(job).map(({ amount }) => amount));
  return {
    steps: views,
    problem: amounts.ok ? null : amounts.problem.message,
    due: sum(views.map((step) => (step.isDue ? (step.amount ?? 0) : 0))) - received,
    received,
  };
}

/** What the client agreed to last that had a price. */
function agreedOf(job: JobReading) {
  const row = statementRows(job).find((version) => version.state === 'agreed' && contentOf(version).sums !== null);
  const sums = row && contentOf(row).sums;
  return row && sums ? { row, sums } : undefined;
}

/** What is planned to be spent: goods and allowances, and the work with what changes brought. */
function plannedOf(job: JobReading): { material: number; work: number } {
  const { entries } = estimateOf(job);
  const inPrice = entries.filter(({ conditional }) => !conditional);
  const approved = liveChanges(job).filter(({ state }) => state === 'approved');
  const material = sum(inPrice.map((entry) => (entry.kind === 'allowance' ? entry.net : entry.material)));
  return {
    material,
    work: sum(inPrice.map(({ net }) => net)) - material + sum(approved.map((row) => changePrice(job, row).net)),
  };
}

/** Ordered and not paid for yet: by purchase orders, and goods ordered without one that no spending has paid for. */
function onOrder(job: JobReading): number {
  const settled = new Set([
    ...spendingRows(job).flatMap(({ selection }) => selection ?? []),
    ...liveOrders(job).flatMap(({ lines }) => lines.flatMap(({ row }) => row.selection ?? [])),
  ]);
  return (
    sum(goodsOf(job).map(({ id, ordered, price }) => (ordered && !settled.has(id) ? (price ?? 0) : 0))) +
    sum(liveOrders(job).map(({ toPay }) => toPay))
  );
}

/** What was spent of each kind: suppliers' bills are goods. */
const spentOf = (job: JobReading): Record<SpendingKind, number> => {
  const bills = sum(liveOrders(job).map(({ billed }) => billed));
  return Object.fromEntries(
    SPENDING_KINDS.map((kind) => [
      kind,
      sum(spendingRows(job).map((row) => (row.kind === kind ? row.amount : 0))) + (kind === 'material' ? bills : 0),
    ]),
  ) as Record<SpendingKind, number>;
};

/** A job's money at a glance: what is agreed, asked, approved, paid, spent, and what it comes to. */
export function moneyView(job: JobReading): MoneyView {
  const terms = priceTerms(job);
  const estimate = estimateOf(job);
  const agreed = agreedOf(job);
  const changes = liveChanges(job);
  const totals = (state: Change['state']) => {
    const rows = changes.filter((row) => row.state === state);
    return {
      count: rows.length,
      total: sum(rows.map((row) => changePrice(job, row).total)),
      tax: sum(rows.map((row) => changePrice(job, row).tax)),
    };
  };
  const [approved, asked] = [totals('approved'), totals('sent')];
  const { share: done } = workDoneOf(job);
  const costs = costsSoFar({ planned: plannedOf(job), spent: spentOf(job), ordered: onOrder(job), done });
  const income = agreed && agreed.sums.total - agreed.sums.tax + approved.total - approved.tax;
  const total = agreed?.sums.total ?? (estimate.price.net === 0 ? null : estimate.client.total);
  return {
    job: jobHead(job),
    today: job.firm.today,
    counts: scopeCounts(job),
    terms,
    agreed: agreed
      ? {
          number: agreed.row.number,
          total: agreed.sums.total,
          when: agreed.row.agreed_at ? whenSeen(agreed.row.agreed_at, job.firm) : '',
        }
      : null,
    estimated: { total: estimate.client.total, missing: estimate.missing.length },
    changes: { approved, asked, drafts: changes.filter(({ state }) => state === 'draft').length },
    risk: riskOf(job),
    against: [...wrongAssumptions(job), ...damageFound(job)],
    allowances: allowanceViews(job),
    unpaid: unpaidGoods(job),
    goods: goodsOf(job).map(({ id, version, category, area }) => ({ id, version, text: `${category}, ${area}` })),
    costs,
    done,
    expectedProfit: income === undefined ? null : income - sum(SPENDING_KINDS.map((kind) => costs[kind].expected)),
    payments: paymentViews(
      job,
      total,
      agreed?.row.agreed_at ? dayIn(job.firm.zone, new Date(agreed.row.agreed_at)) : null,
    ),
    received: paymentRows(job).map(({ id, day, amount, note }) => ({ id, day, amount, note })),
    spending: spendingRows(job).map(({ id, day, kind, text, area, amount }) => ({
      id,
      day,
      kind,
      text,
      area: area === null ? '' : (areaNames(job).get(area) ?? ''),
      amount,
    })),
    orders: ordersOf(job)
      .filter(({ row }) => row.state !== 'cancelled')
      .map(({ row, total, billed, toPay, bills }) => ({
        id: row.id,
        number: row.number,
        supplier: row.supplier_name,
        state: row.state,
        total,
        billed,
        toPay,
        bills: bills.length,
      })),
    areas: choosable(job).map(({ id, name, phases }) => ({ id, name, phases })),
  };
}
