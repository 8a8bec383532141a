import { EventEmitter } from 'node:events';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { clockOfEnvironment, type Clock } from './clock';
import { databaseFile, type Installation } from './installation';
import { noteChanges } from './database/changes';
import { openDatabase, type Connection } from './database/open';
import type { Outside } from './outside/ports';
import { readMail, readZone } from './environment.mjs';
import { officesByHand } from './outside/by-hand';
import { simulatedOutside } from './outside/simulated';
import { smtpGateway } from './outside/smtp';
import { rebuildStanding, staleStanding } from './walks/rebuild';

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
  const mail = demo ? undefined : readMail(process.env);
  mkdirSync(folder, { recursive: true });
  const db = openDatabase(databaseFile(folder), join(root, 'migrations'));
  bringUpToDate(db);
  noteChanges(db);
  return {
    folder,
    root,
    db,
    clock,
    secret: secretOf(folder),
    demo,
    address: mail?.address ?? '',
    // A made-up visit or letter is for a made-up firm.
    outside: {
      ...simulatedOutside,
      ...(demo ? {} : { offices: officesByHand, messages: mail ? smtpGateway(mail) : 'by hand' }),
      ...outside,
    },
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
