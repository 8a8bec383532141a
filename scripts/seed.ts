import { existsSync, renameSync, rmSync } from 'node:fs';
import { databaseFile, openHouse } from '@/server/house';
import { seedDemo } from '../demo/seed';

/** Makes the demo firm in its own folder, once: built beside its place and then renamed, so that half a firm is never started. */
const folder = process.env.AFTERMIST_DATA;
if (!folder) throw new Error('AFTERMIST_DATA names the folder of the demo firm.');
if (!existsSync(databaseFile(folder))) {
  const half = `${folder}.half`;
  rmSync(half, { recursive: true, force: true });
  const house = openHouse({ folder: half, demo: true, ...(process.env.AFTERMIST_TODAY ? { today: process.env.AFTERMIST_TODAY } : {}) });
  await seedDemo(house);
  house.db.pragma('wal_checkpoint(TRUNCATE)');
  house.db.close();
  rmSync(folder, { recursive: true, force: true });
  renameSync(half, folder);
}
