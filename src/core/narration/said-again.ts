import type { Draft } from './draft';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N} ]/gu, '')
    .trim();

/** What a draft is about, where a later word on it takes its place; undefined where two may both hold. */
function matterOf({ kind, area, unclear, phase, subject }: Draft): string | undefined {
  if (unclear) return undefined;
  const place = area ?? '';
  if (kind === 'progress') return phase && `progress ${place} ${phase}`;
  return (kind === 'measurement' || kind === 'selection') && plain(subject) !== ''
    ? `${kind} ${place} ${plain(subject)}`
    : undefined;
}

/** What it says of its matter. */
const valueOf = ({ fraction, mm, mm2, choice }: Draft): string =>
  [fraction, mm, mm2, choice && plain(choice)].join(' ');

/**
 * Facts that were said again otherwise: “tape is sixty, no, call it forty”. The later one counts, and what was said
 * before stands beside it.
 *
 * @param drafts in the order in which they were said
 * @returns for each draft what it takes the place of, or `later` where another takes its own
 */
export function saidAgain(drafts: readonly Draft[]): ({ before: Draft[] } | 'later')[] {
  const last = new Map<string, number>();
  drafts.forEach((draft, at) => {
    const matter = matterOf(draft);
    if (matter !== undefined) last.set(matter, at);
  });
  return drafts.map((draft, at) => {
    const matter = matterOf(draft);
    const counts = matter === undefined ? at : last.get(matter);
    if (counts !== at) return valueOf(drafts[counts ?? at] ?? draft) === valueOf(draft) ? { before: [] } : 'later';
    return {
      before: drafts.filter(
        (other, index) =>
          index < at && matter !== undefined && matterOf(other) === matter && valueOf(other) !== valueOf(draft),
      ),
    };
  });
}
