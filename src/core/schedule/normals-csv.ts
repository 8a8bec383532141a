import { readCsv, refuseCell, type CsvProblem } from '../csv';
import { numberCell } from '../csv-cells';
import { MONTHS } from '../units/date-words';

/** Half-days in a month that are usually too wet, too windy, too cold for work outside; days of a weather record will do. */
export interface MonthNormal {
  month: number;
  wet: number;
  windy: number;
  frosty: number;
}

/** Reads usual weather by month: `month,wet,windy,frosty`, the month by its number or name, days of the month on which it is so. */
export const readNormals = (text: string): { rows: MonthNormal[]; problems: CsvProblem[] } => {
  const seen = new Set<number>();
  return readCsv<MonthNormal, 'month' | 'wet' | 'windy' | 'frosty'>(text, {
    columns: { month: true, wet: true, windy: false, frosty: false },
    read: (cells) => {
      const month = monthOf(cells.month);
      if (seen.has(month)) refuseCell('month', 'this month is in the list already.');
      seen.add(month);
      return {
        month,
        wet: daysOf('wet', cells.wet),
        windy: daysOf('windy', cells.windy),
        frosty: daysOf('frosty', cells.frosty),
      };
    },
  });
};

function monthOf(typed: string): number {
  const named = MONTHS.findIndex((name) => typed.length >= 3 && name.toLowerCase().startsWith(typed.toLowerCase()));
  const number = named >= 0 ? named + 1 : Number(typed);
  return Number.isInteger(number) && number >= 1 && number <= 12
    ? number
    : refuseCell('month', `“${typed}” is no month; write 1 to 12 or January to December.`);
}

function daysOf(column: string, typed: string): number {
  const days = typed === '' ? 0 : numberCell(column, typed);
  return days >= 0 && days <= 31 ? days : refuseCell(column, 'days of a month are 0 to 31.');
}
