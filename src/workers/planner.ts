import { parentPort, workerData } from 'node:worker_threads';
import { makeClock, today } from '@/server/clock';
import { openDatabase } from '@/server/database/open';
import { renewOnce } from '@/server/schedule/renew';
import { searchOnce } from '@/server/schedule/search';

/**
 * The planner's thread: at every knock it computes the jobs that are marked, so that no request waits for a plan; then, if it was
 * asked, it looks longer for a better one, and marks that come meanwhile end that.
 */
const { file, migrations, fixedToday } = workerData as { file: string; migrations: string; fixedToday: string | undefined };
const db = openDatabase(file, migrations);
const clock = makeClock(fixedToday);
const now = (): string => clock.now().toISOString();

function tell(seq: number | undefined): void {
  if (seq !== undefined) parentPort?.postMessage({ seq });
}

parentPort?.on('message', () => {
  try {
    tell(renewOnce(db, today(clock), now()));
    tell(searchOnce(db, today(clock), now));
  } catch (error) {
    parentPort?.postMessage({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
});
