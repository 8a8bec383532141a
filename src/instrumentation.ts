/** Runs once when a server starts, before its first request: the planner's thread, the outbox and the suppliers' desk. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { house } = await import('./server/house');
  const { startPlanner } = await import('./server/schedule/planner');
  const { startOutbox } = await import('./server/updates/outbox');
  const { simulatedGateway } = await import('./server/desks/gateway');
  const { startSuppliers } = await import('./server/selections/hear');
  const { simulatedSuppliers } = await import('./server/desks/suppliers');
  startPlanner(house());
  startOutbox(house(), simulatedGateway);
  startSuppliers(house(), simulatedSuppliers);
}
