import { readCsv, writeCsv, type CsvProblem } from '../csv';
import { phaseFacts, type Phase } from '../sequence/phases';
import { isRefused, leadCells, priceCell } from './csv-cells';
import { DECIDER_KEYS, DECIDERS, type Decider } from './states';

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

const decider = (text: string): Decider | undefined =>
  text === ''
    ? 'client'
    : DECIDER_KEYS.find((key) => key === text.toLowerCase() || DECIDERS[key] === text.toLowerCase());

/** Reads selections. @param there what the job has already, as `selectionKey`s */
export function readSelectionCsv(
  text: string,
  areas: readonly NamedArea[],
  there: ReadonlySet<string>,
): { lines: SelectionDraft[]; problems: CsvProblem[] } {
  const named = new Map(areas.map((area) => [area.name.toLowerCase(), area]));
  const first = new Map<string, number>();
  const { rows, problems } = readCsv<SelectionDraft>(text, {
    columns: COLUMNS,
    read: (cells, line) => {
      const cell = (name: string): string => cells[name] ?? '';
      const area = named.get(cell('area').toLowerCase());
      if (!area) return { column: 'area', message: `there is no area “${cell('area')}” in this job.` };
      const step = cell('step').toLowerCase();
      const phase = area.phases.find((entry) => entry === step || phaseFacts(entry).label.toLowerCase() === step);
      if (!phase)
        return {
          column: 'step',
          message:
            `“${cell('step')}” is no step of ${area.name}; one of: ` +
            `${area.phases.map((entry) => phaseFacts(entry).label).join(', ') || 'none yet'}.`,
        };
      const category = cell('category');
      if (category === '' || category.length > 60)
        return { column: 'category', message: category ? 'at most 60 characters.' : 'what it is is missing.' };
      for (const [name, most] of [
        ['choice', 200],
        ['code', 40],
        ['colour', 60],
        ['finish', 60],
        ['unit', 20],
        ['supplier', 80],
        ['approves', 80],
        ['note', 300],
      ] as const)
        if (cell(name).length > most) return { column: name, message: `at most ${most} characters.` };
      const key = selectionKey(area.id, category);
      const before = first.get(key);
      if (before !== undefined)
        return {
          column: 'category',
          message: `${category} in ${area.name} stands on line ${before} already; one line for each.`,
        };
      if (there.has(key))
        return {
          column: 'category',
          message: `${category} in ${area.name} is in the job already; change it in the table.`,
        };
      const typed = cell('quantity');
      const quantity = typed === '' ? undefined : Number(typed.replace(',', '.'));
      if (quantity !== undefined && !(quantity > 0 && quantity <= 100_000))
        return { column: 'quantity', message: `“${typed}” is no quantity; a number over 0.` };
      if (quantity !== undefined && cell('unit') === '')
        return { column: 'unit', message: 'a quantity needs its unit, like m² or pieces.' };
      const unitPrice = priceCell('price', cell('price'));
      if (isRefused(unitPrice)) return unitPrice;
      const lead = leadCells({
        'lead low': cell('lead low'),
        'lead high': cell('lead high') || (cell('lead low') ? '' : '14'),
      });
      if (isRefused(lead)) return lead;
      const decides = decider(cell('decides'));
      if (!decides)
        return { column: 'decides', message: `“${cell('decides')}” is none of: ${DECIDER_KEYS.join(', ')}.` };
      first.set(key, line);
      return {
        area: area.id,
        phase,
        category,
        choice: cell('choice'),
        code: cell('code'),
        colour: cell('colour'),
        finish: cell('finish'),
        unit: cell('unit'),
        supplier: cell('supplier'),
        ...lead,
        decides,
        approves: cell('approves'),
        note: cell('note'),
        ...(quantity === undefined ? {} : { quantity }),
        ...(unitPrice === null ? {} : { unitPrice }),
      };
    },
  });
  return { lines: rows, problems };
}

type Written = Omit<SelectionDraft, 'phase' | 'quantity' | 'unitPrice'> & {
  phase: Phase;
  quantity: number | null;
  unitPrice: number | null;
  state: string;
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
      line.state,
      line.orderedOn,
      line.expectedOn,
      line.needBy,
      line.orderBy,
      line.decideBy,
    ]),
  );
