import { readCsv } from '../csv';
import type { NamedArea } from './places';

/** Names of areas from CSV: `name` (or `area`) and `synonyms`, parted by semicolons; other columns are passed over. */
export const readAreaNames = (text: string): NamedArea[] =>
  readCsv<NamedArea>(text.replace(/^name(?=,|\r?\n)/, 'area'), {
    columns: { area: true, synonyms: false, kind: false, level: false, works: false, size: false },
    read: (cells) => ({
      name: cells['area'] ?? '',
      synonyms: (cells['synonyms'] ?? '')
        .split(';')
        .map((entry) => entry.trim())
        .filter(Boolean),
    }),
  }).rows.filter((area) => area.name !== '');
