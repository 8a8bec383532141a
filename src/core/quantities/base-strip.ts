import { answer, refuse } from '../problem';
import { ceil, floor } from '../units/rounding';
import { give, length, main, optional, SHEET_SIDE } from './ask';
import { calculator } from './calculator';

/** A strip along the foot of a wall, ripped from sheets. */
export const baseStrip = calculator({
  name: 'base-strip',
  title: 'Strips ripped from sheets',
  group: 'inside',
  answers: 'How many sheets give strips for a length of wall.',
  asks: {
    length: length('length of wall', { drawn: ['skirting', 'perimeter', 'width'] }),
    stripHeight: length('strip height'),
    sheetWidth: length('sheet width', { usual: SHEET_SIDE }),
    sheetLength: length('sheet length', { usual: SHEET_SIDE }),
    kerf: optional(length('saw cut', { zero: true, hint: 'what the saw takes between two strips' })),
  },
  gives: { stripsPerSheet: give('count', 'strips from one sheet'), sheets: give('count', 'sheets', main) },
  formula:
    'strips = floor((sheet width + cut) / (strip height + cut)); sheets = ceil(length / (strips · sheet length))',
  source: 'Strips are ripped along the sheet’s length.',
  example: { length: 14200, stripHeight: 400, sheetWidth: 1220, sheetLength: 2440, kerf: 3 },
  compute: ({ length: run, stripHeight, sheetWidth, sheetLength, kerf = 0 }) => {
    const stripsPerSheet = floor((sheetWidth + kerf) / (stripHeight + kerf));
    if (stripsPerSheet < 1)
      return refuse({
        code: 'strip-too-wide',
        message: 'strip height: a strip wider than the sheet cannot be ripped from it',
        field: 'stripHeight',
      });
    return answer({ stripsPerSheet, sheets: ceil(run / (stripsPerSheet * sheetLength)) });
  },
  buys: ({ sheets: quantity }, { sheetWidth, sheetLength }) => [
    { what: 'sheets', size: [sheetWidth, sheetLength], use: 'for strips', quantity, unit: 'sheets' },
  ],
});
