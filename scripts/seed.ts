import { existsSync, readdirSync, renameSync } from 'node:fs';
import { openInstallation } from '@/server/open-installation';
import { databaseFile } from '@/server/installation';
import { refuseWrongEnvironment } from '@/server/environment.mjs';
import { seedDemo } from '../demo/seed';

/**
 * Makes the demo firm in a folder that is not there yet or is empty: built beside its place and then renamed, so that
 * half a firm is never started. Nothing that lies somewhere is ever removed.
 */
const folder = process.env.AFTERMIST_DATA;
refuseWrongEnvironment();
if (!folder) stop('AFTERMIST_DATA names the folder of the demo firm.');
if (!existsSync(databaseFile(folder))) {
  const half = `${folder}.half`;
  if (isFilled(folder))
    stop(
      `${folder} holds other files and no firm: the demo is made only in a folder that is not there or is empty. ` +
        'Name another with AFTERMIST_DATA, or move these files away.',
    );
  if (isFilled(half)) stop(`${half} is what an earlier start left half made. Delete it and start again.`);
  const installation = openInstallation({ folder: half, demo: true });
  await seedDemo(installation);
  installation.db.pragma('wal_checkpoint(TRUNCATE)');
  installation.db.close();
  renameSync(half, folder);
}

function isFilled(path: string): boolean {
  return existsSync(path) && readdirSync(path).length > 0;
}

function stop(words: string): never {
  console.error(words);
  process.exit(1);
}
