import type { Numbers } from './numbers';
import type { PlayedNetwork } from './played';

/** How far down its list a crew looks for other work. */
const LOOKS = 12;

/** Where it is not known when the next work will be ready. */
const UNKNOWN = -1;

/**
 * Who begins what as time passes. A crew takes its work in the order of the plan. Where its next work is not ready though
 * its time has come, it takes the next that is, unless it would be at it twice as long as it would have waited.
 */
export class Stage {
  private readonly count: number;
  /** Tasks that wait for each, as `into` has those that each waits for. */
  private readonly from: Int32Array;
  private readonly after: Int32Array;
  /** Of each crew, its tasks in the order of the plan, and how far all of them are begun. */
  private readonly queue: Int32Array;
  private readonly queueFrom: Int32Array;
  private readonly head: Int32Array;
  private readonly free: Int32Array;
  private readonly last: Int32Array;
  private readonly waits: Int32Array;
  private readonly ready: Int32Array;
  private readonly isBegun: Uint8Array;
  private readonly looksAgain: Uint8Array;
  /**
   * What happens at a slot: tasks that become ready, tasks whose crew is free again (from `count` on), and crews that look
   * again on the next day on which they work (from twice `count` on).
   */
  private readonly first: Int32Array;
  private readonly following: Int32Array;
  /** Crews whose next work is due at a slot. */
  private readonly due: number[][];
  /** Crews that look what is next, and those for which nothing was, which look for other work. */
  private readonly toLook: number[] = [];
  private readonly idle: number[] = [];
  private readonly looks: Uint8Array;
  private readonly atOnce: number[] = [];
  private slot = 0;

  constructor(
    private readonly given: PlayedNetwork,
    private readonly net: Numbers,
  ) {
    const { ids, crew, crews, planned } = given;
    this.count = ids.length;
    const lists = ids.map((): number[] => []);
    ids.forEach((_, task) => {
      for (let link = net.into[task] ?? 0, end = net.into[task + 1] ?? 0; link < end; link++)
        lists[net.before[link] ?? 0]?.push(task);
    });
    [this.from, this.after] = flat(lists);
    const queues = crews.map((): number[] => []);
    crew.forEach((who, task) => queues[who]?.push(task));
    for (const tasks of queues) tasks.sort((a, b) => (planned[a] ?? 0) - (planned[b] ?? 0) || a - b);
    [this.queueFrom, this.queue] = flat(queues);
    this.due = Array.from({ length: net.horizon + 1 }, () => []);
    queues.forEach((tasks, who) => {
      for (const slot of new Set(tasks.map((task) => planned[task] ?? 0))) this.due[slot]?.push(who);
    });
    this.head = new Int32Array(crews.length);
    this.free = new Int32Array(crews.length);
    this.last = new Int32Array(crews.length);
    this.looks = new Uint8Array(crews.length);
    this.waits = new Int32Array(this.count);
    this.ready = new Int32Array(this.count);
    this.isBegun = new Uint8Array(this.count);
    this.first = new Int32Array(net.horizon + 1);
    this.looksAgain = new Uint8Array(crews.length);
    this.following = new Int32Array(2 * this.count + crews.length);
  }

  /** Before a run. @param readyAt when a task is ready that waits for no other */
  clear(readyAt: (task: number) => number): void {
    this.first.fill(-1);
    this.isBegun.fill(0);
    this.looksAgain.fill(0);
    this.ready.fill(UNKNOWN);
    this.last.fill(-1);
    this.head.set(this.queueFrom.subarray(0, this.head.length));
    this.free.set(this.given.crews);
    this.slot = 0;
    for (let task = 0; task < this.count; task++) {
      this.waits[task] = (this.net.into[task + 1] ?? 0) - (this.net.into[task] ?? 0);
      if (this.waits[task] === 0) this.becomesReady(task, readyAt(task));
    }
  }

  /** Goes on to a slot. */
  open(slot: number): void {
    this.slot = slot;
    for (const who of this.due[slot] ?? []) this.lookAt(who);
  }

  /** The next task that begins at this slot; -1 where none does any more. */
  next(): number {
    for (;;) {
      this.happen();
      const task = this.atOnce.pop();
      if (task !== undefined) return task;
      // What is next in the order of the plan goes first: it may make ready what another waits for.
      const who = this.toLook.at(-1);
      if (who !== undefined) {
        const next = this.inOrder(who);
        if (next >= 0) return this.taken(who, next);
        this.toLook.pop();
        this.looks[who] = 0;
        this.idle.push(who);
        continue;
      }
      const idle = this.idle.at(-1);
      if (idle === undefined) return -1;
      const other = this.other(idle);
      if (other >= 0) return this.taken(idle, other);
      this.idle.pop();
    }
  }

  /** Which task had the crew of one last. */
  freedBy(task: number): number {
    return this.last[this.given.crew[task] ?? -1] ?? -1;
  }

  /** Says that one was begun, and when its crew is free again. @param readyAt when what waited for it is ready */
  begun(task: number, finish: number, readyAt: (task: number) => number): void {
    this.isBegun[task] = 1;
    if ((this.given.crew[task] ?? -1) >= 0) this.happensAt(Math.max(finish, this.slot), this.count + task);
    for (let at = this.from[task] ?? 0, end = this.from[task + 1] ?? 0; at < end; at++) {
      const after = this.after[at] ?? 0;
      const left = (this.waits[after] ?? 0) - 1;
      this.waits[after] = left;
      if (left === 0) this.becomesReady(after, readyAt(after));
    }
  }

  private becomesReady(task: number, at: number): void {
    const slot = Math.max(this.slot, Math.min(at, this.net.horizon));
    this.ready[task] = slot;
    this.happensAt(slot, task);
  }

  private happensAt(slot: number, what: number): void {
    const at = Math.min(slot, this.net.horizon);
    this.following[what] = this.first[at] ?? -1;
    this.first[at] = what;
  }

  private happen(): void {
    for (let what = this.first[this.slot] ?? -1; what >= 0; what = this.following[what] ?? -1) {
      if (what >= 2 * this.count) {
        this.looksAgain[what - 2 * this.count] = 0;
        this.lookAt(what - 2 * this.count);
        continue;
      }
      const task = what < this.count ? what : what - this.count;
      const who = this.given.crew[task] ?? -1;
      if (who < 0) this.atOnce.push(task);
      else {
        if (what >= this.count) {
          this.free[who] = (this.free[who] ?? 0) + (this.given.parts[task] ?? 0);
          this.last[who] = task;
        }
        this.lookAt(who);
      }
    }
    this.first[this.slot] = -1;
  }

  private lookAt(who: number): void {
    if (this.looks[who] !== 0) return;
    this.looks[who] = 1;
    this.toLook.push(who);
  }

  private taken(who: number, task: number): number {
    this.free[who] = (this.free[who] ?? 0) - (this.given.parts[task] ?? 0);
    return task;
  }

  private inOrder(who: number): number {
    const task = this.nextOf(who);
    return task >= 0 && this.canTake(who, task) ? task : -1;
  }

  /** What a crew does while its next work is not ready though its time has come. */
  private other(who: number): number {
    const next = this.nextOf(who);
    if (next < 0 || this.isReady(next) || (this.given.planned[next] ?? 0) > this.slot) return -1;
    const ready = this.ready[next] ?? UNKNOWN;
    const most = ready === UNKNOWN ? Infinity : 2 * (ready - this.slot);
    const end = Math.min(this.queueFrom[who + 1] ?? 0, (this.head[who] ?? 0) + LOOKS);
    for (let at = (this.head[who] ?? 0) + 1; at < end; at++) {
      const task = this.queue[at] ?? 0;
      if (!this.canTake(who, task) || (this.net.duration[task] ?? 0) > most) continue;
      const begins = this.worksFrom(task);
      if (begins === this.slot) return task;
      // On a day off nobody takes other work: by the next day what comes first may be ready.
      if (this.looksAgain[who] === 0) this.happensAt(begins, 2 * this.count + who);
      this.looksAgain[who] = 1;
    }
    return -1;
  }

  private canTake(who: number, task: number): boolean {
    return this.isBegun[task] === 0 && this.isReady(task) && (this.given.parts[task] ?? 0) <= (this.free[who] ?? 0);
  }

  /** The first slot from now on on which a task's calendar is worked. */
  private worksFrom(task: number): number {
    const calendar = this.net.calendar[task] ?? 0;
    return this.net.worked(calendar, this.net.countBefore(calendar, this.slot));
  }

  private nextOf(who: number): number {
    const end = this.queueFrom[who + 1] ?? 0;
    let head = this.head[who] ?? 0;
    while (head < end && this.isBegun[this.queue[head] ?? 0] !== 0) head++;
    this.head[who] = head;
    return head < end ? (this.queue[head] ?? -1) : -1;
  }

  private isReady(task: number): boolean {
    const ready = this.ready[task] ?? UNKNOWN;
    return ready !== UNKNOWN && ready <= this.slot;
  }
}

/** Lists one after the other: where each begins, with one more for the end, and all of them. */
function flat(lists: readonly (readonly number[])[]): [Int32Array, Int32Array] {
  const from = new Int32Array(lists.length + 1);
  lists.forEach((list, at) => (from[at + 1] = (from[at] ?? 0) + list.length));
  return [from, Int32Array.from(lists.flat())];
}
