import { readCsv } from '../csv';
import type { NamedArea } from './area-aliases';

const COLUMNS = { area: true, synonyms: false, kind: false, level: false, works: false, size: false };

/** Names of areas from CSV: `name` (or `area`) and `synonyms`, parted by semicolons; other columns are passed over. */
export const readAreaNames = (text: string): NamedArea[] =>
  readCsv<NamedArea, keyof typeof COLUMNS>(text.replace(/^name(?=,|\r?\n)/, 'area'), {
    columns: COLUMNS,
    read: (cells) => ({
      name: cells.area,
      synonyms: cells.synonyms
        .split(';')
        .map((entry) => entry.trim())
        .filter(Boolean),
    }),
  }).rows.filter((area) => area.name !== '');
