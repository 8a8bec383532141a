import Papa from 'papaparse';

export interface CsvProblem {
  /** As an editor counts: the header is line 1. */
  line: number;
  /** The column it belongs to, where it is one. */
  column?: string;
  message: string;
}

/** Says inside `read` that a line cannot be meant, and in which column; caught and told by `readCsv`. */
class CellRefused extends Error {
  constructor(
    readonly column: string | undefined,
    message: string,
  ) {
    super(message);
  }
}
export function refuseCell(column: string | undefined, message: string): never {
  throw new CellRefused(column, message);
}

export interface CsvTerms<Row, Column extends string> {
  /** Columns in their usual order; those that must be there come with `true`. */
  columns: Readonly<Record<Column, boolean>>;
  /** One line as a row; a cell that the line has not is empty. What cannot be meant is said by `refuseCell`. */
  read: (cells: Record<Column, string>, line: number) => Row;
}

/** The sign that `writeCsv` puts before what a spreadsheet would run: it was never part of the cell. */
const DISARMED = /^'(?=[=+\-@])/;

const MOST_LINES = 5_000;

/**
 * Reads CSV with a header line: commas, semicolons or tabs, a mark at the beginning, quotes. Lines that cannot be meant
 * are told by number and column and left out; the others are kept, so that one slip loses nothing.
 */
export function readCsv<Row extends object, Column extends string = string>(
  text: string,
  { columns, read }: CsvTerms<Row, Column>,
): { rows: Row[]; problems: CsvProblem[] } {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trimEnd(), {
    header: true,
    transformHeader: (name) => name.trim().toLowerCase(),
    transform: (cell) => cell.trim().replace(DISARMED, ''),
  });
  const names = parsed.meta.fields ?? [];
  const wanted = Object.keys(columns) as Column[];
  const missing = wanted.filter((name) => columns[name] && !names.includes(name));
  if (missing.length > 0)
    return {
      rows: [],
      problems: [
        {
          line: 1,
          message:
            `The first line must name the columns: ${wanted.join(', ')}. There is no column ` +
            `${missing.map((name) => `“${name}”`).join(' and ')}.`,
        },
      ],
    };
  if (parsed.data.length > MOST_LINES)
    return {
      rows: [],
      problems: [{ line: MOST_LINES, message: `More than ${MOST_LINES} lines; cut the list in parts.` }],
    };
  const rows: Row[] = [];
  const problems: CsvProblem[] = [];
  parsed.data.forEach((cells, index) => {
    // Empty lines are stepped over here and not by the parser, so that the others keep their numbers.
    if (Object.values(cells).every((cell) => typeof cell !== 'string' || cell === '')) return;
    const whole = Object.fromEntries(wanted.map((name) => [name, cells[name] ?? ''])) as Record<Column, string>;
    try {
      rows.push(read(whole, index + 2));
    } catch (refused) {
      if (!(refused instanceof CellRefused)) throw refused;
      const { column, message } = refused;
      problems.push({ line: index + 2, ...(column === undefined ? {} : { column }), message });
    }
  });
  return { rows, problems };
}

/** Cells that a spreadsheet would run as a formula are disarmed: whoever opens the file did not write it. */
const disarm = (cell: unknown): unknown =>
  typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) && !/^[-+]?[\d.,]+$/.test(cell) ? `'${cell}` : cell;

/** Writes rows as CSV with a header; a comma between, quotes where needed, lines ended as spreadsheets expect. */
export function writeCsv(columns: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  const data = rows.map((row) => row.map((cell) => disarm(cell) ?? ''));
  return `${Papa.unparse({ fields: [...columns], data }, { newline: '\r\n' })}\r\n`;
}
