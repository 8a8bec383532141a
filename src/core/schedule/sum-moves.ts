import { groupBy } from '../group-by';
import { causeKey, causesIn } from './cause';

/** One move of a piece of work by a plan, or of a job's last day. */
export interface Move {
  id: number;
  /** Instant of the plan that moved it. */
  madeAt: string;
  task: string | null;
  /** Worked half-days; less than 0 is earlier. */
  halves: number;
  /** As it is kept. */
  cause: string;
}

export interface Summed {
  /** Moves that take over what others of theirs moved, with what they move by now. */
  kept: { id: number; halves: number }[];
  /** Ids of the moves that are told by others now, or that took one another back. */
  dropped: number[];
}

/**
 * Moves of one job with those of one cause, whichever record it came with, of one piece
 * of work and between the same two baselines made one, so that what
 * moved since any baseline, and why, is told as before. The last one of them stands for all.
 * @param moves in the order in which they were made
 * @param baselines instants at which something was kept to measure against
 */
export function sumMoves(moves: readonly Move[], baselines: readonly string[]): Summed {
  const since = (move: Move): number => baselines.filter((kept) => kept < move.madeAt).length;
  const groups = groupBy(moves, (move) => JSON.stringify([since(move), move.task, causeKey(causesIn(move.cause))]));
  const summed: Summed = { kept: [], dropped: [] };
  for (const group of groups.values()) {
    const halves = group.reduce((sum, move) => sum + move.halves, 0);
    const last = group.at(-1);
    const stands = halves !== 0 ? last : undefined;
    if (stands && group.length > 1) summed.kept.push({ id: stands.id, halves });
    for (const move of group) if (move !== stands) summed.dropped.push(move.id);
  }
  return summed;
}
