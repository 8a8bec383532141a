import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { databaseFile } from '@/server/installation';
import { openDatabase } from '@/server/database/open';
import { NOW, ZONE } from './now';
import { makeDemo } from '../../scripts/demo-server';

/** Once for all projects of one run: each would load this file anew. */
const holder = globalThis as typeof globalThis & { aftermistHouses?: string };

/** Builds the application, seeds the demo firm and lays out an empty house, once for all tests; each takes a copy. */
export default function setup(project: TestProject): () => void {
  process.env.AFTERMIST_ZONE = ZONE;
  const folder = (holder.aftermistHouses ??= makeHouses());
  project.provide('demo', join(folder, 'demo'));
  project.provide('empty', join(folder, 'empty'));
  return () => rmSync(folder, { recursive: true, force: true });
}

function makeHouses(): string {
  const folder = mkdtempSync(join(tmpdir(), 'aftermist-demo-'));
  makeDemo(join(folder, 'demo'), NOW);
  openDatabase(databaseFile(join(folder, 'empty')), join(import.meta.dirname, '..', '..', 'migrations')).close();
  return folder;
}
