import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { databaseFile, type House } from '../house';

/**
 * Starts the planner's thread and knocks whenever a job was marked, and once at the start: marks left by a crash are done then.
 * The thread is bundled by the build, since it is loaded by Node itself. A thread that died is started again at the next knock.
 */
export function startPlanner(house: House, bundle = join(process.cwd(), '.built', 'planner.mjs')): { stop: () => Promise<void> } {
  let worker: Worker | undefined;
  const start = (): Worker => {
    const thread = new Worker(bundle, { workerData: { file: databaseFile(house.folder), migrations: join(process.cwd(), 'migrations'), fixedToday: process.env.AFTERMIST_TODAY } });
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
