import { parentPort, workerData } from 'node:worker_threads';
import { houseClock } from '@/server/house-clock';
import { openDatabase } from '@/server/database/open';
import { markOldForm, renewOnce } from '@/server/plan/renew';
import { searchOnce } from '@/server/plan/search';
import { thin } from '@/server/plan/thin';
import { readNarrations } from '@/server/walks/read-narrations';

/**
 * The planner's thread: at every knock it computes the jobs that are marked, so that no request waits for a plan; then,
 * if it was asked, it looks longer for a better one, and marks that come meanwhile end that. Once a day it thins what old
 * plans have left. Last it reads the narrations that came.
 */
const { file, migrations, setTo } = workerData as { file: string; migrations: string; setTo: Date | undefined };
const db = openDatabase(file, migrations);
const clock = houseClock(db, setTo);

function tell(seq: number | undefined): void {
  if (seq !== undefined) parentPort?.postMessage({ seq });
}

let thinnedOn: string | undefined;
function thinDaily(): void {
  const now = clock.now().toISOString();
  if (now.slice(0, 10) === thinnedOn) return;
  thinnedOn = now.slice(0, 10);
  thin(db, now);
}

markOldForm(db);

parentPort?.on('message', () => {
  try {
    tell(renewOnce({ db, clock }));
    tell(searchOnce({ db, clock }));
    thinDaily();
    readNarrations({ db, clock });
  } catch (error) {
    parentPort?.postMessage({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
});
