import { readCsv, refuseCell, type CsvProblem } from '../csv';
import { leadCells, priceCell, wordsCell } from '../csv-cells';

const COLUMNS = { code: true, name: false, unit: false, price: false, 'lead low': false, 'lead high': false };

export const PRICE_CSV_EXAMPLE = 'code,name,unit,price,lead low,lead high\nH-128,Brushed bar handle,piece,4.20,10,14\n';

/** One line of a supplier's list. */
export interface PriceLine {
  code: string;
  name: string;
  unit: string;
  unitPrice?: number;
  leadLow: number;
  leadHigh: number;
}

/** Reads a supplier's list of prices and lead times. */
export function readPriceCsv(text: string): { lines: PriceLine[]; problems: CsvProblem[] } {
  const first = new Map<string, number>();
  const { rows, problems } = readCsv<PriceLine, keyof typeof COLUMNS>(text, {
    columns: COLUMNS,
    read: (cells, line) => {
      const code = wordsCell('code', cells.code, 40, 'the code is missing.');
      const before = first.get(code.toLowerCase());
      if (before !== undefined) refuseCell('code', `${code} stands on line ${before} already; which of the two holds?`);
      const unitPrice = priceCell('price', cells.price);
      const lead = leadCells(cells['lead low'], cells['lead high']);
      first.set(code.toLowerCase(), line);
      return {
        code,
        name: cells.name.slice(0, 120),
        unit: cells.unit.slice(0, 20),
        ...lead,
        ...(unitPrice === undefined ? {} : { unitPrice }),
      };
    },
  });
  return { lines: rows, problems };
}
