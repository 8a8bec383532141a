import { numberAt } from '../narration/numbers';
import type { Inclusion } from '../sites/area';
import { actSaid, type Act } from './acts-said';
import { amountSaid } from './amount-said';
import {
  isPerson,
  isPronoun,
  lettersOf,
  saidText,
  saidWords,
  saysOf,
  startOf,
  thingBefore,
  type SaidWord,
} from './said-words';
import type { ScopeDraft } from './scope-line';
import { placeSaid, sparedSaid } from './spared-said';
import { whoseThing } from './whose';

const LONGEST = 200;
const LONGEST_PLACE = 120;
const EVERYTHING: readonly SaidWord[] = saidWords('everything here');
const TRAILS = /^(?:obviously|please|anyway|too|okay|ok|right)$/;

/** A line of work from what is done to what. */
function lineOf(
  { verb, trade, thing }: Act,
  stance: Inclusion,
  more: { dependsOn?: string; place?: string } = {},
): ScopeDraft {
  const { thing: counted, much } = amountSaid(thing);
  while (counted.length > 1 && TRAILS.test(counted.at(-1)?.word ?? '')) counted.pop();
  const subject = saidText(counted.length > 0 ? counted : EVERYTHING).slice(0, LONGEST);
  const whose = trade ?? (stance === 'in' || stance === 'conditional' ? whoseThing(subject) : null);
  return {
    ...{ stance, verb, subject, dependsOn: (more.dependsOn ?? '').slice(0, LONGEST) },
    place: (more.place ?? '').slice(0, LONGEST_PLACE),
    ...(much ?? {}),
    ...(whose ? { trade: whose } : {}),
  };
}

/** The clauses of what was said: parted at stops and at “and”. */
function clausesOf(said: readonly SaidWord[]): SaidWord[][] {
  const parts: SaidWord[][] = [[]];
  for (const one of said) {
    const current = parts.at(-1) ?? [];
    if (one.word === 'and' && current.length > 0) parts.push([one]);
    else current.push(one);
    if (one.stop !== '') parts.push([]);
  }
  return parts.filter((part) => part.length > 0);
}

const GOES_ON_WITH_IT = /^(?:all|down|to|for|in|on|at|with|after|before)$/;

/** The thing meant where only “it” is said: what was spoken of last. */
function meant(thing: readonly SaidWord[], last: readonly SaidWord[]): SaidWord[] {
  const spoken = last.length > 0 ? last : EVERYTHING;
  const [one, ...others] = thing;
  if (!one) return [...spoken];
  const isIt = /^(?:it|them|that|they|those)$/.test(one.word);
  const alone = others.length === 0 || one.stop !== '' || GOES_ON_WITH_IT.test(others[0]?.word ?? '');
  return isIt && alone ? [...spoken.map((said) => ({ ...said, stop: '' as const })), ...others] : [...thing];
}

/** “A handrail to the steps”, “six sockets”: a thing that is not there yet. */
function verbFor(thing: readonly SaidWord[]): string {
  const words = lettersOf(thing);
  const number = numberAt(words, 0);
  if (number) return /^(?:coats?|feet|foot|metres?|of|square)$/.test(words[number.to] ?? '') ? 'do' : 'install';
  return /^an?$/.test(words[0] ?? '') ? 'install' : 'do';
}

/** What was said goes on with the thing; a clause that names no work of its own is said of it. */
const goneOn = (thing: readonly SaidWord[], clause: readonly SaidWord[]): SaidWord[] => {
  const stop = clause[0]?.word === 'and' ? undefined : (',' as const);
  return [...thing.map((one, at) => (stop && at === thing.length - 1 ? { ...one, stop } : one)), ...clause];
};

/** Work that is to be done: one line for each thing that is done. */
function worksOf(said: readonly SaidWord[], stance: Inclusion): ScopeDraft[] {
  const acts: Act[] = [];
  let lead: SaidWord[] = [];
  for (const clause of clausesOf(said)) {
    const current = acts.at(-1);
    const act = actSaid(clause, !current && lead.length === 0);
    if (act) {
      const last = lead.length > 0 ? lead : current ? amountSaid(current.thing).thing : [];
      acts.push({ ...act, thing: meant(act.thing, last) });
      lead = [];
    } else if (current) current.thing = goneOn(current.thing, clause);
    else lead = [...lead, ...clause];
  }
  if (acts.length > 0) return acts.map((act) => lineOf(act, stance));
  const whole = said.slice(startOf(said));
  const thing = whole.length > 0 ? whole : [...said];
  return [lineOf({ verb: stance === 'conditional' ? 'decide on' : verbFor(thing), trade: null, thing }, stance)];
}

const IF = /^(?:if|unless|once|where)$/;

/** Whether what is then done begins with a word: “then”, “we”, “it’s”. */
function beginsThen(said: readonly SaidWord[], at: number): boolean {
  const before = said[at - 1];
  const word = said[at]?.word ?? '';
  if (before?.stop !== '' || word === 'then') return true;
  if (/^(?:that|what|which|as|than|if)$/.test(before.word)) return false;
  return (
    isPerson(word) ||
    /^(?:it's|it'll|that's|they're)$/.test(word) ||
    (word === 'it' && saysOf(said[at + 1]?.word ?? ''))
  );
}

/** “If that wall is not bearing it comes out”: what it depends on, and what is then done. */
function ifParts(said: readonly SaidWord[]): { condition: SaidWord[]; then: SaidWord[] } | undefined {
  const at = said.findIndex(({ word }) => IF.test(word));
  if (at === -1) return undefined;
  // The condition behind: “we replace it if it is rotten”.
  if (at > startOf(said)) return { condition: said.slice(at), then: said.slice(0, at) };
  const rest = said.slice(at);
  for (let end = 3; end < rest.length - 1; end++)
    if (beginsThen(rest, end))
      return { condition: rest.slice(0, end), then: rest.slice(rest[end]?.word === 'then' ? end + 1 : end) };
  return undefined;
}

/** What is done, and the other way: “…, otherwise it stays”. */
function waysOf(then: readonly SaidWord[]): { one: SaidWord[]; other: SaidWord[] } {
  const at = then.findIndex(({ word }, index) => index > 0 && /^(?:otherwise|if|else)$/.test(word));
  if (at === -1) return { one: [...then], other: [] };
  const joined = /^(?:and|or|but)$/.test(then[at - 1]?.word ?? '');
  return { one: then.slice(0, joined ? at - 1 : at), other: then.slice(at) };
}

/** What depends on something: on what, what is then done, and what else. */
function conditionalLines(said: readonly SaidWord[]): ScopeDraft[] {
  const parts = ifParts(said);
  if (!parts || parts.then.length === 0) return worksOf(said, 'conditional');
  const [word, ...condition] = parts.condition;
  const { one, other } = waysOf(parts.then);
  const whether = /^(?:if|unless)$/.test(word?.word ?? '') ? 'whether ' : '';
  const dependsOn = [`${whether}${saidText(condition).replace(/,$/, '')}`, saidText(other)].filter(Boolean).join('; ');
  const act = one.length > 0 ? actSaid(one, true) : undefined;
  if (act) {
    const about = thingBefore(condition)?.thing ?? [];
    // What “it” is, where the condition does not name it, stays as it was said.
    const known = about.length > 0 && !isPronoun(about);
    if (known || act.thing.length > 0)
      return [lineOf({ ...act, thing: known ? meant(act.thing, about) : act.thing }, 'conditional', { dependsOn })];
  }
  const thing = one.slice(startOf(one));
  return [
    lineOf({ verb: 'decide on', trade: null, thing: thing.length > 0 ? thing : [...said] }, 'conditional', {
      dependsOn,
    }),
  ];
}

const SPARED_VERB: Readonly<Record<Exclude<Inclusion, 'in' | 'conditional'>, string>> = {
  out: 'touch',
  protect: 'protect',
  'keep-live': 'keep live',
  refit: 'take down and refit',
};

/**
 * What was said of the scope, as lines of work: what happens to what, how much of it, on what it depends. “New tub, new
 * tile, move the toilet” are three lines; what names no more than a thing stays in the speaker’s words.
 *
 * @param words as they were said, with or without their stops; at most a few sentences
 * @param stance how it stands, as the reader or the person has it
 * @returns at least one line, whose text is never empty
 */
export function linesSaid(words: string, stance: Inclusion): ScopeDraft[] {
  const said = saidWords(words);
  if (said.length === 0) return [lineOf({ verb: 'do', trade: null, thing: [...EVERYTHING] }, stance)];
  if (stance === 'in') return worksOf(said, stance);
  if (stance === 'conditional') return conditionalLines(said);
  const act = { verb: SPARED_VERB[stance], trade: null, thing: sparedSaid(said) };
  return [lineOf(act, stance, { place: placeSaid(words, stance) })];
}
