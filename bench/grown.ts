import { execFileSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The instant at which grown firms live. */
export const NOW = '2027-03-09T16:30:00.000Z';

export interface Folder {
  folder: string;
  gone: () => void;
}

/** A firm of some years in a folder; `AFTERMIST_GROWN` names one where it is made once and kept. */
export function grown(name: string, ...terms: string[]): Folder {
  const { AFTERMIST_GROWN } = process.env;
  const base = AFTERMIST_GROWN ?? mkdtempSync(join(tmpdir(), 'aftermist-grown-'));
  const folder = join(base, name);
  if (!existsSync(folder))
    execFileSync(join('node_modules', '.bin', 'tsx'), ['scripts/grow.ts', '--into', folder, ...terms], {
      env: { ...process.env, AFTERMIST_NOW: NOW },
      stdio: ['ignore', 2, 2],
    });
  return { folder, gone: () => (AFTERMIST_GROWN ? undefined : rmSync(base, { recursive: true, force: true })) };
}

/** A copy of it, to be written to. */
export function grownCopy(name: string, ...terms: string[]): Folder {
  const { folder, gone } = grown(name, ...terms);
  const copy = mkdtempSync(join(tmpdir(), 'aftermist-copy-'));
  cpSync(folder, copy, { recursive: true });
  return { folder: copy, gone: () => (gone(), rmSync(copy, { recursive: true, force: true })) };
}
