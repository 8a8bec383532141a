import type { PlayedNetwork } from './played';
import type { Tally } from './play';

/** Runs of a whole forecast. */
export const RUNS = 10_000;

/** An end as a chance: slots that are the moment after the last half-day. */
export interface EndForecast {
  id: string;
  label: string;
  /** By then it is done in 5 of ten, in 8 of ten, and in 1 and 9 of ten. */
  half: number;
  likely: number;
  best: number;
  worst: number;
  /** How likely the promise is kept, 0…1; null where nothing was promised. */
  kept: number | null;
}

/** What it is worth to have one uncertainty settled now. */
export interface Worth {
  label: string;
  kind: 'inspection' | 'assumption' | 'order' | 'decision';
  /** Half-days (of all, not only worked) by which the end comes sooner in the mean if it goes well. */
  sooner: number;
  /** What that saves in the mean, in hundredths; 0 where nobody has said what a day costs. */
  saves: number;
  /** How likely it goes wrong. */
  wrong: number;
}

export interface Forecast {
  runs: number;
  ends: EndForecast[];
  /** Tasks by how often they decided the end, the most often first. */
  critical: { task: string; share: number }[];
  worth: Worth[];
}

/** The first slot by which so large a share of runs was done. */
function slotAt(counts: readonly number[], share: number): number {
  const runs = counts.reduce((sum, count) => sum + count, 0);
  let done = 0;
  for (let slot = 0; slot < counts.length; slot++) {
    done += counts[slot] ?? 0;
    if (done >= share * runs && done > 0) return slot;
  }
  return counts.length - 1;
}

const ONE_IN_TEN = 0.1;
/** Worth is told from a quarter of a day on. */
const TOLD = 0.5;

/** What a tally says. */
export function forecastOf(net: PlayedNetwork, tally: Tally): Forecast {
  const mean = tally.sum / Math.max(1, tally.runs);
  const meanCost = tally.cost / Math.max(1, tally.runs);
  return {
    runs: tally.runs,
    ends: net.ends.map(({ id, label, promise }, at) => {
      const counts = tally.ends[at] ?? [];
      return {
        ...{ id, label },
        half: slotAt(counts, 0.5),
        likely: slotAt(counts, 0.8),
        best: slotAt(counts, ONE_IN_TEN),
        worst: slotAt(counts, 1 - ONE_IN_TEN),
        kept:
          promise === null
            ? null
            : counts.slice(0, promise + 1).reduce((sum, count) => sum + count, 0) / Math.max(1, tally.runs),
      };
    }),
    critical: tally.critical
      .map((count, task) => ({ task: net.ids[task] ?? '', share: count / Math.max(1, tally.runs) }))
      .filter(({ share }) => share > 0)
      .sort((a, b) => b.share - a.share || (a.task < b.task ? -1 : 1)),
    worth: [...net.chances, ...net.comings]
      .map(({ label, kind }, at): Worth => {
        const { runs = 0, sum = 0, cost = 0 } = tally.well[at] ?? {};
        return {
          ...{ label, kind, wrong: 1 - runs / Math.max(1, tally.runs) },
          sooner: runs > 0 ? mean - sum / runs : 0,
          saves: runs > 0 ? Math.round(meanCost - cost / runs) : 0,
        };
      })
      .filter(({ sooner }) => sooner >= TOLD)
      .sort((a, b) => b.sooner - a.sooner),
  };
}
