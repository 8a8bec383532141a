import { EventEmitter } from 'node:events';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { clockOfEnvironment, type Clock } from './clock';
import { readZone } from './environment.mjs';
import { openDatabase, type Connection } from './database/open';
import type { Outside } from './outside/ports';
import { simulatedOutside } from './outside/simulated';
import { rebuildStanding, staleStanding } from './walks/rebuild';

/** One installation: its file, its folder of pictures, its secret and its clock. */
export interface Installation {
  folder: string;
  /** Where the application itself stands: migrations and the planner's bundle. */
  root: string;
  db: Connection;
  clock: Clock;
  /** Seals sessions and makes the secrets of share links; never in the database. */
  secret: string;
  /** Demo firm: the visitor is signed in and may switch person. */
  demo: boolean;
  /** Messages, suppliers, weather and offices, as far as this installation reaches them. */
  outside: Outside;
  /** Tells what listens (the change stream, the planner) that the log grew. */
  news: EventEmitter;
}

export interface InstallationTerms {
  folder: string;
  /** Where the application itself stands. */
  root?: string;
  /** The clock of the environment unless another is given. */
  clock?: Clock;
  demo?: boolean;
  /** The stand-ins unless others are given. */
  outside?: Partial<Outside>;
}

export function openInstallation({
  folder,
  root = process.cwd(),
  clock = clockOfEnvironment(),
  demo = false,
  outside = {},
}: InstallationTerms): Installation {
  // A zone that does not exist is refused before anything is touched.
  readZone(process.env);
  mkdirSync(folder, { recursive: true });
  const db = openDatabase(databaseFile(folder), join(root, 'migrations'));
  bringUpToDate(db);
  return {
    folder,
    root,
    db,
    clock,
    secret: secretOf(folder),
    demo,
    outside: { ...simulatedOutside, ...outside },
    news: new EventEmitter().setMaxListeners(0),
  };
}

/** What was computed from records and does not fit them is said and computed anew. */
function bringUpToDate(db: Connection): void {
  const stale = staleStanding(db);
  if (stale === undefined) return;
  const kept = rebuildStanding(db);
  if (kept > 0) console.warn(`What stands of the walks was computed anew, since ${stale}: ${kept} lines.`);
}

export const databaseFile = (folder: string): string => join(folder, 'aftermist.sqlite');

function secretOf(folder: string): string {
  const file = join(folder, 'secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600, flag: 'wx' });
  return readFileSync(file, 'utf8').trim();
}

const holder = globalThis as typeof globalThis & { aftermistInstallation?: Installation };

/** The installation of this server process: the framework loads modules more than once, the file is opened once. */
export function installation(): Installation {
  holder.aftermistInstallation ??= openInstallation({
    folder: process.env.AFTERMIST_DATA ?? join(process.cwd(), 'var', 'firm'),
    demo: process.env.AFTERMIST_DEMO === '1',
  });
  return holder.aftermistInstallation;
}
