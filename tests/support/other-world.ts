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

  /**
   * What becomes of the work: the slot after the last half-day of each end. Half-day by half-day each crew takes of all its
   * work what is ready and was planned first.
   */
  play(net: PlayedNetwork): number[] {
    const start: (number | undefined)[] = net.ids.map(() => undefined);
    const finish: (number | undefined)[] = net.ids.map(() => undefined);
    const wet = this.weather(net);
    const more = net.ids.map(() => 0);
    for (const chance of net.chances) if (this.random() < chance.wrong) more[chance.task] = chance.more;
    const left = net.ids.map((_, task) => task).sort((a, b) => (net.planned[a] ?? 0) - (net.planned[b] ?? 0));
    for (let slot = 0; left.length > 0 && slot <= net.horizon; slot++) {
      for (let again = true; again;) {
        const begun = left.filter((task) => {
          const ready = readyOf(net, task, start, finish);
          if (ready > slot || busy(net, task, slot, start, finish) > 0) return false;
          this.work(net, task, Math.max(slot, ready), more[task] ?? 0, wet, start, finish);
          return true;
        });
        again = begun.length > 0;
        for (const task of begun) left.splice(left.indexOf(task), 1);
      }
    }
    return net.ends.map(({ tasks }) => Math.max(...tasks.map((task) => finish[task] ?? net.horizon)));
  }

  private work(
    net: PlayedNetwork,
    task: number,
    slot: number,
    more: number,
    wet: boolean[],
    start: Times,
    finish: Times,
  ): void {
    const endBy = endByOf(net, task, start, finish);
    const planned = net.duration[task] ?? 0;
    if (planned === 0 && more === 0) {
      start[task] = finish[task] = Math.max(slot, endBy);
      return;
    }
    const kind = net.pace[task] ?? -1;
    const halfDays = (kind < 0 ? planned : Math.max(1, Math.round(planned * this.ratio(kind)))) + more;
    const crew = net.arrives[task] ?? -1;
    const days = (net.calendars[net.calendar[task] ?? 0] ?? []).filter((one) => one >= slot);
    const left = days.slice(crew < 0 ? 0 : this.late(crew));
    const used = (net.weather[task] ?? 0) & 1 ? left.filter((one) => !wet[one]) : left;
    start[task] = left[0] ?? net.horizon;
    finish[task] = Math.max(endBy, (used[halfDays - 1] ?? net.horizon) + 1);
  }
}

type Times = (number | undefined)[];

/** By when a task may begin; never while something before it has no time yet. */
function readyOf(net: PlayedNetwork, task: number, start: Times, finish: Times): number {
  return Math.max(
    net.floor[task] ?? 0,
    ...linksOf(net, task, start, finish).map(({ kind, time }) => (kind === FF && time < Infinity ? 0 : time)),
  );
}

const endByOf = (net: PlayedNetwork, task: number, start: Times, finish: Times): number =>
  Math.max(0, ...linksOf(net, task, start, finish).map(({ kind, time }) => (kind === FF ? time : 0)));

function linksOf(net: PlayedNetwork, task: number, start: Times, finish: Times): { kind: number; time: number }[] {
  const links = [];
  for (let at = net.into[task] ?? 0; at < (net.into[task + 1] ?? 0); at++) {
    const before = net.links.before[at] ?? 0;
    const lag = net.links.lag[at] ?? 0;
    const of = net.links.calendar[at] ?? -1;
    const kind = net.links.kind[at] ?? 0;
    let time = (kind === SS ? start[before] : finish[before]) ?? Infinity;
    if (lag > 0 && of >= 0 && time < Infinity) {
      const from = time;
      time = ((net.calendars[of] ?? []).filter((slot) => slot >= from)[lag - 1] ?? from) + 1;
    } else time += lag;
    links.push({ kind, time });
  }
  return links;
}

/** Parts of a task's crew that are missing at a slot. */
function busy(net: PlayedNetwork, task: number, slot: number, start: Times, finish: Times): number {
  const crew = net.crew[task] ?? -1;
  if (crew < 0) return 0;
  const taken = net.ids.reduce(
    (sum, _, other) =>
      net.crew[other] === crew && start[other] !== undefined && (finish[other] ?? 0) > slot
        ? sum + (net.parts[other] ?? 0)
        : sum,
    0,
  );
  return taken + (net.parts[task] ?? 0) - (net.crews[crew] ?? 0);
}
