import { refuseCell } from './csv';
import { eitherOf, plainSigns, readNumber } from './units/number';
import { readQuantity } from './units/quantity';

/** Cells that several lists have in common. Each gives what was meant or refuses the line with what would be right. */

/** An area of the job by its name, in any case. */
export function areaCell<Area>(typed: string, named: ReadonlyMap<string, Area>): Area {
  return named.get(typed.toLowerCase()) ?? refuseCell('area', `there is no area “${typed}” in this job.`);
}

/** Words that must be there, or may be empty where nothing says that they are missing. */
export function wordsCell(column: string, typed: string, most: number, missing?: string): string {
  if (typed === '' && missing !== undefined) return refuseCell(column, missing);
  return typed.length > most ? refuseCell(column, `at most ${most} characters.`) : typed;
}

/** One of these; `named` gives its words in another tongue of the trade, where it has one. */
export function choiceCell<Choice extends string>(
  column: string,
  typed: string,
  choices: readonly Choice[],
  named?: Readonly<Record<Choice, string>>,
): Choice {
  const wanted = typed.toLowerCase();
  return (
    choices.find((choice) => choice === wanted || named?.[choice].toLowerCase() === wanted) ??
    refuseCell(column, `“${typed}” is none of: ${choices.join(', ')}.`)
  );
}

/** A number as people write it. Where a comma can be a thousand or a decimal mark, the line is asked back. */
export function numberCell(column: string, typed: string): number {
  const read = readNumber(plainSigns(typed));
  if (read && 'ambiguous' in read) return refuseCell(column, eitherOf(typed, read.ambiguous));
  return read?.value ?? Number.NaN;
}

/** How much, with its unit; undefined where the cell is empty. */
export function quantityCell(typed: string, unit: string): number | undefined {
  if (typed === '') return undefined;
  const quantity = numberCell('quantity', typed);
  if (!(quantity > 0 && quantity <= 100_000)) refuseCell('quantity', `“${typed}” is no quantity; a number over 0.`);
  if (unit === '') refuseCell('unit', 'a quantity needs its unit, like m, m² or pieces.');
  return quantity;
}

/** A whole number from 1; 1 where the cell is empty. @param words what it is, for the refusal */
export function countCell(column: string, typed: string, most: number, words: string): number {
  const read = readQuantity('count', typed || '1', 'imperial');
  const count = read.ok ? read.value : Number.NaN;
  return Number.isInteger(count) && count >= 1 && count <= most
    ? count
    : refuseCell(column, `“${typed}” is no ${words}`);
}

/** A sum as people type it, in minor units; undefined where the cell is empty. */
export function priceCell(column: string, typed: string): number | undefined {
  if (typed === '') return undefined;
  const price = readQuantity('money', typed, 'metric');
  return price.ok
    ? price.value
    : refuseCell(
        column,
        price.problem.code === 'money-asked' ? price.problem.message : `“${typed}” is no price; a sum like 12.50.`,
      );
}

/** Whole days; undefined where the cell is empty. */
function daysCell(column: string, typed: string): number | undefined {
  if (typed === '') return undefined;
  const days = Number(typed);
  return Number.isInteger(days) && days >= 0 && days <= 730
    ? days
    : refuseCell(column, `“${typed}” is no number of days; a whole number from 0 to 730.`);
}

/** A lead time as a range: one cell alone says both ends. */
export function leadCells(low: string, high: string): { leadLow: number; leadHigh: number } {
  const [shortest, longest] = [daysCell('lead low', low), daysCell('lead high', high)];
  if (shortest === undefined && longest === undefined)
    return refuseCell('lead high', 'the days it takes to come are missing.');
  const range = { leadLow: shortest ?? longest ?? 0, leadHigh: longest ?? shortest ?? 0 };
  return range.leadLow > range.leadHigh
    ? refuseCell(
        'lead low',
        `the range is the wrong way round: ${range.leadLow} to ${range.leadHigh} days; the shorter one first.`,
      )
    : range;
}
