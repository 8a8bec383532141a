import Papa from 'papaparse';

export interface CsvProblem {
  /** As an editor counts: the header is line 1. */
  line: number;
  /** The column it belongs to, where it is one. */
  column?: string;
  message: string;
}

export interface CsvTerms<Row> {
  /** Columns in their usual order; those that must be there come with `true`. */
  columns: Readonly<Record<string, boolean>>;
  /** One line as a row, or what is wrong with it. */
  read: (cells: Record<string, string>, line: number) => Row | Omit<CsvProblem, 'line'>;
}

const MOST_LINES = 5_000;

/**
 * Reads CSV with a header line: commas, semicolons or tabs, a mark at the beginning, quotes. Lines that cannot be meant
 * are told by number and column and left out; the others are kept, so that one slip loses nothing.
 */
export function readCsv<Row extends object>(
  text: string,
  { columns, read }: CsvTerms<Row>,
): { rows: Row[]; problems: CsvProblem[] } {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trimEnd(), {
    header: true,
    transformHeader: (name) => name.trim().toLowerCase(),
    transform: (cell) => cell.trim(),
  });
  const names = parsed.meta.fields ?? [];
  const missing = Object.keys(columns).filter((name) => columns[name] && !names.includes(name));
  if (missing.length > 0)
    return {
      rows: [],
      problems: [
        {
          line: 1,
          message:
            `The first line must name the columns: ${Object.keys(columns).join(', ')}. There is no column ` +
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
    const row = read(cells, index + 2);
    if ('message' in row && !('line' in row)) problems.push({ line: index + 2, ...row });
    else rows.push(row as Row);
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
