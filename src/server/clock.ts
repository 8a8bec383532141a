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
  /** What the machine shows, where that is before what was recorded last. */
  behind?: () => { shows: Date; latest: Date } | undefined;
}

/** @param setTo the instant at which it starts to tick; the machine's own clock where there is none */
export function makeClock(setTo?: Date): Clock {
  if (!setTo) return { now: () => new Date(), shiftMs: 0 };
  const began = performance.now();
  // Counted by the steady counter: a machine whose clock is put right meanwhile does not move a clock that was set.
  return { now: () => new Date(setTo.getTime() + performance.now() - began), shiftMs: setTo.getTime() - Date.now() };
}

/** A machine's clock may run behind by this much before it is not believed. */
const BELIEVED_MS = 60_000;

/**
 * The machine's own clock, which is not believed where it is before what was recorded last: what comes in then would hide
 * behind older records, and links that are over would open again. It goes on from the newest record instead.
 * @param latest when the newest record was kept; undefined where there is none to go by
 */
export function forwardClock(latest: () => Date | undefined, machine: () => Date = () => new Date()): Clock {
  /** Counts on from the newest record while the machine is behind it. */
  let standIn: { from: Date; clock: Clock } | undefined;
  const behind = (): { shows: Date; latest: Date } | undefined => {
    const [shows, last] = [machine(), latest()];
    return last && shows.getTime() + BELIEVED_MS < last.getTime() ? { shows, latest: last } : undefined;
  };
  return {
    now: () => {
      const late = behind();
      if (!late) return machine();
      if (!standIn || standIn.from < late.latest) standIn = { from: late.latest, clock: makeClock(late.latest) };
      return standIn.clock.now();
    },
    shiftMs: 0,
    behind,
  };
}

/** A clock that stands, for what is told as if it had happened then. */
export const standingClock = (at: Date): Clock => ({ now: () => at, shiftMs: 0 });
