import { PHASE_KEYS, shortLabel, type Phase } from './phases';

/** Letters that a step may be told by: the first of its short name with one of those that follow. */
function* pairs(label: string): Generator<string> {
  const letters = label.toLowerCase().replace(/[^a-z]/g, '');
  const first = (letters[0] ?? 'x').toUpperCase();
  // The consonants say more of a word than what stands between them.
  for (const letter of letters.slice(1)) if (!'aeiou'.includes(letter)) yield first + letter;
  for (const letter of letters.slice(1)) if ('aeiou'.includes(letter)) yield first + letter;
  for (const letter of 'abcdefghijklmnopqrstuvwxyz') yield first + letter;
}

const codes = new Map<Phase, string>();
const taken = new Set<string>();
for (const phase of PHASE_KEYS)
  for (const pair of pairs(shortLabel(phase)))
    if (!taken.has(pair)) {
      codes.set(phase, pair);
      taken.add(pair);
      break;
    }

/** Two letters for a step, unlike those of any other: what stands on a board where there is no room for a word. */
export const phaseCode = (phase: Phase): string => codes.get(phase) ?? '';
