import { join } from 'node:path';
import { databaseFile } from '../src/server/installation';
import { openDatabase } from '../src/server/database/open';
import { rebuildStanding, unlikeRecords } from '../src/server/walks/rebuild';
import { existsSync } from 'node:fs';

/**
 * `npm run rebuild [-- --check]`: computes what stands of the walks from the records alone and keeps it; with `--check` it only
 * says what is kept otherwise. `AFTERMIST_DATA` names the firm's folder, `var/firm` where it does not.
 */
const root = join(import.meta.dirname, '..');
const folder = process.env.AFTERMIST_DATA ?? join(root, 'var', 'firm');
if (!existsSync(databaseFile(folder))) {
  console.error(`There is no firm in ${folder}; name its folder with AFTERMIST_DATA.`);
  process.exit(1);
}
const db = openDatabase(databaseFile(folder), join(root, 'migrations'));
const unlike = unlikeRecords(db);
for (const { matter, kept, computed } of unlike.slice(0, 20))
  console.log(
    `${matter}: kept ${kept ? kept.state : 'nothing'}, by its records ${computed ? computed.state : 'nothing'}`,
  );
if (process.argv.includes('--check')) {
  console.log(
    unlike.length === 0 ? 'What stands is as its records say.' : `${unlike.length} lines are not as their records say.`,
  );
  process.exitCode = unlike.length === 0 ? 0 : 1;
} else {
  console.log(`${rebuildStanding(db)} lines stand; ${unlike.length} of those kept were not as their records say.`);
}
db.close();
