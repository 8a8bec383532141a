import { join } from 'node:path';
import type { Worker } from 'node:worker_threads';
import { databaseFile, type House } from '../house';

// Asked of Node itself: an import would have the bundler take in whatever the path of a thread could mean.
const threads = process.getBuiltinModule('node:worker_threads');

/**
 * Starts the planner's thread and knocks whenever a job was marked, and once at the start: marks left by a crash are
 * done then. The thread is bundled by the build, since it is loaded by Node itself. A thread that died is started again
 * at the next knock.
 */
export function startPlanner(
  house: House,
  bundle = join(house.root, '.built', 'planner.mjs'),
): { stop: () => Promise<void> } {
  let worker: Worker | undefined;
  const start = (): Worker => {
    const thread = new threads.Worker(bundle, {
      workerData: {
        file: databaseFile(house.folder),
        migrations: join(house.root, 'migrations'),
        setTo: house.clock.shiftMs === 0 ? undefined : house.clock.now(),
      },
    });
    thread.on('message', (message: { seq?: number; error?: string }) => {
      if (message.seq !== undefined) house.news.emit('log', message.seq);
      if (message.error) console.error('The planner failed:', message.error);
    });
    thread.on('error', (error) => console.error('The planner stopped:', error));
    thread.on('exit', () => (worker = undefined));
    thread.unref();
    return thread;
  };
  const knock = (): void => {
    worker ??= start();
    worker.postMessage('look');
  };
  house.news.on('marked', knock);
  knock();
  return {
    stop: async () => {
      house.news.off('marked', knock);
      await worker?.terminate();
    },
  };
}
