import { readNow } from './environment.mjs';

/**
 * The one seam to the clock. `AFTERMIST_NOW` sets it to an instant (demo, tests, screenshots), from which it ticks on;
 * which day that is, the firm's time zone says (`zone.ts`).
 */
export interface Clock {
  now: () => Date;
  /**
   * How far a clock that was set is ahead of the machine's; browsers make their times by it. 0 where nothing was set.
   */
  shiftMs: number;
}

/** @param setTo the instant at which it starts to tick; the machine's own clock where there is none */
export function makeClock(setTo?: Date): Clock {
  if (!setTo) return { now: () => new Date(), shiftMs: 0 };
  const began = performance.now();
  // Counted by the steady counter: a machine whose clock is put right meanwhile does not move a clock that was set.
  return { now: () => new Date(setTo.getTime() + performance.now() - began), shiftMs: setTo.getTime() - Date.now() };
}

/** A clock that stands, for what is told as if it had happened then. */
export const standingClock = (at: Date): Clock => ({ now: () => at, shiftMs: 0 });

/** The clock that the environment asks for. */
export const clockOfEnvironment = (): Clock => makeClock(readNow(process.env));
