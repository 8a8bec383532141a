import { readFileSync } from 'node:fs';
import { readAreaNames } from '../src/core/narration/area-names';
import { readCaptions } from '../src/core/narration/captions';
import type { DraftKind } from '../src/core/narration/draft';
import { wordsOf } from '../src/core/narration/words';
import type { Fact, LabelledWalk } from './walk-file';

export interface GivenLabel {
  start: number;
  end: number;
  kind: DraftKind;
  alsoKinds?: DraftKind[];
  area: string | null;
  words: string;
  fields?: Record<string, string | number | undefined>;
}

/** A walk given as captions, areas and labels in seconds: where its words stand is found again. */
export function givenWalk(folder: string, name: string, { gapless = false } = {}): LabelledWalk {
  const captions = readCaptions(readFileSync(`${folder}/${name}.vtt`, 'utf8'));
  if (!captions.ok) throw new Error(captions.problem.message);
  const { cues } = captions.value;
  if (gapless) cues.forEach((cue, at) => (cue.end = cues[at + 1]?.start ?? cue.end));
  const areas = readAreaNames(readFileSync(`${folder}/${name}.areas.csv`, 'utf8'));
  const { labels } = JSON.parse(readFileSync(`${folder}/${name}.labels.json`, 'utf8')) as { labels: GivenLabel[] };
  const words = wordsOf(cues);
  const facts: Fact[] = labels.map((label) => {
    const sought = wordsOf([{ start: 0, end: 0, text: label.words }]).map((word) => word.text);
    const [from, to] = found(
      words.map((word) => word.text),
      sought,
      words.findIndex((word) => (cues[word.cue]?.end ?? 0) > label.start),
    );
    const area = label.area === null ? null : areas.findIndex((known) => known.name === label.area);
    return {
      kind: label.kind,
      also: label.alsoKinds ?? [],
      area,
      from,
      to,
      fields: ['stance', 'problem', 'state', 'by'].map((name) => label.fields?.[name] ?? '').join(' '),
      text: label.words,
    };
  });
  const places: (number | null | undefined)[] = words.map(() => undefined);
  const begins: (0 | 1 | undefined)[] = words.map((_, at) => (words[at - 1]?.stop === '.' ? 1 : undefined));
  const punctuated = words.filter((word) => word.stop === '.').length > words.length / 30;
  for (const { from, to, area } of facts)
    for (let at = from; at < to; at++) {
      places[at] = area;
      if (at > from) begins[at] ??= 0;
    }
  for (const { from, to } of facts) {
    begins[from] = 1;
    if (to < words.length) begins[to] = 1;
  }
  if (punctuated) begins.forEach((known, at) => (begins[at] = known ?? 0));
  return { name, areas, cues, words, facts, places, begins };
}

/** Where most of the sought words stand in a row, near where they should. */
function found(words: readonly string[], sought: readonly string[], near: number): [number, number] {
  let best: [number, number, number] = [near, near + sought.length, -1];
  for (let from = Math.max(0, near - 3); from < Math.min(words.length, near + 80); from++) {
    let [at, hits] = [from, 0];
    for (const word of sought) {
      const next = words.indexOf(word, at);
      if (next === -1 || next - at > 3) continue;
      at = next + 1;
      hits += 1;
    }
    if (words[from] !== sought[0]) hits -= 1;
    if (hits > best[2]) best = [from, at, hits];
  }
  return [best[0], best[1]];
}
