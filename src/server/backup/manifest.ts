/** What a backup says of itself: everything that is in it, by its hash. */
export interface Manifest {
  kind: 'aftermist backup';
  form: 1;
  /** The newest migration of the file. */
  migration: number;
  firm: string;
  made: string;
  /** By name: the size and the SHA-256 of each. */
  files: Record<string, { bytes: number; sha256: string }>;
  /** Pictures, recordings and PDFs that the file names and that lay nowhere when it was made. */
  missing: string[];
}

export const MANIFEST = 'manifest.json';
export const DATABASE = 'aftermist.sqlite';
export const SECRET = 'secret';
/** Names that a backup may hold besides its manifest; nothing else is written anywhere. */
export const NAMES = /^(aftermist\.sqlite|secret|(pictures|recordings|pdfs)\/[0-9a-f]{2}\/[0-9a-f]{64})$/;
