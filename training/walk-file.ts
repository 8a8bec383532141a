import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { NamedArea } from '../src/core/narration/area-aliases';
import type { Cue } from '../src/core/narration/captions';
import { DRAFT_KINDS, type DraftKind } from '../src/core/narration/draft';
import { wordsOf, type Word } from '../src/core/narration/words';
import { seeded } from '../src/core/units/seeded';

/** Something said on a labelled walk that should come to a draft. */
export interface Fact {
  kind: DraftKind;
  /** Kinds that are as right. */
  also: DraftKind[];
  /** Index of an area; null for the job as a whole. */
  area: number | null;
  /** Its words, `from` up to `to`. */
  from: number;
  to: number;
  /** What the label says beside the kind, as it is written. */
  fields: string;
  text: string;
}

/** A walk with everything that should be heard in it. */
export interface LabelledWalk {
  name: string;
  areas: NamedArea[];
  cues: Cue[];
  words: Word[];
  facts: Fact[];
  /** The area at each word, where it is known. */
  places: (number | null | undefined)[];
  /** Where a sentence begins, where that is known: 1 yes, 0 no, undefined not known. */
  begins: (0 | 1 | undefined)[];
}

interface Utterance {
  text: string;
  area: number | null;
  label?: { kind: DraftKind; also: DraftKind[]; fields: string };
}

export interface WrittenWalk {
  name: string;
  areas: NamedArea[];
  bare: boolean;
  utterances: Utterance[];
}

const LABEL = new RegExp(`^((?:${DRAFT_KINDS.join('|')})(?:/(?:${DRAFT_KINDS.join('|')}))*)(?: ([^:]*))?: (.*)$`);

export function labelOf(line: string): { text: string; label?: Utterance['label'] } {
  const found = LABEL.exec(line);
  if (!found) return { text: line };
  const [kind, ...also] = (found[1] ?? '').split('/') as DraftKind[];
  return { text: found[3] ?? '', label: { kind: kind!, also, fields: found[2] ?? '' } };
}

/** Reads a walk as it is written in `walks` and `kept-out`. */
export function readWalkFile(path: string): WrittenWalk {
  const walk: WrittenWalk = { name: path.replace(/^.*\/|\.walk$/g, ''), areas: [], bare: false, utterances: [] };
  let area: number | null = null;
  for (const line of readFileSync(path, 'utf8').split('\n')) {
    if (line.trim() === '' || line.startsWith('#')) continue;
    if (line.startsWith('speech:')) walk.bare = line.includes('bare');
    else if (line.startsWith('area:')) {
      const [name = '', , , called = ''] = line
        .slice(5)
        .split('|')
        .map((part) => part.trim());
      walk.areas.push({
        name,
        synonyms: called
          .split(';')
          .map((part) => part.trim())
          .filter(Boolean),
      });
    } else if (line.startsWith('@')) {
      const name = line.slice(1).trim();
      const index = walk.areas.findIndex((known) => known.name === name);
      if (name !== '-' && index === -1) throw new Error(`${path}: no area is called ${name}.`);
      area = name === '-' ? null : index;
    } else walk.utterances.push({ ...labelOf(line), area });
  }
  return walk;
}

export const walksIn = (folder: string): WrittenWalk[] =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.walk'))
    .sort()
    .map((file) => readWalkFile(join(folder, file)));

const bareText = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}'’%\s-]/gu, '')
    .replace(/-/g, ' ');

/** Seconds a word takes, unhurried. */
const WORD = 0.36;

/**
 * Captions of a walk, cut anywhere as recorders cut them.
 * @param pauses whether silences are heard between what was said; real captions often have none
 */
export function captioned(
  walk: WrittenWalk,
  { bare = walk.bare, pauses = true, seed = 1 }: { bare?: boolean; pauses?: boolean; seed?: number } = {},
): LabelledWalk {
  const random = seeded(seed);
  const cues: Cue[] = [];
  const facts: Fact[] = [];
  const places: (number | null)[] = [];
  const begins: (0 | 1)[] = [];
  let time = 0.5;
  let said: string[] = [];
  let began = time;
  let most = 8 + Math.floor(random() * 8);
  const flush = (): void => {
    if (said.length > 0) cues.push({ start: began, end: time, text: said.join(' ') });
    said = [];
    most = 8 + Math.floor(random() * 8);
  };
  for (const { text, area, label } of walk.utterances) {
    if (pauses && random() < 0.35) {
      flush();
      time += 0.15 + random() * random() * 2.5;
    }
    const from = places.length;
    let starts = true;
    for (const token of text.split(/\s+/).filter(Boolean)) {
      if (said.length === 0) began = time;
      const spoken = bare ? bareText(token).trim() : token;
      const count = wordsOf([{ start: 0, end: 0, text: token }]).length;
      for (let part = 0; part < count; part++) {
        places.push(area);
        begins.push(starts && part === 0 ? 1 : 0);
      }
      if (count > 0) starts = /[.!?]["')]*$/.test(token);
      said.push(spoken);
      time += WORD;
      if (said.length >= most) {
        flush();
        if (pauses && random() < 0.06) time += 0.1 + random() * 0.4;
      }
    }
    if (label) facts.push({ ...label, area, from, to: places.length, text });
  }
  flush();
  const words = wordsOf(cues);
  if (words.length !== places.length)
    throw new Error(`${walk.name}: ${words.length} words are heard of ${places.length}.`);
  return { name: walk.name, areas: walk.areas, cues, words, facts, places, begins };
}

/** The same walk where nobody has told what rooms are also called. */
export const plainly = (walk: LabelledWalk): LabelledWalk => ({
  ...walk,
  areas: walk.areas.map(({ name }) => ({ name, synonyms: [] })),
});
