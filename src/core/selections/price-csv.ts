import { readCsv, type CsvProblem } from '../csv';
import { isRefused, leadCells, priceCell } from './csv-cells';

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
  const { rows, problems } = readCsv<PriceLine>(text, {
    columns: { code: true, name: false, unit: false, price: false, 'lead low': false, 'lead high': false },
    read: (cells, line) => {
      const code = cells['code'] ?? '';
      if (code === '' || code.length > 40)
        return { column: 'code', message: code ? 'at most 40 characters.' : 'the code is missing.' };
      const before = first.get(code.toLowerCase());
      if (before !== undefined)
        return { column: 'code', message: `${code} stands on line ${before} already; which of the two holds?` };
      const unitPrice = priceCell('price', cells['price'] ?? '');
      if (isRefused(unitPrice)) return unitPrice;
      const lead = leadCells(cells);
      if (isRefused(lead)) return lead;
      first.set(code.toLowerCase(), line);
      return {
        code,
        name: (cells['name'] ?? '').slice(0, 120),
        unit: (cells['unit'] ?? '').slice(0, 20),
        ...lead,
        ...(unitPrice === null ? {} : { unitPrice }),
      };
    },
  });
  return { lines: rows, problems };
}
