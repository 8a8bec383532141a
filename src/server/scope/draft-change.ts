import type { DraftSource } from '@/contract/commands/changes';
import {
  draftOfAllowance,
  draftOfAssumption,
  draftOfDamage,
  type ChangeDraft,
  type DraftLine,
} from '@/core/money/change-draft';
import { heldAgainst } from '@/core/money/allowance';
import { formatMoney } from '@/core/units/money';
import { currencyIn } from '../currency';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { goodsOf } from '../reading/goods';
import { readJob } from '../reading/reading';
import { uuid } from '../database/id';
import { requireRow, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';

interface Drafted extends Omit<ChangeDraft, 'line'> {
  job: string;
  lines: (DraftLine & { id: string; area: string })[];
  markup: undefined;
  taxRate: undefined;
}

type Live = Pick<Rows['change_order'], 'id' | 'number' | 'state'>;

/** Changes that came from the same and were not declined. */
const liveFrom = ({ db }: CommandContext, of: DraftSource, id: string): Live[] =>
  queryAll<Live>(
    db,
    `SELECT id, number, state FROM change_order WHERE ${of} = @id AND state <> 'declined' ORDER BY number`,
    { id },
  );

const heldAlready = (live: readonly Live[], rest = ''): Error =>
  unprocessable(
    'drafted-already',
    `${live.map(({ number }) => `Change ${number}`).join(' and ')} ${live.length > 1 ? 'hold' : 'holds'} it already${rest}.`,
    'from',
  );

/** What a change would say that comes from this; a refusal where nothing of it is left for a change. */
export function draftFrom(context: CommandContext, of: DraftSource, id: string): Drafted {
  const { job, area, draft } = of === 'assumption' ? fromAssumption(context, id) : fromFinding(context, id);
  const { line, ...rest } = draft;
  return { ...rest, job, lines: [{ ...line, id: uuid(), area }], markup: undefined, taxRate: undefined };
}

interface From {
  job: string;
  area: string;
  draft: ChangeDraft;
}

function fromAssumption(context: CommandContext, id: string): From {
  const row = requireRow(context, 'assumption', id, 'from');
  if (row.state !== 'wrong')
    throw unprocessable('not-wrong', 'Only an assumption that was found wrong becomes a change.', 'from');
  const live = liveFrom(context, 'assumption', id);
  if (live.length > 0) throw heldAlready(live);
  return {
    job: row.job,
    area: row.area,
    draft: draftOfAssumption({
      text: row.text,
      found: row.found,
      fallback: row.fallback,
      trade: row.fallback_trade,
      halfDays: row.fallback_half_days,
      price: row.fallback_price,
      phase: row.phase,
    }),
  };
}

/** An area for what concerns the whole job: the first that was set out. */
function anyAreaOf({ db }: CommandContext, job: string): string {
  const first = queryOne<{ id: string }>(db, 'SELECT id FROM area WHERE job = @job ORDER BY position', { job });
  if (!first) throw unprocessable('no-area', 'This job has no area yet; set one out first.', 'from');
  return first.id;
}

function fromFinding(context: CommandContext, id: string): From {
  const row = requireRow(context, 'finding', id, 'from');
  const where = { job: row.job, area: row.area ?? anyAreaOf(context, row.job) };
  if (row.kind === 'damage') {
    if (row.found === null) throw unprocessable('not-found-yet', 'Say first how much of it was found.', 'from');
    const live = liveFrom(context, 'finding', id);
    const held = queryOne<{ quantity: number | null }>(
      context.db,
      `SELECT sum(quantity) AS quantity
        FROM change_line
        JOIN change_order ON change_order.id = change_order
        WHERE finding = @id AND state <> 'declined'`,
      { id },
    );
    const allowed = (row.allowed ?? row.quantity ?? 0) + (held?.quantity ?? 0);
    const draft = draftOfDamage({
      subject: row.subject,
      unit: row.unit,
      allowed,
      found: row.found,
      unitPrice: row.unit_price,
    });
    if (draft) return { ...where, draft };
    throw live.length > 0
      ? heldAlready(live)
      : unprocessable('as-allowed', 'As much was found as was allowed for; there is nothing to change.', 'from');
  }
  if (row.kind === 'allowance') return { ...where, draft: allowanceDraft(context, row) };
  throw unprocessable('no-money-in-it', 'Only damage and allowances are held against the price.', 'from');
}

function allowanceDraft(context: CommandContext, row: Rows['finding']): ChangeDraft {
  const currency = currencyIn(context.db);
  const chosen = goodsOf(readJob(context.installation, row.job)).filter(({ allowance }) => allowance === row.id);
  const inChanges = queryAll<{ quantity: number; unit_price: number | null }>(
    context.db,
    `SELECT quantity, unit_price
      FROM change_line
      JOIN change_order ON change_order.id = change_order
      WHERE finding = @id AND state <> 'declined'`,
    { id: row.id },
  );
  const held = heldAgainst(
    { quantity: row.quantity, unitPrice: row.unit_price },
    chosen,
    inChanges.map((line) => ({ quantity: line.quantity, unitPrice: line.unit_price ?? 0 })),
    currency,
  );
  if (held.allowed === null)
    throw unprocessable('no-sum', 'What is allowed has no price yet; give the allowance one.', 'from');
  if (held.chosen === null)
    throw unprocessable('not-chosen', 'Nothing with a price is chosen for this allowance yet.', 'from');
  const draft = draftOfAllowance({
    subject: row.subject,
    over: held.open,
    words:
      `Chosen for ${formatMoney(held.chosen, currency)}, ${formatMoney(held.allowed, currency)} was allowed for, ` +
      'before overhead and tax',
  });
  if (draft) return draft;
  const live = liveFrom(context, 'finding', row.id);
  throw live.length > 0
    ? heldAlready(live)
    : unprocessable('as-allowed', 'What was chosen costs what was allowed for; there is nothing to change.', 'from');
}
