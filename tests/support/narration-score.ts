import { readFileSync } from 'node:fs';
import type { Draft } from '@/core/narration/draft';
import { readNarration } from '@/core/narration/read';
import { readLabelled, type Labelled } from '../../demo/narration-file';

type Label = Labelled['labels'][number];

/** Kinds that two careful listeners may tell apart differently. */
const ALIKE: Readonly<Record<string, readonly string[]>> = {
  remaining: ['progress', 'scope'],
  progress: ['remaining'],
  caution: ['household', 'scope'],
  household: ['caution'],
  surprise: ['remaining'],
  scope: ['remaining'],
  gate: ['caution'],
};

const overlap = (label: Label, draft: Draft): number =>
  Math.min(label.to, draft.end) - Math.max(label.from, draft.start);

function right({ fields }: Label, draft: Draft): boolean {
  const said = draft as unknown as Record<string, unknown>;
  return Object.entries(fields).every(([name, wanted]) => {
    const got = said[name];
    if (draft.kind === 'measurement' || name === 'fraction')
      return (
        typeof got === 'number' &&
        Math.abs(got - Number(wanted)) <= (name === 'fraction' ? 0.15 : 0.02 * Number(wanted))
      );
    return String(got) === wanted;
  });
}

/** How well a labelled walk is read: each draft and each label counts once, paired where they overlap most. */
export function scored(file: string): {
  precision: number;
  recall: number;
  fields: number;
  missed: string[];
  extra: string[];
} {
  const text = readFileSync(file, 'utf8');
  const told = readLabelled(text);
  const areas = [
    ...new Set(
      text
        .split('\n')
        .filter((line) => /^@./.test(line))
        .map((line) => line.slice(1)),
    ),
  ].map((name) => ({ name, synonyms: name.split(' and ').filter((part) => part !== name) }));
  const drafts = readNarration(told.cues, areas);
  const pairs = told.labels
    .flatMap((label, at) =>
      drafts.flatMap((draft, index) => {
        const exact = draft.kind === label.kind;
        const common = overlap(label, draft);
        return (exact || ALIKE[label.kind]?.includes(draft.kind)) && draft.area === label.area && common > 0
          ? [{ at, index, common, exact }]
          : [];
      }),
    )
    .sort((a, b) => Number(b.exact) - Number(a.exact) || b.common - a.common);
  const [labels, used] = [new Map<number, number>(), new Set<number>()];
  for (const { at, index } of pairs) {
    if (labels.has(at) || used.has(index)) continue;
    labels.set(at, index);
    used.add(index);
  }
  const fielded = [...labels].filter(
    ([at, index]) =>
      told.labels[at]?.kind === drafts[index]?.kind && Object.keys(told.labels[at]?.fields ?? {}).length > 0,
  );
  return {
    precision: labels.size / drafts.length,
    recall: labels.size / told.labels.length,
    fields:
      fielded.filter(([at, index]) => right(told.labels[at] as Label, drafts[index] as Draft)).length / fielded.length,
    missed: told.labels
      .filter((_, index) => !labels.has(index))
      .map((label) => `${label.kind} [${label.area ?? 'whole job'}] ${label.words}`),
    extra: drafts
      .filter((_, index) => !used.has(index))
      .map((draft) => `${draft.kind} [${draft.area ?? 'whole job'}] ${draft.words}`),
  };
}
