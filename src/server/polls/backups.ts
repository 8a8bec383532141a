import { execFile } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { addDays, type Day } from '@/core/units/day';
import { dayIn, hourIn } from '@/core/units/zone';
import type { Installation } from '../installation';
import { backupsFolder } from '../reading/backup';
import { zoneOf } from '../zone';

/** At which hour of the firm's night it begins, how often that is looked at, and how many are kept. */
const HOUR = 2;
const EVERY_MS = 20 * 60_000;
const KEPT = 14;

const NAME = /^firm-(\d{4}-\d\d-\d\d)\.zip$/;
const nameOf = (day: Day): string => `firm-${day}.zip`;

/** The night whose backup is due: today's from its hour on; undefined where it is there. */
export function backupDue(installation: Installation, folder: string): Day | undefined {
  const now = installation.clock.now();
  const zone = zoneOf(installation.db);
  const today = dayIn(zone, now);
  const night = hourIn(zone, now) >= HOUR ? today : addDays(today, -1);
  return existsSync(join(folder, nameOf(night))) ? undefined : night;
}

/** The newest backups stay. @returns those that went */
export function sweepBackups(folder: string): string[] {
  const old = readdirSync(folder)
    .filter((name) => NAME.test(name))
    .sort()
    .slice(0, -KEPT);
  for (const name of old) rmSync(join(folder, name));
  return old;
}

/** In a process of its own: reading the whole file through would hold up whoever is working. */
async function backUp(installation: Installation, folder: string, night: Day): Promise<void> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { root } = installation;
  await promisify(execFile)(
    process.execPath,
    [join(root, 'node_modules/tsx/dist/cli.mjs'), join(root, 'scripts/backup.ts'), join(folder, nameOf(night))],
    { cwd: root, env: { ...process.env, AFTERMIST_DATA: installation.folder } },
  );
  sweepBackups(folder);
}

/** Every night one, of real houses; a made-up firm is made anew. */
export function startBackups(installation: Installation): void {
  const folder = backupsFolder(installation);
  if (installation.demo || folder === undefined) return;
  let busy = false;
  setInterval(() => {
    const night = busy ? undefined : backupDue(installation, folder);
    if (!night) return;
    busy = true;
    backUp(installation, folder, night)
      .catch((error: unknown) => console.error('The backup of the night failed; it is tried again:', error))
      .finally(() => (busy = false));
  }, EVERY_MS).unref();
}
