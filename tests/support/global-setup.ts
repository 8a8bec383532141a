import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { makeDemo } from '../../scripts/demo-server';

/** Builds the application and seeds the demo firm once for all tests; each takes a copy. */
export default function setup(project: TestProject): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-demo-'));
  const demo = join(folder, 'demo');
  makeDemo(demo, '2027-03-09');
  project.provide('demo', demo);
  return () => rmSync(folder, { recursive: true, force: true });
}
