/** A piece of work in the rooms concerned, from one slot to another. */
export interface Rung {
  label: string;
  from: number;
  to: number;
  /** It is what slipped. */
  slipped: boolean;
}

/** Work that is drawn as one: what follows at once on what is too short to be read by itself. */
export interface Block extends Omit<Rung, 'label'> {
  labels: string[];
}

/** Two pieces of work with no more than a day between them follow at once. */
const AT_ONCE = 2;

/** Rungs as they are drawn on a scale. @param least slots from which a block is tall enough for its words */
export function blocksOf(rungs: readonly Rung[], least: number): Block[] {
  const blocks: Block[] = [];
  for (const { label, ...rung } of [...rungs].sort((a, b) => a.from - b.from || a.to - b.to)) {
    const last = blocks.at(-1);
    const together =
      last &&
      last.slipped === rung.slipped &&
      (rung.from < last.to ||
        (rung.from - last.to <= AT_ONCE && Math.min(last.to - last.from, rung.to - rung.from) < least));
    if (!last || !together) blocks.push({ ...rung, labels: [label] });
    else {
      last.to = Math.max(last.to, rung.to);
      last.labels.push(label);
    }
  }
  return blocks;
}
