import { boolean, object, string } from 'yup';
import * as field from './fields';

/** What an owner says to have somebody taken out of everything. */
export const erasureSchema = object({
  /** A name, an address, a number, one on each line. */
  words: string()
    .required('write at least one name, address or number')
    .max(1_000, 'at most a thousand signs')
    .test('lines', 'at most ten lines', (text) => text.split('\n').length <= 10),
  /** Who of the firm it is; empty where it is somebody else. */
  person: field.optionalLine('who it is', 36).default(''),
  /** Whether it is done; otherwise it is only looked where they are named. */
  sure: boolean().default(false),
});

/** What came of it. */
export type ErasureAnswer =
  | { places: { where: string; times: number }[] }
  | {
      places: { where: string; times: number }[];
      standIn: string;
      /** How often a word still stands in the file. */
      still: number;
      /** Where backups of before lie; null where none are made. */
      backups: string | null;
    };
