import { sayOutlook } from '@/contract/commands/schedule';
import { today } from '../zone';
import { queryAll } from '../database/query';
import { dispatch } from '../dispatch/dispatch';
import type { Installation } from '../installation';

const EVERY_MS = 3 * 3_600_000;

/**
 * Has the weather desk say the half-days of its outlook that nobody has spoken of yet, through the one door; what a
 * person typed stays.
 * @returns how many half-days were new
 */
export function pollWeather(installation: Installation): number {
  const now = today(installation);
  const known = new Set(
    queryAll<{ key: string }>(installation.db, `SELECT day || half AS key FROM outlook WHERE day >= @now`, { now }).map(
      (row) => row.key,
    ),
  );
  const halves = installation.outside.weather.outlook(now).filter((half) => !known.has(`${half.day}${half.half}`));
  if (halves.length === 0) return 0;
  dispatch(
    installation,
    { kind: 'desk', id: 'weather' },
    { id: crypto.randomUUID(), type: sayOutlook.type, at: installation.clock.now().toISOString(), payload: { halves } },
  );
  return halves.length;
}

/** Listens at the start and every few hours; an empty installation has nothing to plan and hears nothing. */
export function startWeather(installation: Installation): void {
  const hear = (): void => {
    if (queryAll(installation.db, 'SELECT 1 FROM firm').length > 0) pollWeather(installation);
  };
  setInterval(hear, EVERY_MS).unref();
  setTimeout(hear, 1_000).unref();
}
