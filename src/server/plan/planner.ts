import { join } from 'node:path';
import type { Worker } from 'node:worker_threads';
import { databaseFile, type Installation } from '../installation';

// Asked of Node itself: an import would have the bundler take in whatever the path of a thread could mean.
const threads = process.getBuiltinModule('node:worker_threads');

/**
 * Starts the planner's thread and knocks whenever a job was marked, and once at the start: marks left by a crash are
 * done then. The thread is bundled by the build, since it is loaded by Node itself. A thread that died is started again
 * at the next knock.
 */
export function startPlanner(
  installation: Installation,
  bundle = join(installation.root, '.built', 'planner.mjs'),
): { stop: () => Promise<void> } {
  let worker: Worker | undefined;
  const start = (): Worker => {
    const thread = new threads.Worker(bundle, {
      workerData: {
        file: databaseFile(installation.folder),
        migrations: join(installation.root, 'migrations'),
        setTo: installation.clock.shiftMs === 0 ? undefined : installation.clock.now(),
      },
    });
    thread.on('message', (message: { seq?: number; error?: string }) => {
      if (message.seq !== undefined) installation.news.emit('log', message.seq);
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
  installation.news.on('marked', knock);
  knock();
  return {
    stop: async () => {
      installation.news.off('marked', knock);
      await worker?.terminate();
    },
  };
}
