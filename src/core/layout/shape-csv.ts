import { readCsv, refuseCell, writeCsv, type CsvProblem } from '../csv';
import { areaCell } from '../csv-cells';
import type { LengthSystem } from '../units/length';
import { lengthCell } from './length-cell';
import { outlineOf } from './room-outline';
import type { FaceShape, Measured, RoomShape, Section, Shape, Wall } from './shape';

/** Rooms by their walls and faces by their sections, one line each; lengths as typed. */
const COLUMNS = { area: true, part: true, length: true, height: false, rise: false, turn: false };
export const SHAPE_CSV_EXAMPLE =
  'area,part,length,height,rise,turn\nWorkshop,wall,7.38 m,2600,,90\nWorkshop,wall,4.20 m,,,90\n' +
  'Workshop,wall,7.38 m,,,90\nWorkshop,wall,4.20 m,,,90\nEast gable,section,5.60 m,3.10 m,2.20 m,\n';

interface Line {
  area: string;
  part: 'wall' | 'section';
  length: Measured;
  height: Measured | null;
  rise: Measured;
  turn: number;
  line: number;
}

const NOTHING: Measured = { mm: 0, typed: '0' };

/**
 * Reads lengths as the job writes them.
 * @param named the job's areas by name, in any case; a shape for any other is a problem
 */
export function readShapeCsv(
  text: string,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
): { shapes: { area: string; name: string; shape: Shape }[]; problems: CsvProblem[] } {
  const { rows, problems } = readCsv<Line, keyof typeof COLUMNS>(text, {
    columns: COLUMNS,
    read: (cells, line) => readLine(cells, line, system, named),
  });
  const shapes: { area: string; name: string; shape: Shape }[] = [];
  for (const name of new Set(rows.map((row) => row.area))) {
    const lines = rows.filter((row) => row.area === name);
    const first = lines[0];
    const area = named.get(name);
    // A room of which a wall could not be read is left whole: half a room is none.
    if (!first || area === undefined) continue;
    if (problems.some((problem) => text.split(/\r?\n/)[problem.line - 1]?.toLowerCase().includes(name))) {
      problems.push({ line: first.line, message: `“${name}” is left out, since one of its lines cannot be read.` });
      continue;
    }
    const shape = shapeFrom(lines);
    if (typeof shape === 'string') problems.push({ line: first.line, message: `“${name}”: ${shape}` });
    else shapes.push({ area, name, shape });
  }
  return { shapes, problems };
}

function readLine(
  cells: Record<keyof typeof COLUMNS, string>,
  line: number,
  system: LengthSystem,
  named: ReadonlyMap<string, string>,
): Line {
  areaCell(cells.area, named);
  const { part } = cells;
  if (part !== 'wall' && part !== 'section') return refuseCell('part', `“${part}” is neither wall nor section.`);
  const length = lengthCell('length', cells.length, system);
  if (length.mm <= 0) refuseCell('length', 'a length is over 0.');
  const turn = cells.turn ? Number(cells.turn) : 90;
  if (!Number.isFinite(turn) || Math.abs(turn) >= 180)
    refuseCell('turn', `“${cells.turn}” is no turn; 90 is to the right, -90 to the left.`);
  return {
    area: cells.area.toLowerCase(),
    part,
    length,
    height: cells.height === '' ? null : lengthCell('height', cells.height, system),
    rise: cells.rise === '' ? NOTHING : lengthCell('rise', cells.rise, system),
    turn,
    line,
  };
}

function shapeFrom(lines: Line[]): Shape | string {
  const height = lines.find((line) => line.height)?.height ?? null;
  if (!height) return 'no line says how high it is.';
  if (lines.every((line) => line.part === 'wall')) {
    const shape: RoomShape = {
      kind: 'room',
      height,
      spread: false,
      walls: lines.map((line): Wall => ({ ...line.length, turn: line.turn })),
    };
    const outline = outlineOf(shape);
    return outline.ok ? shape : outline.problem.message;
  }
  if (lines.every((line) => line.part === 'section'))
    return {
      kind: 'face',
      sections: lines.map((line): Section => ({
        width: line.length,
        height: line.height ?? height,
        gableRise: line.rise,
      })),
    } satisfies FaceShape;
  return 'walls and sections do not go together in one area.';
}

/** What `readShapeCsv` reads back. */
export function writeShapeCsv(shapes: readonly { name: string; shape: Shape }[]): string {
  return writeCsv(
    Object.keys(COLUMNS),
    shapes.flatMap(({ name, shape }) => {
      if (shape.kind === 'room')
        return shape.walls.map((wall, index) => [
          name,
          'wall',
          wall.typed,
          index === 0 ? shape.height.typed : '',
          '',
          wall.turn,
        ]);
      if (shape.kind === 'face')
        return shape.sections.map((section) => [
          name,
          'section',
          section.width.typed,
          section.height.typed,
          section.gableRise.mm > 0 ? section.gableRise.typed : '',
          '',
        ]);
      return [];
    }),
  );
}
