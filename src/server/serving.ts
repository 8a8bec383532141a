/** Whether this thread answers requests; what computes for long says here that it does not belong on it. */
const thread = globalThis as typeof globalThis & { aftermistServes?: boolean };

/** Said once, by the thread that answers requests. */
export function serve(): void {
  thread.aftermistServes = true;
}

/** Refuses to be run where requests are answered: everybody would wait with whoever asked for it. */
export function refuseWhereServed(what: string): void {
  if (thread.aftermistServes) throw new Error(`${what} is done in a thread, not where requests are answered.`);
}
