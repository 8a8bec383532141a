import type { InferType } from 'yup';
import { keepCalculation } from '@/contract/commands/quantities';
import type { Measure } from '@/core/layout/measures';
import { recalculate, type Calculated } from '@/core/scope/feed';
import { insert, orNull, update } from '../database/query';
import { handlers, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { Refusal } from '../refusal';
import { measuresNow } from '../reading/layouts';
import { unseenPrices } from '../rights/sees';

type Kept = InferType<typeof keepCalculation.schema>;

/** Runs it as it will be kept; what the calculator refuses is refused beside its input. */
function computed(
  context: CommandContext,
  area: { id: string; job: string },
  kept: Pick<Kept, 'calculator' | 'input' | 'fed'>,
): Calculated {
  const outcome = recalculate(
    { calculator: kept.calculator, input: kept.input, fed: kept.fed as Record<string, Measure> },
    measuresNow(context.installation, area.id),
    requireRow(context, 'job', area.job, 'job').units,
  );
  if (!outcome.ok)
    throw new Refusal(422, {
      ...outcome.problem,
      ...(outcome.problem.field ? { field: `input.${outcome.problem.field}` } : {}),
    });
  return outcome.value;
}

function values(context: CommandContext, area: { id: string; job: string }, kept: Omit<Kept, 'id' | 'area'>) {
  if (kept.scopeItem) {
    const item = requireRow(context, 'scope_item', kept.scopeItem, 'scopeItem');
    if (item.area !== area.id)
      throw new Refusal(422, {
        code: 'line-elsewhere',
        message: 'This line of scope belongs to another area.',
        field: 'scopeItem',
      });
  }
  const { input, output, purchases } = computed(context, area, kept);
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

export const quantityHandlers = handlers({
  'calculation.keep': (context, { id, area, ...kept }) => {
    const row = requireRow(context, 'area', area, 'area');
    insert(context.db, 'calculation', { id, job: row.job, area, ...values(context, row, kept) });
    context.logFor(row.job);
  },
  'calculation.change': (context, { id, version, ...kept }) => {
    const row = requireVersion(context, 'calculation', id, version);
    update(context.db, 'calculation', id, {
      ...values(context, { id: row.area, job: row.job }, kept),
      ...unseenPrices(context, row, 'unit_price'),
    });
    context.logFor(row.job);
  },
});
