import { answer, refuse, type Outcome } from '../problem';

/**
 * Captions as they come from recorders and players.
 *
 * | form | known by | time |
 * |---|---|---|
 * | WebVTT | `WEBVTT`, `00:13.014 --> 00:18.436` | as written |
 * | SubRip | a number, `00:00:13,014 --> 00:00:18,436` | as written |
 * | plain text | no arrow in it | estimated from the number of words |
 */
export interface Cue {
  /** Seconds from the beginning. */
  start: number;
  end: number;
  text: string;
}

export interface Captions {
  format: 'vtt' | 'srt' | 'txt';
  cues: Cue[];
  /** Lines with an arrow whose times could not be read; what they say is kept with the cue before. */
  unread: number;
}

/** A day of talking fits; more is a file of another kind. */
export const LONGEST_NARRATION = 2_000_000;
/** An unhurried speaker, for text that brings no times. */
const WORDS_A_SECOND = 2.5;

const STAMP = String.raw`(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2})(?:[.,](\d{1,3}))?`;
const TIMING = new RegExp(String.raw`^\s*${STAMP}\s*-->\s*${STAMP}`);
const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  nbsp: ' ',
  quot: '"',
  apos: "'",
  lrm: '',
  rlm: '',
};

const seconds = (
  hours: string | undefined,
  minutes: string | undefined,
  whole: string | undefined,
  part: string | undefined,
): number => Number(hours ?? 0) * 3600 + Number(minutes ?? 0) * 60 + Number(whole ?? 0) + Number(`0.${part ?? '0'}`);

/** What is heard: marks of voice and style, entities and control signs are taken off. */
const spoken = (line: string): string =>
  line
    .replace(/<[^<>]{0,200}>/g, '')
    .replace(/\{\\[^{}]{0,80}\}/g, '')
    .replace(/&(\w{2,5});/g, (whole, name: string) => ENTITIES[name] ?? whole)
    .replace(/[\p{Cc}\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/**
 * Reads captions or plain text. Times out of order are put in order, ends before their beginning are moved to it.
 * @returns the cues, or a problem for nothing at all, for a file that is no text, and for one that is far too long
 */
export function readCaptions(text: string): Outcome<Captions> {
  if (text.length > LONGEST_NARRATION)
    return refuse({
      code: 'narration-too-long',
      message:
        `A narration has at most ${LONGEST_NARRATION / 1_000_000} million characters; this one has more. Cut it in ` +
        'parts.',
    });
  if (text.slice(0, 2_000).includes('\u0000'))
    return refuse({
      code: 'narration-unreadable',
      message: 'This is no text. Drop captions (.vtt, .srt) or plain text (.txt).',
    });
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n?|\n/);
  const timed = lines.some((line) => line.includes('-->'));
  const read = timed ? timedCues(lines) : { cues: plainCues(lines), unread: 0 };
  if (read.cues.length === 0)
    return refuse({
      code: 'narration-empty',
      message: timed
        ? 'No line of these captions could be read: times look like 00:13.014 --> 00:18.436.'
        : 'Nothing is said in this text.',
    });
  return answer({ format: !timed ? 'txt' : /^\s*WEBVTT/.test(lines[0] ?? '') ? 'vtt' : 'srt', ...read });
}

function timedCues(lines: readonly string[]): { cues: Cue[]; unread: number } {
  const cues: Cue[] = [];
  let cue: Cue | undefined;
  let unread = 0;
  let skipping = false;
  lines.forEach((line, index) => {
    if (line.includes('-->')) {
      const times = TIMING.exec(line);
      skipping = false;
      if (!times) {
        unread += 1;
        return;
      }
      const start = seconds(times[1], times[2], times[3], times[4]);
      cues.push((cue = { start, end: Math.max(start, seconds(times[5], times[6], times[7], times[8])), text: '' }));
    } else if (line.trim() === '') skipping = false;
    else if (/^(NOTE|STYLE|REGION)\b/.test(line) && (lines[index - 1] ?? '').trim() === '') skipping = true;
    // A number alone before the times is the cue's name, not a word.
    else if (cue && !skipping && !(/^\s*\S{1,40}\s*$/.test(line) && (lines[index + 1] ?? '').includes('-->')))
      cue.text = `${cue.text} ${spoken(line)}`.trim();
  });
  return { cues: cues.filter((entry) => entry.text !== '').sort((a, b) => a.start - b.start), unread };
}

function plainCues(lines: readonly string[]): Cue[] {
  let at = 0;
  return lines
    .flatMap((line) => {
      const text = spoken(line);
      if (text === '') return [];
      // Long paragraphs are cut at their sentences, so that a draft points at what it was read from.
      return (text.match(/[^.!?]{1,400}[.!?]*\s*/g) ?? [text]).map((part): Cue => {
        const start = at;
        at += Math.max(1, part.split(' ').length) / WORDS_A_SECOND;
        return { start, end: at, text: part.trim() };
      });
    })
    .filter((cue) => cue.text !== '');
}

const two = (value: number): string => String(value).padStart(2, '0');
function stampOf(seconds: number): string {
  const clock = [seconds / 3600, (seconds / 60) % 60, seconds % 60].map((part) => two(Math.floor(part)));
  return `${clock.join(':')}.${String(Math.floor((seconds % 1) * 1000)).padStart(3, '0')}`;
}

/** Cues as WebVTT. */
export const writeCaptions = (cues: readonly Cue[]): string =>
  `WEBVTT\n\n${cues.map((cue) => `${stampOf(cue.start)} --> ${stampOf(cue.end)}\n${cue.text}\n`).join('\n')}`;

/** How the job as a whole is named among standpoints. */
export const WHOLE_JOB = 'whole job';
/** The standpoint that a cue is, in small letters: `[Kitchen]` says that from here on it is the kitchen. */
export const standpointIn = (text: string): string | undefined =>
  /^\s*\[([^[\]]{1,60})\]\s*$/.exec(text)?.[1]?.toLowerCase();
/** How a standpoint is written among what was said; null is the job as a whole. */
export const standpointText = (area: string | null): string => `[${area ?? WHOLE_JOB}]`;
