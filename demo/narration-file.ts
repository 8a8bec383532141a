import { writeCaptions, type Cue } from '../src/core/narration/captions';

/**
 * A narration of the demo as it was labelled by hand: what is said, and what a careful listener would write down of it.
 */
export interface Labelled {
  cues: Cue[];
  labels: {
    kind: string;
    area: string | null;
    from: number;
    to: number;
    words: string;
    fields: Record<string, string>;
  }[];
}

const WORDS_A_SECOND = 2.6;
const WORDS_A_CUE = 9;

/**
 * Reads the demo's notation: `@Area` says where the speaker is, `{kind field=value}words{}` what a stretch of words
 * says. Cues are cut after a number of words, as captions cut sentences anywhere; a change of room brings a silence.
 */
export function readLabelled(text: string): Labelled {
  const labels: Labelled['labels'] = [];
  const said: { word: string; pause: boolean }[] = [];
  const spans: { at: number; to: number }[] = [];
  let area: string | null = null;
  for (const line of text.trim().split('\n')) {
    if (line.startsWith('@')) {
      area = line.slice(1) || null;
      continue;
    }
    let first = true;
    for (const piece of line.split(/(\{[^}]*\})/)) {
      const mark = /^\{(\S*) ?([^}]*)\}$/.exec(piece);
      if (!mark) {
        for (const word of piece.split(/\s+/).filter(Boolean)) {
          said.push({ word, pause: first && said.length > 0 });
          first = false;
        }
      } else if (mark[1]) {
        labels.push({
          kind: mark[1],
          area,
          from: 0,
          to: 0,
          words: '',
          fields: Object.fromEntries(
            (mark[2] ?? '')
              .split(' ')
              .filter(Boolean)
              .map((pair) => pair.split('=') as [string, string]),
          ),
        });
        spans.push({ at: said.length, to: said.length });
      } else {
        const span = spans.at(-1);
        if (span) span.to = said.length;
      }
    }
  }
  const cues: Cue[] = [];
  const cueOf: number[] = [];
  let clock = 1;
  for (let at = 0; at < said.length;) {
    let to = at + 1;
    while (to < said.length && to - at < WORDS_A_CUE && said[to]?.pause !== true) to += 1;
    if (said[at]?.pause) clock += 1.2;
    cues.push({
      start: clock,
      end: clock + (to - at) / WORDS_A_SECOND,
      text: said
        .slice(at, to)
        .map((entry) => entry.word)
        .join(' '),
    });
    clock += (to - at) / WORDS_A_SECOND;
    for (; at < to; at++) cueOf.push(cues.length - 1);
  }
  labels.forEach((label, index) => {
    const span = spans[index] ?? { at: 0, to: 1 };
    label.from = cues[cueOf[span.at] ?? 0]?.start ?? 0;
    label.to = cues[cueOf[span.to - 1] ?? 0]?.end ?? 0;
    label.words = said
      .slice(span.at, span.to)
      .map((entry) => entry.word)
      .join(' ');
  });
  return { cues, labels };
}

/** The same as a caption file. */
export const captionsOf = ({ cues }: Labelled): string => writeCaptions(cues);
