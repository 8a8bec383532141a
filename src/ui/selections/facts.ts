import type { changeSelection } from '@/contract/commands/selections';
import type { PayloadOf } from '@/contract/command';
import type { SelectionView } from '@/contract/views/selections';

type Payload = PayloadOf<typeof changeSelection>;

/** A selection as the command that changes it wants it: the same facts, what is not known left out. */
export function factsOf(item: SelectionView): Payload {
  const {
    id,
    version,
    phase,
    category,
    choice,
    code,
    colour,
    finish,
    unit,
    supplier,
    leadLow,
    leadHigh,
    decides,
    approves,
    checkDays,
    acclimatiseDays,
    bufferDays,
    thinkDays,
    note,
  } = item;
  return {
    id,
    version,
    phase,
    category,
    choice,
    code,
    colour,
    finish,
    unit,
    supplier,
    leadLow,
    leadHigh,
    decides,
    approves,
    checkDays,
    acclimatiseDays,
    bufferDays,
    thinkDays,
    note,
    codeMeant: false,
    ...(item.quantity === null ? {} : { quantity: item.quantity }),
    ...(item.calculation === null ? {} : { calculation: item.calculation }),
    ...(item.unitPrice === null ? {} : { unitPrice: item.unitPrice }),
    ...(item.picture === null ? {} : { picture: item.picture }),
  };
}
