import type { Inclusion } from '../sites/area';
import { pattern } from '../pattern';
import {
  isPerson,
  isPronoun,
  lettersOf,
  saidText,
  saidWords,
  startOf,
  thingBefore,
  toStop,
  type SaidWord,
} from './said-words';

const SPARING = new Set(
  (
    'leave leaving touch touching keep keeping do doing lift lifting mess messing protect protecting cover covering wrap ' +
    'wrapping tent mask tape sheet box save saving bother bothering with'
  ).split(' '),
);
const NOT = /^(?:not|no|nothing|never|don't|won't|aren't|isn't|absolutely|definitely)$/;
const NONE_OF = /^(?:nothing|nowt|anything|any|no|work|to)$/;
const AS_IT_IS = pattern(
  'i',
  ' (?:as (?:it|they) (?:is|are|was)|exactly how (?:it is|they are)|(?:well )?alone|be|',
  String.raw`where (?:it is|they are|it's)|the way (?:it is|they are))$`,
);

/** “Leave the ivy”, “not doing the gutters”: the thing behind the verb. */
function spareBehind(said: readonly SaidWord[]): SaidWord[] | undefined {
  const words = lettersOf(said);
  let at = 0;
  while (NOT.test(words[at] ?? '')) at++;
  const denied = at > 0 && words[0] !== 'nothing';
  if (SPARING.has(words[at] ?? '')) {
    while (SPARING.has(words[at] ?? '')) at++;
    while (NONE_OF.test(words[at] ?? '')) at++;
    const thing = toStop(said.slice(at));
    // “Leave it”: all that is here.
    if (thing.length > 0) return isPronoun(thing) ? saidWords('everything here') : thing;
  }
  return denied && at < said.length ? toStop(said.slice(at)) : undefined;
}

/** “The stained glass we leave”, “furnace keeps going”, “it’s their only toilet”: the thing in front. */
function spareInFront(said: readonly SaidWord[]): SaidWord[] | undefined {
  const before = thingBefore(said);
  const person = said.findIndex(({ word }, at) => at > 0 && isPerson(word));
  const end = Math.min(before?.thing.length ?? Infinity, person === -1 ? Infinity : person);
  if (end === Infinity || end === 0) return undefined;
  const whole = before?.thing.length === end ? before.thing : said.slice(0, end);
  // “The floor is good, so it gets covered”: what comes after the stop speaks of it once more.
  const stop = whole.findIndex((one) => one.stop !== '');
  const goesOn = stop !== -1 && /^(?:so|and|but|because|that|it)$/.test(whole[stop + 1]?.word ?? '');
  const thing = goesOn ? whole.slice(0, stop + 1) : whole;
  if (!isPronoun(thing)) return thing;
  const is = toStop(said.slice(before?.at ?? end));
  return /^(?:their|the|his|her|our|an?)$/.test(is[0]?.word ?? '') ? is : undefined;
}

/** What a sentence that spares something is about: what stays, is covered, comes off and goes back. */
export function sparedSaid(said: readonly SaidWord[]): SaidWord[] {
  const own = said.slice(startOf(said));
  const found = spareBehind(own) ?? (own[0]?.word === 'nothing' ? own : spareInFront(own)) ?? own;
  const thing = found.length > 0 ? found : [...said];
  const trimmed = saidWords(saidText(thing).replace(AS_IT_IS, ''));
  while (trimmed.length > 1 && /^(?:so|and|but|or|then|because)$/.test(trimmed.at(-1)?.word ?? '')) trimmed.pop();
  return trimmed.length > 0 ? trimmed : thing;
}

/** With what something is protected, where something is kept. */
const HOW_KEPT: Readonly<Partial<Record<Inclusion, RegExp>>> = {
  protect: pattern(
    'i',
    String.raw`\b(?:with|in|under) ((?:a |some |the )?(?:sheets? of |pieces? of )?(?:ply|plywood|boards?|hardboard|`,
    String.raw`cardboard|paper|plastic|blankets?|film|felt|dust ?sheets?|tarp|fleece|foam)(?: and \w+)?)`,
  ),
  refit: pattern(
    'i',
    String.raw`\b((?:in|under|on) the (?:garage|shed|barn|loft|attic|basement|cellar|porch|hall|van|yard|office|closet|`,
    String.raw`cupboard))\b`,
  ),
};
export const placeSaid = (words: string, stance: Inclusion): string => HOW_KEPT[stance]?.exec(words)?.[1]?.trim() ?? '';
