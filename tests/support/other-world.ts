import type { PlayedNetwork } from '@/core/forecast/played';
import { FF, SS } from '@/core/forecast/played';
import { seeded } from '@/core/units/seeded';
import { dayOfSlot } from '@/core/units/slot';

/**
 * A world that a forecast knows nothing of but its records: times with another tail, weather that comes in long spells, a
 * sub who is always late. It is read by no code of the application.
 */
export class OtherWorld {
  private readonly random: () => number;
  private readonly pace = new Map<number, { mean: number; tail: number }>();
  private readonly tardy = new Map<number, number>();

  constructor(seed: number) {
    this.random = seeded(seed * 31 + 7);
  }

  /** What work of a kind takes against what was planned: mostly near, sometimes far over it. */
  ratio(kind: number): number {
    const known = this.pace.get(kind) ?? { mean: 0.85 + 0.4 * this.random(), tail: 0.05 + 0.15 * this.random() };
    this.pace.set(kind, known);
    // The sum of six draws, so wide or narrow on both sides, and now and then a tail that a curve of bells has not.
    const bulk = (this.random() + this.random() + this.random() + this.random() + this.random() + this.random()) / 3;
    return known.mean * (0.5 + 0.5 * bulk) * (this.random() < known.tail ? 1.4 + 1.2 * this.random() : 1);
  }

  /** Half-days after it was said: one sub in six is late each time, the others seldom. */
  late(crew: number): number {
    const always = this.tardy.get(crew) ?? (this.random() < 1 / 6 ? 1 : 0);
    this.tardy.set(crew, always);
    if (always) return 1 + Math.floor(4 * this.random());
    return this.random() < 0.06 ? 2 + Math.floor(6 * this.random()) : 0;
  }

  /** Wet half-days as often as the month says, in spells of a week rather than one by one. */
  weather(net: PlayedNetwork): boolean[] {
    const wet: boolean[] = [];
    for (let slot = 0; slot < net.horizon; slot++) {
      const share = net.normals[Number(dayOfSlot(net.origin, slot).slice(5, 7)) - 1]?.[0] ?? 0;
      const before = wet[slot - 1] ?? this.random() < share;
      const [end, begin] = [(1 - share) / 4, share / 4];
      wet.push(slot < net.outlookUntil ? false : before ? this.random() >= end : this.random() < begin);
    }
    return wet;
  }

  /** What becomes of the work: the slot after the last half-day of each end. */
  play(net: PlayedNetwork): number[] {
    const start = net.ids.map(() => 0);
    const finish = net.ids.map(() => 0);
    const wet = this.weather(net);
    const more = net.ids.map(() => 0);
    for (const chance of net.chances) if (this.random() < chance.wrong) more[chance.task] = chance.more;
    for (const task of net.order) {
      const calendar = net.calendars[net.calendar[task] ?? 0] ?? [];
      const days = (from: number): number[] => calendar.filter((slot) => slot >= from);
      let [moment, endBy] = [net.floor[task] ?? 0, 0];
      for (let at = net.into[task] ?? 0; at < (net.into[task + 1] ?? 0); at++) {
        const before = net.links.before[at] ?? 0;
        const lag = net.links.lag[at] ?? 0;
        const of = net.links.calendar[at] ?? -1;
        let time = (net.links.kind[at] === SS ? start[before] : finish[before]) ?? 0;
        if (lag > 0 && of >= 0) time = ((net.calendars[of] ?? []).filter((slot) => slot >= time)[lag - 1] ?? time) + 1;
        else time += lag;
        if (net.links.kind[at] === FF) endBy = Math.max(endBy, time);
        else moment = Math.max(moment, time);
      }
      const planned = net.duration[task] ?? 0;
      if (planned === 0) {
        start[task] = finish[task] = Math.max(moment, endBy);
        continue;
      }
      const kind = net.pace[task] ?? -1;
      const halfDays = (kind < 0 ? planned : Math.max(1, Math.round(planned * this.ratio(kind)))) + (more[task] ?? 0);
      const crew = net.arrives[task] ?? -1;
      const left = days(moment).slice(crew < 0 ? 0 : this.late(crew));
      const used = (net.weather[task] ?? 0) & 1 ? left.filter((slot) => !wet[slot]) : left;
      start[task] = left[0] ?? net.horizon;
      finish[task] = Math.max(endBy, (used[halfDays - 1] ?? net.horizon) + 1);
    }
    return net.ends.map(({ tasks }) => Math.max(...tasks.map((task) => finish[task] ?? 0)));
  }
}
