import { readCsv, refuseCell, writeCsv, type CsvProblem } from '../csv';
import { areaCell, choiceCell, leadCells, priceCell, quantityCell, wordsCell } from '../csv-cells';
import { phaseFacts, type Phase } from '../sequence/phases';
import { DECIDER_KEYS, DECIDERS, stateWords, type Decider } from './states';

const COLUMNS = {
  area: true,
  step: true,
  category: true,
  choice: false,
  code: false,
  colour: false,
  finish: false,
  quantity: false,
  unit: false,
  price: false,
  supplier: false,
  'lead low': false,
  'lead high': false,
  decides: false,
  approves: false,
  note: false,
};
export const SELECTION_CSV_EXAMPLE =
  'area,step,category,choice,code,quantity,unit,supplier,lead low,lead high,decides\n' +
  'Kitchen,cabinets,Handles,Brushed bars,H-128,24,pieces,Quayside Fittings,10,14,client\n';

export interface SelectionDraft {
  area: string;
  phase: Phase;
  category: string;
  choice: string;
  code: string;
  colour: string;
  finish: string;
  quantity?: number;
  unit: string;
  unitPrice?: number;
  supplier: string;
  leadLow: number;
  leadHigh: number;
  decides: Decider;
  approves: string;
  note: string;
}

/** An area of the job as lists name it, with its steps. */
export interface NamedArea {
  id: string;
  name: string;
  phases: readonly Phase[];
}

/** The same thing twice: one category in one area. */
export const selectionKey = (area: string, category: string): string => `${area}|${category.trim().toLowerCase()}`;

/** A step of the area by its key or its name. */
function stepCell(typed: string, area: NamedArea): Phase {
  const step = typed.toLowerCase();
  return (
    area.phases.find((entry) => entry === step || phaseFacts(entry).label.toLowerCase() === step) ??
    refuseCell(
      'step',
      `“${typed}” is no step of ${area.name}; one of: ` +
        `${area.phases.map((entry) => phaseFacts(entry).label).join(', ') || 'none yet'}.`,
    )
  );
}

/** Reads selections. @param there what the job has already, as `selectionKey`s */
export function readSelectionCsv(
  text: string,
  areas: readonly NamedArea[],
  there: ReadonlySet<string>,
): { lines: SelectionDraft[]; problems: CsvProblem[] } {
  const named = new Map(areas.map((area) => [area.name.toLowerCase(), area]));
  const first = new Map<string, number>();
  const { rows, problems } = readCsv<SelectionDraft, keyof typeof COLUMNS>(text, {
    columns: COLUMNS,
    read: (cells, line) => {
      const area = areaCell(cells.area, named);
      const category = wordsCell('category', cells.category, 60, 'what it is is missing.');
      const key = selectionKey(area.id, category);
      const before = first.get(key);
      if (before !== undefined)
        refuseCell('category', `${category} in ${area.name} stands on line ${before} already; one line for each.`);
      if (there.has(key))
        refuseCell('category', `${category} in ${area.name} is in the job already; change it in the table.`);
      const quantity = quantityCell(cells.quantity, cells.unit);
      const unitPrice = priceCell('price', cells.price);
      const draft: SelectionDraft = {
        area: area.id,
        phase: stepCell(cells.step, area),
        category,
        choice: wordsCell('choice', cells.choice, 200),
        code: wordsCell('code', cells.code, 40),
        colour: wordsCell('colour', cells.colour, 60),
        finish: wordsCell('finish', cells.finish, 60),
        unit: wordsCell('unit', cells.unit, 20),
        supplier: wordsCell('supplier', cells.supplier, 80),
        // Two weeks where the list says nothing; the table shows it.
        ...leadCells(cells['lead low'], cells['lead high'] || (cells['lead low'] ? '' : '14')),
        decides: cells.decides === '' ? 'client' : choiceCell('decides', cells.decides, DECIDER_KEYS, DECIDERS),
        approves: wordsCell('approves', cells.approves, 80),
        note: wordsCell('note', cells.note, 300),
        ...(quantity === undefined ? {} : { quantity }),
        ...(unitPrice === undefined ? {} : { unitPrice }),
      };
      first.set(key, line);
      return draft;
    },
  });
  return { lines: rows, problems };
}

type Written = Omit<SelectionDraft, 'phase' | 'quantity' | 'unitPrice'> &
  Parameters<typeof stateWords>[0] & {
    phase: Phase;
    quantity: number | null;
    unitPrice: number | null;
    orderedOn: string | null;
    expectedOn: string | null;
    needBy: string | null;
    orderBy: string | null;
    decideBy: string | null;
  };

/** Selections with their dates; what is read back in are its first columns. @param lines areas by name */
export const writeSelectionCsv = (lines: readonly Written[]): string =>
  writeCsv(
    [...Object.keys(COLUMNS), 'state', 'ordered', 'expected', 'needed by', 'order by', 'decide by'],
    lines.map((line) => [
      line.area,
      phaseFacts(line.phase).label,
      line.category,
      line.choice,
      line.code,
      line.colour,
      line.finish,
      line.quantity,
      line.unit,
      line.unitPrice === null ? null : (line.unitPrice / 100).toFixed(2),
      line.supplier,
      line.leadLow,
      line.leadHigh,
      line.decides,
      line.approves,
      line.note,
      stateWords(line),
      line.orderedOn,
      line.expectedOn,
      line.needBy,
      line.orderBy,
      line.decideBy,
    ]),
  );
