import { readCsv, writeCsv, type CsvProblem } from '../csv';
import { areaCell, choiceCell, quantityCell, wordsCell } from '../csv-cells';
import { TRADE_KEYS } from '../sequence/trades';
import { STANCE_KEYS, STANCES, type Inclusion } from '../sites/area';
import type { ScopeDraft } from './scope-line';

const COLUMNS = {
  area: true,
  stance: true,
  verb: true,
  subject: true,
  quantity: false,
  unit: false,
  trade: false,
  'depends on': false,
  'kept or with': false,
};
export const SCOPE_CSV_EXAMPLE =
  'area,stance,verb,subject,quantity,unit,trade,depends on,kept or with\nLane face,conditional,strip,the ' +
  'boards,46,m²,roofing,overlay or strip,\nSlate roof,out,repair,the slates,,,,,\n';

/** Reads lines of scope. @param named the job's areas by name in small letters */
export function readScopeCsv(
  text: string,
  named: ReadonlyMap<string, string>,
): { lines: (ScopeDraft & { area: string })[]; problems: CsvProblem[] } {
  const { rows, problems } = readCsv<ScopeDraft & { area: string }, keyof typeof COLUMNS>(text, {
    columns: COLUMNS,
    read: (cells) => {
      const quantity = quantityCell(cells.quantity, cells.unit);
      return {
        area: areaCell(cells.area, named),
        stance: choiceCell('stance', cells.stance, STANCE_KEYS, STANCES),
        verb: wordsCell('verb', cells.verb, 30, 'what happens is missing.'),
        subject: wordsCell('subject', cells.subject, 200, 'to what is missing.'),
        dependsOn: cells['depends on'].slice(0, 200),
        place: cells['kept or with'].slice(0, 120),
        ...(quantity === undefined ? {} : { quantity, unit: cells.unit.slice(0, 20) }),
        ...(cells.trade === '' ? {} : { trade: choiceCell('trade', cells.trade, TRADE_KEYS) }),
      };
    },
  });
  return { lines: rows, problems };
}

export const writeScopeCsv = (
  lines: readonly {
    area: string;
    stance: Inclusion;
    verb: string;
    subject: string;
    quantity: number | null;
    unit: string | null;
    trade: string | null;
    dependsOn: string;
    place: string;
  }[],
): string =>
  writeCsv(
    Object.keys(COLUMNS),
    lines.map((line) => [
      line.area,
      line.stance,
      line.verb,
      line.subject,
      line.quantity,
      line.unit,
      line.trade,
      line.dependsOn,
      line.place,
    ]),
  );
