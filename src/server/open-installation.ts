import { EventEmitter } from 'node:events';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Clock } from './clock';
import { houseClock } from './house-clock';
import { databaseFile, type Installation } from './installation';
import { noteChanges } from './database/changes';
import { openDatabase, type Connection } from './database/open';
import { writeAsFirm } from './firm/date-words';
import { queryOne } from './database/query';
import { secretOf } from './secret';
import type { Outside } from './outside/ports';
import { readMail, readMostBytes, readZone } from './environment.mjs';
import { officesByHand } from './outside/by-hand';
import { simulatedOutside } from './outside/simulated';
import { smtpGateway } from './outside/smtp';
import { rebuildStanding, staleStanding } from './walks/rebuild';

export interface InstallationTerms {
  folder: string;
  /** Where the application itself stands. */
  root?: string;
  /** The one of the house, unless another is given. */
  clock?: Clock;
  demo?: boolean;
  /** The stand-ins unless others are given. */
  outside?: Partial<Outside>;
  /** What the environment says unless another is given. */
  mostBytes?: number;
}

export function openInstallation({
  folder,
  root = process.cwd(),
  clock,
  demo = false,
  outside = {},
  mostBytes = readMostBytes(process.env),
}: InstallationTerms): Installation {
  // A zone that does not exist is refused before anything is touched.
  readZone(process.env);
  const mail = demo ? undefined : readMail(process.env);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const db = openDatabase(databaseFile(folder), join(root, 'migrations'), mostBytes);
  if (demo) needDemo(db, folder);
  bringUpToDate(db);
  noteChanges(db);
  return {
    folder,
    root,
    db,
    clock: clock ?? houseClock(db),
    secret: secretOf(db, folder),
    demo,
    mostBytes,
    address: mail?.address ?? '',
    // A made-up visit or letter is for a made-up firm.
    outside: {
      ...simulatedOutside,
      ...(demo ? {} : { offices: officesByHand, messages: mail ? smtpGateway(mail) : 'by hand', texts: 'by hand' }),
      ...outside,
    },
    news: new EventEmitter().setMaxListeners(0),
  };
}

/** The demo lets everybody in as its contractor: it never opens a firm that is not made up. */
function needDemo(db: Connection, folder: string): void {
  const firm = queryOne<{ demo: 0 | 1 }>(db, 'SELECT demo FROM firm');
  if (!firm || firm.demo === 1) return;
  db.close();
  throw new Error(
    `${folder} holds a firm that is not the demo, or a demo of an older version. Start it with npm start, or name ` +
      'another folder with AFTERMIST_DATA.',
  );
}

/** What was computed from records and does not fit them is said and computed anew. */
function bringUpToDate(db: Connection): void {
  const stale = staleStanding(db);
  if (stale === undefined) return;
  const kept = rebuildStanding(db);
  if (kept > 0) console.warn(`What stands of the walks was computed anew, since ${stale}: ${kept} lines.`);
}

const holder = globalThis as typeof globalThis & { aftermistInstallation?: Installation };

/**
 * The installation of this server process: the framework loads modules more than once, the file is opened once. Whoever asks
 * for it writes days as the firm does now.
 */
export function installation(): Installation {
  holder.aftermistInstallation ??= openInstallation({
    folder: process.env.AFTERMIST_DATA ?? join(process.cwd(), 'var', 'firm'),
    demo: process.env.AFTERMIST_DEMO === '1',
  });
  writeAsFirm(holder.aftermistInstallation.db);
  return holder.aftermistInstallation;
}
