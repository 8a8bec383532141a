import { join } from 'node:path';

/** What lies beside the database under the hash of what is in it: the table that names it, and the folder it lies in. */
export const KEPT = { picture: 'pictures', recording: 'recordings', pdf: 'pdfs' } as const;
export type Kept = keyof typeof KEPT;
export const KEPT_KINDS = Object.keys(KEPT) as Kept[];

export const isKept = (table: string): table is Kept => table in KEPT;

export const keptFile = ({ folder }: { folder: string }, kind: Kept, hash: string): string =>
  // The folder of the house is no part of the program.
  join(/* turbopackIgnore: true */ folder, KEPT[kind], hash.slice(0, 2), hash);
