import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readLabelled } from '../demo/narration-file';
import type { Cue } from '../src/core/narration/captions';
import { Listener, readNarration } from '../src/core/narration/read';
import { wordsOf } from '../src/core/narration/words';
import { figure, inTurn, median, type Figure } from './measure';

/** Speech of that many characters that never comes to an end, full of what could be a measure or a place. */
const endless = (characters: number): Cue[] => [
  { start: 0, end: 600, text: 'and then two and a half by the kitchen wall and '.repeat(characters / 48) },
];

/**
 * Half an hour of speech made of the demo's narrations, read anew each time; held against only cutting it into words.
 */
export async function narrationFigures(): Promise<Figure[]> {
  const folder = join(import.meta.dirname, '../demo/narrations');
  const told = readdirSync(folder).map((name) => readFileSync(join(folder, name), 'utf8'));
  const areas = [
    ...new Set(
      told
        .join('\n')
        .split('\n')
        .flatMap((line) => (line.startsWith('@') && line.length > 1 ? [line.slice(1)] : [])),
    ),
  ].map((name) => ({ name, synonyms: [] }));
  const cues: Cue[] = [];
  for (let clock = 0, turn = 0; clock < 1800; turn++) {
    const part = readLabelled(told[turn % told.length] ?? '').cues;
    cues.push(...part.map((cue) => ({ ...cue, start: cue.start + clock, end: cue.end + clock })));
    clock = (cues.at(-1)?.end ?? 0) + 2;
  }
  const [read = [], cut = []] = await inTurn(20, [() => readNarration(cues, areas), () => wordsOf(cues)]);
  const [long = [], half = []] = await inTurn(5, [
    () => readNarration(endless(60_000), areas),
    () => readNarration(endless(30_000), areas),
  ]);
  const listener = new Listener(areas);
  listener.hear(...cues);
  const [one = []] = await inTurn(60, [
    () => {
      listener.hear({ start: 1801, end: 1803, text: 'and the trim is about half' });
      return listener.drafts();
    },
  ]);
  return [
    figure('one more line of that narration', median(one), 'ms', 'all of it cut into words', median(cut)),
    figure('half an hour of narration read', median(read), 'ms', 'the same cut into words', median(cut)),
    figure('60 kB without a full stop read', median(long), 'ms', '30 kB of the same', median(half)),
  ];
}
