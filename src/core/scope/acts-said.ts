import { numberAt } from '../narration/numbers';
import type { Trade } from '../sequence/trades';
import { isPerson, lettersOf, startOf, thingBefore, type SaidWord } from './said-words';
import { workVerbAt } from './work-verbs';

/** What is done to what. */
export interface Act {
  verb: string;
  trade: Trade | null;
  thing: SaidWord[];
}

interface Done {
  verb: string;
  trade: Trade | null;
  /** Where it ends. */
  to: number;
}

const WAYS_OUT: Readonly<Record<string, string>> = {
  out: 'take out',
  down: 'take down',
  off: 'take off',
  up: 'take up',
};
const WAYS_IN: Readonly<Record<string, string>> = { in: 'put in', up: 'put up', down: 'put down' };
const BETWEEN =
  /^(?:is|are|was|to|be|being|been|gets?|got|getting|needs?|wants?|has|have|will|going|all|both|just|also)$/;
const DONE_FORM = /(?:ed|ing|en|wn|ne|t|id|ung|ug)$/;

const takenOut = (verb: string, to: number): Done => ({ verb, trade: 'tear-out', to });

/** “Comes down”, “goes in”, “gone”, “out”: a thing leaves or comes in by itself. */
function movesAt(words: readonly string[], at: number, first: boolean): Done | undefined {
  const word = words[at] ?? '';
  const next = words[at + 1] ?? '';
  const out = WAYS_OUT[next];
  if (/^(?:come|comes|coming|came)$/.test(word) && out) return takenOut(out, at + 2);
  if (/^(?:go|goes|going)$/.test(word)) {
    const verb = WAYS_IN[next];
    const ends = words[at + 2] === undefined || next === 'in';
    if (verb && ends) return { verb, trade: null, to: at + 2 };
    return next === '' || next === 'too' ? takenOut('take out', at + 1) : undefined;
  }
  if (word === 'gone') return takenOut('take out', at + 1);
  const alone = WAYS_OUT[word];
  return first && alone && next === '' ? takenOut(alone, at + 1) : undefined;
}

/** How far behind a thing what is done to it may stand. */
const REACH = 5;

/** “Is to be stripped”, “gets replaced”, “comes down”: what is done to the thing that stands before it. */
function doneTo(words: readonly string[], from: number): Done | undefined {
  for (let at = from; at < Math.min(words.length, from + REACH); at++) {
    const word = words[at] ?? '';
    if (word === 'not' || word.endsWith("n't")) return undefined;
    const moves = movesAt(words, at, at === from);
    if (moves) return moves;
    const work = workVerbAt(words, at);
    if (work && (at > from || DONE_FORM.test(word))) return { verb: work.verb, trade: work.trade, to: at + work.words };
    if (!BETWEEN.test(word)) return undefined;
  }
  return undefined;
}

/** “Take that wall out”: the second half of the verb stands behind the thing. */
function partedVerb(said: readonly SaidWord[]): Act | undefined {
  const words = lettersOf(said);
  for (let at = 2; at < Math.min(words.length, 9); at++) {
    if (!/^(?:out|up|down|off|in|back|through)$/.test(words[at] ?? '')) continue;
    const whole = workVerbAt([words[0] ?? '', words[at] ?? ''], 0);
    if (whole?.words === 2)
      return { verb: whole.verb, trade: whole.trade, thing: [...said.slice(1, at), ...said.slice(at + 1)] };
  }
  return undefined;
}

/** “The chimney we’d repoint”: the thing first, then who does what to it. */
function thingFirst(said: readonly SaidWord[]): Act | undefined {
  const at = said.findIndex(({ word }, index) => index > 0 && isPerson(word));
  if (at === -1) return undefined;
  const rest = said.slice(at);
  const own = rest.slice(startOf(rest));
  const work = workVerbAt(lettersOf(own), 0);
  return work && { verb: work.verb, trade: work.trade, thing: [...said.slice(0, at), ...own.slice(work.words)] };
}

/** Verbs that are things too: “the tile”, “a board”. Without a thing of their own they are no work. */
const ALSO_THINGS = new Set(
  (
    'tile board frame plaster paint line vent stain seal level fit render change run shift patch move wire overlay ' +
    'lower raise prime clean strip repair sand'
  ).split(' '),
);
const BEGINS_THING =
  /^(?:the|an?|that|this|these|those|all|both|every|each|our|their|his|her|it|them|any|some|new|old|\d.*)$/;

/** “New tub”, “two new windows”, “a new sill”: what is not there yet. */
function isNew(words: readonly string[]): boolean {
  const article = /^(?:an?|the|all|some|more|brand|these|those|both)$/.test(words[0] ?? '') ? 1 : 0;
  const number = numberAt(words, article);
  const at = number && !number.fraction ? number.to : article;
  return words[at] === 'new' && words.length > at + 1;
}

/** Work that a clause begins with: “strip the stairs”, “take that wall out”. */
function leadingWork(said: readonly SaidWord[], first: boolean): Act | undefined {
  const words = lettersOf(said);
  const work = workVerbAt(words, 0);
  if (!work) return partedVerb(said) ?? thingFirst(said);
  const thing = said.slice(work.words);
  const next = thing[0]?.word ?? '';
  const named = first ? thing.length > 0 : BEGINS_THING.test(next) || numberAt(words, work.words) !== undefined;
  if (ALSO_THINGS.has(words[0] ?? '') && !named) return undefined;
  const parted = work.words === 1 ? partedVerb(said) : undefined;
  return parted ?? { verb: work.verb, trade: work.trade, thing };
}

/**
 * What is done to what in one clause; undefined where it names no work.
 * @param first whether the line begins with it: later a verb that is a thing too needs a thing of its own
 */
export function actSaid(clause: readonly SaidWord[], first: boolean): Act | undefined {
  const said = clause.slice(startOf(clause));
  const words = lettersOf(said);
  const before = thingBefore(said);
  if (before && before.thing.length > 0 && !isPerson(before.thing[0]?.word ?? '')) {
    const done = doneTo(words, before.at);
    const who = isPerson(before.thing.at(-1)?.word ?? '') ? -1 : undefined;
    if (done)
      return { verb: done.verb, trade: done.trade, thing: [...before.thing.slice(0, who), ...said.slice(done.to)] };
  }
  return isNew(words) ? { verb: 'install', trade: null, thing: said } : leadingWork(said, first);
}
