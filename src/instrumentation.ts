/**
 * Runs once when a server starts, before its first request: the planner's thread, the outbox and the rules of news, the
 * backup of each night, the desks of suppliers and weather.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { refuseWrongEnvironment } = await import('./server/environment.mjs');
  refuseWrongEnvironment();
  const { installation } = await import('./server/open-installation');
  const { holdFolderOrStop } = await import('./server/folder-lock');
  const { readyThread } = await import('./server/threads/in-thread');
  const { serve } = await import('./server/serving');
  const { startPlanner } = await import('./server/plan/planner');
  const { startOutbox } = await import('./server/news/outbox');
  const { startNewsRules } = await import('./server/polls/news');
  const { startSweeps } = await import('./server/polls/sweeps');
  const { startBackups } = await import('./server/polls/backups');
  const { startSuppliers } = await import('./server/polls/suppliers');
  const { startWeather } = await import('./server/polls/weather');
  holdFolderOrStop(installation().folder);
  serve();
  readyThread(installation());
  startPlanner(installation());
  startOutbox(installation());
  startNewsRules(installation());
  startBackups(installation());
  startSweeps(installation());
  // Made-up orders and rain are for a made-up firm: elsewhere people write down what suppliers and their own weather
  // service say.
  if (!installation().demo) return;
  startSuppliers(installation());
  startWeather(installation());
}
