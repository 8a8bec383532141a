import { readCsv, refuseCell, writeCsv, type CsvProblem } from '../csv';
import { areaCell, choiceCell, countCell } from '../csv-cells';
import type { LengthSystem } from '../units/length';
import { absurdOpening, checkOpening } from './check-openings';
import { lengthCell } from './length-cell';
import { OPENING_KINDS, type Measured, type Opening, type OpeningKind, type Shape } from './shape';

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

/** What is drawn of an area already. */
export interface DrawnArea {
  shape: Shape;
  openings: readonly Opening[];
}

/**
 * Reads openings with sizes as the job writes them.
 * @param drawn the job's drawn areas: each line is held against its wall, and against those before it
 */
export function readOpeningCsv(
  text: string,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
  drawn?: ReadonlyMap<string, DrawnArea>,
): { openings: OpeningDraft[]; problems: CsvProblem[] } {
  const taken: OpeningDraft[] = [];
  const { rows, problems } = readCsv<OpeningDraft, keyof typeof COLUMNS>(text, {
    columns: COLUMNS,
    read: (cells) => {
      const row = readRow(cells, system, named);
      if (drawn) needWall(row, drawn, taken, system);
      taken.push(row);
      return row;
    },
  });
  return { openings: rows, problems };
}

/** Refuses a line by the column that does not go with its wall. */
function needWall(
  row: OpeningDraft,
  drawn: ReadonlyMap<string, DrawnArea>,
  taken: readonly OpeningDraft[],
  system: LengthSystem,
): void {
  const area = drawn.get(row.area);
  if (!area) return refuseCell('area', 'it is not drawn yet; draw its walls or sections first.');
  const beside = taken.filter((other) => other.area === row.area).map((other, at) => ({ ...other, id: `line ${at}` }));
  const [problem] = checkOpening(area.shape, { ...row, id: 'this line' }, [...area.openings, ...beside], system);
  if (problem) refuseCell(problem.field ?? 'wall', problem.message);
}

function readRow(
  cells: Record<keyof typeof COLUMNS, string>,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
): OpeningDraft {
  const length = (column: 'width' | 'height' | 'sill' | 'along'): Measured => lengthCell(column, cells[column], system);
  const area = areaCell(cells.area, named);
  const kind = choiceCell('kind', cells.kind, Object.keys(OPENING_KINDS) as OpeningKind[]);
  const [width, height] = [length('width'), length('height')];
  const along = cells.along === '' ? null : length('along');
  const absurd = absurdOpening({ kind, width, height }, system);
  if (absurd) refuseCell(absurd.field ?? 'width', absurd.message);
  const count = countCell('count', cells.count, 200, 'count; a whole number from 1.');
  return {
    area,
    wall: countCell('wall', cells.wall, 200, 'number of a wall or section; the first is 1.') - 1,
    kind,
    name: cells.name,
    width,
    height,
    sill: cells.sill === '' ? { mm: 0, typed: '0' } : length('sill'),
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
