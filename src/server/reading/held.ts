import { damageOver, heldAgainst, type Held } from '@/core/money/held';
import { groupBy } from '@/core/group-by';
import { sum } from '@/core/units/rounding';
import type { Rows } from '../database/rows';
import { goodsOf } from './goods';
import { currencyOfFirm } from './money';
import { ofJob, type JobReading } from './reading';
import { changeLineRows, changeRows } from './scope';

/** Changes that were not declined, by the assumption or the finding they came from; the first made first. */
export const changesFrom = ofJob((job) => {
  const live = changeRows(job)
    .filter(({ state }) => state !== 'declined')
    .reverse();
  return {
    assumption: groupBy(live, (row) => row.assumption ?? ''),
    finding: groupBy(live, (row) => row.finding ?? ''),
  };
});

/** The lines in which changes hold something of a finding already. */
function heldLines(job: JobReading, finding: string) {
  const changes = new Set((changesFrom(job).finding.get(finding) ?? []).map(({ id }) => id));
  return changeLineRows(job).filter((line) => changes.has(line.change_order));
}

type Finding = Pick<Rows['finding'], 'id' | 'found' | 'allowed' | 'quantity' | 'unit_price'>;

/** How much of a damage is above what the price and its changes hold; null while nobody has opened it. */
export const damageHeld = (job: JobReading, finding: Finding): number | null =>
  finding.found === null
    ? null
    : damageOver({ ...finding, found: finding.found }, sum(heldLines(job, finding.id).map(({ quantity }) => quantity)));

/** An allowance against what is chosen for it and what changes hold of the difference. */
export const allowanceHeld = (job: JobReading, { id, quantity, unit_price }: Finding): Held =>
  heldAgainst(
    { quantity, unitPrice: unit_price },
    goodsOf(job).filter(({ allowance }) => allowance === id),
    heldLines(job, id).map((line) => ({ quantity: line.quantity, unitPrice: line.unit_price ?? 0 })),
    currencyOfFirm(job.firm),
  );
