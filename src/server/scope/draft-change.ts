import type { DraftSource } from '@/contract/commands/changes';
import {
  draftOfAllowance,
  draftOfAssumption,
  draftOfDamage,
  type ChangeDraft,
  type DraftLine,
} from '@/core/money/change-draft';
import { damageInPrice } from '@/core/money/held';
import { wholePrice } from '@/core/money/price';
import { formatMoney } from '@/core/units/money';
import { queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { allowanceHeld, changesFrom, damageHeld } from '../reading/held';
import { priceTerms } from '../reading/money';
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

/** That a change holds it already, if one does; else why there is nothing to change. */
function nothingLeft(changes: readonly { number: number }[] = [], code: string, message: string): Error {
  if (changes.length === 0) return unprocessable(code, message, 'from');
  const names = changes.map(({ number }) => `Change ${number}`).join(' and ');
  return unprocessable('drafted-already', `${names} ${changes.length > 1 ? 'hold' : 'holds'} it already.`, 'from');
}

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
  const changes = changesFrom(readJob(context.installation, row.job)).assumption.get(id);
  if (changes) throw nothingLeft(changes, '', '');
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
  const draft =
    row.kind === 'damage'
      ? damageDraft(context, row)
      : row.kind === 'allowance'
        ? allowanceDraft(context, row)
        : undefined;
  if (!draft) throw unprocessable('no-money-in-it', 'Only damage and allowances are held against the price.', 'from');
  return { job: row.job, area: row.area ?? anyAreaOf(context, row.job), draft };
}

function damageDraft(context: CommandContext, row: Rows['finding']): ChangeDraft {
  const job = readJob(context.installation, row.job);
  const over = damageHeld(job, row);
  if (over === null || row.found === null)
    throw unprocessable('not-found-yet', 'Say first how much of it was found.', 'from');
  const draft = draftOfDamage({
    subject: row.subject,
    unit: row.unit,
    inPrice: damageInPrice(row),
    found: row.found,
    over,
    unitPrice: row.unit_price,
  });
  if (draft) return draft;
  const message = 'As much was found as was allowed for; there is nothing to change.';
  throw nothingLeft(changesFrom(job).finding.get(row.id), 'as-allowed', message);
}

function allowanceDraft(context: CommandContext, row: Rows['finding']): ChangeDraft {
  const job = readJob(context.installation, row.job);
  const { allowed, chosen, open } = allowanceHeld(job, row);
  if (allowed === null)
    throw unprocessable('no-sum', 'What is allowed has no price yet; give the allowance one.', 'from');
  if (chosen === null)
    throw unprocessable('not-chosen', 'Nothing with a price is chosen for this allowance yet.', 'from');
  // The client reads why: what it costs the firm is none of theirs.
  const terms = priceTerms(job);
  const said = (net: number): string => formatMoney(wholePrice(net, terms), terms.currency);
  const draft = draftOfAllowance({
    subject: row.subject,
    over: open,
    words: `Chosen for ${said(chosen)}; ${said(allowed)} was allowed for, everything included`,
  });
  if (draft) return draft;
  const message = 'What was chosen costs what was allowed for; there is nothing to change.';
  throw nothingLeft(changesFrom(job).finding.get(row.id), 'as-allowed', message);
}
