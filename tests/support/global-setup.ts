import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';

const root = join(import.meta.dirname, '..', '..');

/** Builds the application and seeds the demo firm once for all tests; each takes a copy. */
export default function setup(project: TestProject): () => void {
  execFileSync(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: 'inherit' });
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-demo-'));
  const demo = join(folder, 'demo');
  execFileSync(join(root, 'node_modules', '.bin', 'tsx'), ['scripts/seed.ts'], { cwd: root, stdio: 'inherit', env: { ...process.env, AFTERMIST_DATA: demo, AFTERMIST_TODAY: '2027-03-09' } });
  project.provide('demo', demo);
  return () => rmSync(folder, { recursive: true, force: true });
}
