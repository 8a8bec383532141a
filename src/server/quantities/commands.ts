import type { InferType } from 'yup';
import { changeCalculation, keepCalculation } from '@/contract/commands/quantities';
import type { Measure } from '@/core/layout/measures';
import { recalculate, type Calculated } from '@/core/scope/feed';
import { insert, orNull, update, type Values } from '../database/query';
import { handler, need, needVersion, type Handler, type Visit } from '../door/handler';
import { Refusal } from '../door/refusal';
import { measuresIn } from '../layout/read-layout';

type Kept = InferType<typeof keepCalculation.schema>;

/** Runs it as it will be kept; what the calculator refuses is refused beside its input. */
function computed(visit: Visit, area: string, kept: Pick<Kept, 'calculator' | 'input' | 'fed'>): Calculated {
  const outcome = recalculate(
    { calculator: kept.calculator, input: kept.input, fed: kept.fed as Record<string, Measure> },
    measuresIn(visit.db, area),
  );
  if (!outcome.ok)
    throw new Refusal(422, {
      ...outcome.problem,
      ...(outcome.problem.field ? { field: `input.${outcome.problem.field}` } : {}),
    });
  return outcome.value;
}

function values(visit: Visit, area: { id: string; job: string }, kept: Omit<Kept, 'id' | 'area'>): Values {
  if (kept.scopeItem) {
    const item = need<{ area: string }>(visit, 'scope_item', kept.scopeItem, 'scopeItem');
    if (item.area !== area.id)
      throw new Refusal(422, {
        code: 'line-elsewhere',
        message: 'This line of scope belongs to another area.',
        field: 'scopeItem',
      });
  }
  const { input, output, purchases } = computed(visit, area.id, kept);
  return {
    scope_item: orNull(kept.scopeItem),
    calculator: kept.calculator,
    product: kept.product,
    input: JSON.stringify(input),
    fed: JSON.stringify(kept.fed),
    output: JSON.stringify(output),
    purchases: JSON.stringify(purchases),
    problem: null,
    unit_price: orNull(kept.unitPrice),
    supplier: kept.supplier,
    trade: orNull(kept.trade),
    phase: orNull(kept.phase),
  };
}

export const quantityHandlers: Handler[] = [
  handler(keepCalculation, (visit, { id, area, ...kept }) => {
    const row = need<{ id: string; job: string }>(visit, 'area', area, 'area');
    insert(visit.db, 'calculation', { id, job: row.job, area, ...values(visit, row, kept) });
    visit.touches(row.job);
  }),
  handler(changeCalculation, (visit, { id, version, ...kept }) => {
    const row = needVersion<{ version: number; job: string; area: string }>(visit, 'calculation', id, version);
    update(visit.db, 'calculation', id, values(visit, { id: row.area, job: row.job }, kept));
    visit.touches(row.job);
  }),
];
