import { ofKind, notWithdrawn, type Observation, type Of } from './observation';
import { progressOf } from './progress';
import { phaseFacts, type Phase } from '../sequence/phases';
import { openItems } from './open-items';

/** What one walk changed, as a value: screens, updates and notices read it, none works it out again. */
export interface WalkDiff {
  progress: ProgressChange[];
  remaining: Of<'remaining'>[];
  closed: Of<'remaining'>[];
  selections: Of<'selection-check'>[];
  notes: Of<'note'>[];
  cautions: Of<'caution'>[];
  surprises: Of<'surprise'>[];
  decisions: Of<'decision'>[];
  household: Of<'household'>[];
  shorts: Of<'short'>[];
  inWalls: Of<'in-wall'>[];
  checks: Of<'check'>[];
  pictures: Of<'picture'>[];
  measurements: Of<'measurement'>[];
  /** Part of the job's whole work won, and how much of that a lay person can see: 0…1 each. */
  gain: number;
  visibleGain: number;
}

export interface ProgressChange {
  area: string;
  phase: Phase;
  from: number;
  to: number;
}

/** Planned half-days of every phase of the job, by task id: what progress weighs. */
export type Weights = ReadonlyMap<string, number>;

/**
 * What a walk changed against everything seen before it.
 * @param all every observation of the job, in any order
 */
export function diffOf(all: readonly Observation[], walk: string, weights: Weights): WalkDiff {
  const seen = notWithdrawn(all);
  const during = seen.filter((observation) => observation.walk === walk);
  const began = during[0]?.at ?? '';
  const before = progressOf(seen.filter((observation) => observation.walk !== walk && observation.at < began));
  const progress: ProgressChange[] = [...progressOf(during)].flatMap(([key, now]) => {
    const reading = ofKind(during, 'progress').find((entry) => `${entry.area}:${entry.phase}` === key);
    const from = before.get(key)?.fraction ?? 0;
    return reading && from !== now.fraction
      ? [{ area: reading.area, phase: reading.phase, from, to: now.fraction }]
      : [];
  });
  return diffFrom(seen, during, progress, weights);
}

/**
 * What changed since somebody was written to.
 * @param all what was recorded since, and all that was ever said of the items that it speaks of
 * @param isNew whether a record came since
 * @param steps how far each step was when they were written to, and is now
 */
export function diffSince(
  all: readonly Observation[],
  isNew: (observation: Observation) => boolean,
  steps: readonly ProgressChange[],
  weights: Weights,
): WalkDiff {
  const seen = notWithdrawn(all);
  const moved = steps.filter(({ from, to }) => from !== to);
  return diffFrom(seen, seen.filter(isNew), moved, weights);
}

function diffFrom(
  seen: readonly Observation[],
  during: readonly Observation[],
  progress: ProgressChange[],
  weights: Weights,
): WalkDiff {
  const doneHere = new Set(
    ofKind(during, 'recheck')
      .filter((check) => check.verdict === 'done')
      .map((check) => check.about),
  );
  const stillOpen = new Set(openItems(seen).map((open) => open.item.id));
  const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0);
  const share = (changes: readonly ProgressChange[]): number =>
    total === 0
      ? 0
      : changes.reduce(
          (sum, change) => sum + (change.to - change.from) * (weights.get(`${change.area}:${change.phase}`) ?? 0),
          0,
        ) / total;
  return {
    progress,
    remaining: ofKind(during, 'remaining').filter((entry) => stillOpen.has(entry.id)),
    closed: ofKind(seen, 'remaining').filter((entry) => doneHere.has(entry.id)),
    selections: lastChecks(ofKind(during, 'selection-check')),
    notes: ofKind(during, 'note'),
    cautions: ofKind(during, 'caution'),
    surprises: ofKind(during, 'surprise'),
    decisions: ofKind(during, 'decision'),
    household: ofKind(during, 'household'),
    shorts: ofKind(during, 'short'),
    inWalls: ofKind(during, 'in-wall'),
    checks: [...new Map(ofKind(during, 'check').map((check) => [`${check.area}:${check.line}`, check])).values()],
    pictures: ofKind(during, 'picture'),
    measurements: ofKind(during, 'measurement'),
    gain: share(progress),
    visibleGain: share(progress.filter((change) => !phaseFacts(change.phase).hidden)),
  };
}

const lastChecks = (checks: Of<'selection-check'>[]): Of<'selection-check'>[] => [
  ...new Map(checks.map((check) => [check.selection, check])).values(),
];

/** Progress of a job counted by work, not by looks: 0…1. */
export function workDone(weights: Weights, fraction: (task: string) => number): number {
  let [done, total] = [0, 0];
  for (const [task, weight] of weights) {
    done += weight * fraction(task);
    total += weight;
  }
  return total === 0 ? 0 : done / total;
}
