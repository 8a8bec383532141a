import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { NOW, ZONE } from './now';
import { makeDemo } from '../../scripts/demo-server';

/** Builds the application and seeds the demo firm once for all tests; each takes a copy. */
export default function setup(project: TestProject): () => void {
  process.env.AFTERMIST_ZONE = ZONE;
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-demo-'));
  const demo = join(folder, 'demo');
  makeDemo(demo, NOW);
  project.provide('demo', demo);
  return () => rmSync(folder, { recursive: true, force: true });
}
