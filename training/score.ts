import type { Cue } from '../src/core/narration/captions';
import type { DraftKind } from '../src/core/narration/draft';
import type { LabelledWalk } from './walk-file';

export interface Proposed {
  kind: DraftKind;
  area: number | null;
  start: number;
  end: number;
}

export interface Scored {
  facts: number;
  drafts: number;
  matched: number;
  /** Drafts and labels alike in time and kind but not in place, and the other way round. */
  placeWrong: number;
  kindWrong: number;
  missed: number;
  chatter: number;
  f1: number;
}

export const secondsOf = (cues: readonly Cue[], words: LabelledWalk['words'], from: number, to: number) => ({
  start: cues[words[from]?.cue ?? 0]?.start ?? 0,
  end: cues[words[to - 1]?.cue ?? 0]?.end ?? 0,
});

/** Pairs each label with at most one draft: the same kind and area, overlapping in time, the largest overlap first. */
export function pairs(
  walk: LabelledWalk,
  drafts: readonly Proposed[],
  loose: { place?: boolean; kind?: boolean } = {},
): Map<number, number> {
  const found: { label: number; draft: number; overlap: number; exact: boolean }[] = [];
  walk.facts.forEach((fact, label) => {
    const { start, end } = secondsOf(walk.cues, walk.words, fact.from, fact.to);
    drafts.forEach((draft, at) => {
      const exact = draft.kind === fact.kind;
      if (!loose.kind && !exact && !fact.also.includes(draft.kind)) return;
      if (!loose.place && draft.area !== fact.area) return;
      const overlap = Math.min(end, draft.end) - Math.max(start, draft.start);
      if (overlap > 1e-6) found.push({ label, draft: at, overlap, exact });
    });
  });
  found.sort((a, b) => b.overlap - a.overlap || Number(b.exact) - Number(a.exact));
  const byLabel = new Map<number, number>();
  const used = new Set<number>();
  for (const { label, draft } of found)
    if (!byLabel.has(label) && !used.has(draft)) {
      byLabel.set(label, draft);
      used.add(draft);
    }
  return byLabel;
}

export function scoreWalk(walk: LabelledWalk, drafts: readonly Proposed[]): Scored {
  const matched = pairs(walk, drafts);
  const noPlace = pairs(walk, drafts, { place: true });
  const noKind = pairs(walk, drafts, { kind: true });
  const any = pairs(walk, drafts, { kind: true, place: true });
  return {
    facts: walk.facts.length,
    drafts: drafts.length,
    matched: matched.size,
    placeWrong: noPlace.size - matched.size,
    kindWrong: noKind.size - matched.size,
    missed: walk.facts.length - any.size,
    chatter: drafts.filter(
      (draft) =>
        !walk.facts.some((fact) => {
          const { start, end } = secondsOf(walk.cues, walk.words, fact.from, fact.to);
          return Math.min(end, draft.end) - Math.max(start, draft.start) > 1e-6;
        }),
    ).length,
    f1: (2 * matched.size) / Math.max(1, drafts.length + walk.facts.length),
  };
}
