/** A binary heap of task numbers by a fixed order of preference; the smallest comes out first. */
export class ReadyQueue {
  private readonly heap: number[] = [];
  /** @param place for every task its place in the order, each different, so that ties cannot depend on history */
  constructor(private readonly place: Int32Array) {}

  get size(): number {
    return this.heap.length;
  }

  private at(position: number): number {
    return this.place[this.heap[position] ?? 0] ?? 0;
  }

  push(task: number): void {
    this.heap.push(task);
    let child = this.heap.length - 1;
    while (child > 0) {
      const parent = (child - 1) >> 1;
      if (this.at(parent) <= this.at(child)) return;
      this.swap(parent, child);
      child = parent;
    }
  }

  pop(): number | undefined {
    const top = this.heap[0];
    const last = this.heap.pop();
    if (last === undefined || this.heap.length === 0) return top;
    this.heap[0] = last;
    let parent = 0;
    for (;;) {
      const left = 2 * parent + 1;
      const right = left + 1;
      let least = parent;
      if (left < this.heap.length && this.at(left) < this.at(least)) least = left;
      if (right < this.heap.length && this.at(right) < this.at(least)) least = right;
      if (least === parent) return top;
      this.swap(parent, least);
      parent = least;
    }
  }

  private swap(a: number, b: number): void {
    const held = this.heap[a] ?? 0;
    this.heap[a] = this.heap[b] ?? 0;
    this.heap[b] = held;
  }
}
