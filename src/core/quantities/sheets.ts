import { answer } from '../problem';
import { ceil, squareMetres } from '../units/rounding';
import { OF_WALLS, area, give, length, main, waste, SHEET_SIDE } from './ask';
import { calculator } from './calculator';

/** Board, sheathing, underlay by the sheet. */
export const sheets = calculator({
  name: 'sheets',
  title: 'Sheets',
  group: 'inside',
  answers: 'How many sheets cover an area.',
  asks: {
    area: area('area to cover', { drawn: OF_WALLS }),
    sheetWidth: length('sheet width', { usual: SHEET_SIDE }),
    sheetLength: length('sheet length', { usual: SHEET_SIDE }),
    waste: waste(),
  },
  gives: { sheets: give('count', 'sheets', main) },
  formula: 'ceil(area · (1 + waste) / (sheet width · sheet length))',
  source: 'Arithmetic; 10 % is usual, more where much is cut.',
  example: { area: 48.2, sheetWidth: 1200, sheetLength: 2400, waste: 0.1 },
  compute: ({ area: covered, sheetWidth, sheetLength, waste: part }) =>
    answer({ sheets: ceil((covered * (1 + part)) / squareMetres(sheetWidth, sheetLength)) }),
  buys: (output, { sheetWidth, sheetLength }) => [
    {
      what: 'sheets',
      size: [sheetWidth, sheetLength],
      quantity: output.sheets,
      unit: 'sheets',
    },
  ],
});
