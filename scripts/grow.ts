import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { openInstallation } from '../src/server/open-installation';
import { thin } from '../src/server/plan/thin';
import { refuseWrongEnvironment } from '../src/server/environment.mjs';
import { seedDemo } from '../demo/seed';
import { grow, yearsOf } from '../demo/grow/grow';

/**
 * `npm run grow -- --years 10 --into FOLDER [--past none]`: the demo firm after so many years, for seeing what they cost.
 * `--past none` makes the same open jobs without their past.
 */
const { values } = parseArgs({
  options: {
    years: { type: 'string', default: '10' },
    into: { type: 'string' },
    past: { type: 'string', default: 'all' },
  },
});
refuseWrongEnvironment();
const years = Number(values.years);
const folder = values.into ?? stop('Say where to: --into FOLDER.');
if (!Number.isInteger(years) || years < 1 || years > 100) stop('--years is a whole number from 1 to 100.');
if (existsSync(folder) && readdirSync(folder).length > 0)
  stop(`${folder} is not empty; name a folder that is not there yet or is empty.`);
mkdirSync(folder, { recursive: true });
const installation = openInstallation({ folder, demo: true });
await seedDemo(installation);
installation.db.pragma('synchronous = OFF');
grow(installation, { ...yearsOf(years), ...(values.past === 'none' ? { observations: 0 } : {}) });
// What the server would have thinned on each of those days.
thin(installation.db, installation.clock.now().toISOString());
installation.db.pragma('wal_checkpoint(TRUNCATE)');
installation.db.close();

function stop(words: string): never {
  console.error(words);
  process.exit(1);
}
