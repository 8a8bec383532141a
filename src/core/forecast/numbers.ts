import type { PlayedNetwork } from './played';

/** A played network's lists as typed arrays. */
export class Numbers {
  readonly horizon: number;
  readonly duration: Int32Array;
  readonly floor: Int32Array;
  readonly more: Int32Array;
  readonly calendar: Int32Array;
  readonly pace: Int32Array;
  readonly arrives: Int32Array;
  readonly weather: Uint8Array;
  readonly into: Int32Array;
  readonly before: Int32Array;
  readonly kind: Uint8Array;
  readonly lag: Int32Array;
  readonly lagCalendar: Int32Array;
  private readonly slots: Int32Array[];
  private readonly counts: Int32Array[];

  constructor(net: PlayedNetwork) {
    this.horizon = net.horizon;
    this.duration = Int32Array.from(net.duration);
    this.floor = Int32Array.from(net.floor);
    this.more = new Int32Array(net.ids.length);
    this.calendar = Int32Array.from(net.calendar);
    this.pace = Int32Array.from(net.pace);
    this.arrives = Int32Array.from(net.arrives);
    this.weather = Uint8Array.from(net.weather);
    this.into = Int32Array.from(net.into);
    this.before = Int32Array.from(net.links.before);
    this.kind = Uint8Array.from(net.links.kind);
    this.lag = Int32Array.from(net.links.lag);
    this.lagCalendar = Int32Array.from(net.links.calendar);
    this.slots = net.calendars.map((worked) => Int32Array.from(worked));
    this.counts = this.slots.map((worked) => {
      const counts = new Int32Array(net.horizon + 1);
      let at = 0;
      for (let slot = 0; slot <= net.horizon; slot++) {
        counts[slot] = at;
        if (worked[at] === slot) at++;
      }
      return counts;
    });
  }

  /** How many slots of a calendar are earlier than one. */
  countBefore(calendar: number, slot: number): number {
    const counts = this.counts[calendar];
    return counts?.[Math.max(0, Math.min(slot, this.horizon))] ?? 0;
  }

  /** A slot of a calendar by its number; the horizon for what lies beyond it. */
  worked(calendar: number, number: number): number {
    return this.slots[calendar]?.[Math.max(0, number)] ?? this.horizon;
  }
}
