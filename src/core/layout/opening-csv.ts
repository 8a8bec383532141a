import { readCsv, writeCsv, type CsvProblem } from '../csv';
import { parseLength, type LengthSystem } from '../units/length';
import { absurdOpening } from './check-openings';
import { OPENING_KINDS, type Measured, type Opening, type OpeningKind } from './shape';

const COLUMNS = {
  area: true,
  wall: false,
  kind: true,
  name: false,
  width: true,
  height: true,
  sill: false,
  along: false,
  count: false,
};
export const OPENING_CSV_EXAMPLE =
  'area,wall,kind,name,width,height,sill,along,count\nEast gable,1,window,gable light,0.60 m,0.80 m,2.40 m,,1\n' +
  'Workshop,2,door,yard door,0.90 m,2.05 m,,1.10 m,1\n';

export type OpeningDraft = Omit<Opening, 'id'> & { area: string };

const isKind = (text: string): text is OpeningKind => Object.hasOwn(OPENING_KINDS, text);

/**
 * Reads openings with sizes as the job writes them. Whether they fit their walls is asked where the walls are known.
 */
export function readOpeningCsv(
  text: string,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
): { openings: OpeningDraft[]; problems: CsvProblem[] } {
  const { rows, problems } = readCsv<OpeningDraft>(text, {
    columns: COLUMNS,
    read: (cells) => readRow(cells, system, named),
  });
  return { openings: rows, problems };
}

function readRow(
  cells: Record<string, string>,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
): OpeningDraft | Omit<CsvProblem, 'line'> {
  const area = named.get((cells['area'] ?? '').toLowerCase());
  if (area === undefined) return { column: 'area', message: `there is no area “${cells['area'] ?? ''}” in this job.` };
  const kind = (cells['kind'] ?? '').toLowerCase();
  if (!isKind(kind))
    return {
      column: 'kind',
      message: `“${cells['kind'] ?? ''}” is none of: ${Object.keys(OPENING_KINDS).join(', ')}.`,
    };
  const lengths: Partial<Record<'width' | 'height' | 'sill' | 'along', Measured>> = {};
  for (const column of ['width', 'height', 'sill', 'along'] as const) {
    const typed = cells[column] ?? '';
    if (typed === '' && (column === 'sill' || column === 'along')) continue;
    const read = parseLength(typed, system);
    if (!read.ok) return { column, message: read.problem.message };
    lengths[column] = { mm: read.value, typed };
  }
  const {
    width = { mm: 0, typed: '' },
    height = { mm: 0, typed: '' },
    sill = { mm: 0, typed: '0' },
    along = null,
  } = lengths;
  const [wall, count] = [Number(cells['wall'] || 1), Number(cells['count'] || 1)];
  if (!Number.isInteger(wall) || wall < 1 || wall > 200)
    return { column: 'wall', message: `“${cells['wall'] ?? ''}” is no number of a wall or section; the first is 1.` };
  if (!Number.isInteger(count) || count < 1 || count > 200)
    return { column: 'count', message: `“${cells['count'] ?? ''}” is no count; a whole number from 1.` };
  const absurd = absurdOpening({ kind, width, height }, system);
  if (absurd) return { column: absurd.field ?? 'width', message: absurd.message };
  return {
    area,
    wall: wall - 1,
    kind,
    name: cells['name'] ?? '',
    width,
    height,
    sill,
    along,
    count: along ? 1 : count,
    hinge: 'left',
    opensIn: true,
    clear: null,
  };
}

export const writeOpeningCsv = (openings: readonly (Opening & { area: string })[]): string =>
  writeCsv(
    Object.keys(COLUMNS),
    openings.map((opening) => [
      opening.area,
      opening.wall + 1,
      opening.kind,
      opening.name,
      opening.width.typed,
      opening.height.typed,
      opening.sill.mm > 0 ? opening.sill.typed : '',
      opening.along?.typed ?? '',
      opening.count,
    ]),
  );
