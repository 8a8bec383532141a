/** Runs once when a server starts, before its first request: the planner's thread and the outbox. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { house } = await import('./server/house');
  const { startPlanner } = await import('./server/schedule/planner');
  const { startOutbox } = await import('./server/updates/outbox');
  const { simulatedGateway } = await import('./server/desks/gateway');
  startPlanner(house());
  startOutbox(house(), simulatedGateway);
}
