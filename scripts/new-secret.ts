import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '@/server/database/open';
import { databaseFile } from '@/server/installation';
import { newSecret } from '@/server/new-secret';

// For a house that has lost its secret: every link and calendar gets a new address, and those that were sent open nothing
// any more.
const folder = process.env.AFTERMIST_DATA ?? join(process.cwd(), 'var', 'firm');
if (!existsSync(databaseFile(folder))) {
  console.error(`There is no firm in ${folder}; name its folder with AFTERMIST_DATA.`);
  process.exit(1);
}
const db = openDatabase(databaseFile(folder), join(process.cwd(), 'migrations'));
const links = newSecret(db, folder);
console.log(
  `This house has a new secret. ${links} links and calendars have a new address: send them again where they are used.`,
);
db.close();
