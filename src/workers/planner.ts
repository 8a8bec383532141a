import { parentPort, workerData } from 'node:worker_threads';
import { makeClock, today } from '@/server/clock';
import { openDatabase } from '@/server/database/open';
import { renewOnce } from '@/server/schedule/renew';

/** The planner's thread: at every knock it computes the jobs that are marked, so that no request waits for a plan. */
const { file, migrations, fixedToday } = workerData as { file: string; migrations: string; fixedToday: string | undefined };
const db = openDatabase(file, migrations);
const clock = makeClock(fixedToday);

parentPort?.on('message', () => {
  try {
    const seq = renewOnce(db, today(clock), clock.now().toISOString());
    if (seq !== undefined) parentPort?.postMessage({ seq });
  } catch (error) {
    parentPort?.postMessage({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
});
