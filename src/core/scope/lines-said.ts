import { numberAt } from '../narration/numbers';
import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';
import type { ScopeDraft } from './scope-line';
import { whoseThing } from './whose';
import { workVerbAt } from './work-verbs';

/** A word as it was said, in small letters without its marks, and what follows it. */
interface Said {
  raw: string;
  word: string;
  stop: '' | ',' | '.';
}

const LONGEST = 200;

const saidOf = (text: string): Said[] =>
  text
    .normalize('NFC')
    .replaceAll(/[‘’]/g, "'")
    .split(/\s+/)
    .flatMap((token): Said[] => {
      const raw = token.replaceAll(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}%²³'"]+$/gu, '');
      if (raw === '') return [];
      const stop = /[.!?;:]$/.test(token) ? '.' : /,$/.test(token) ? ',' : '';
      return [{ raw, word: raw.toLowerCase(), stop }];
    });

/** Words as they were said, the stops between them kept; a sentence’s first letter is small, as in the middle of a line. */
function textOf(said: readonly Said[]): string {
  const words = said.map(({ raw, stop }, at) => (at < said.length - 1 && stop !== '' ? `${raw},` : raw)).join(' ');
  return /^(?:I|[\p{Lu}\d]{2,})\b/u.test(words) ? words : words.slice(0, 1).toLowerCase() + words.slice(1);
}

const FILLER =
  /^(?:so|and|but|then|or|oh|well|okay|ok|right|yeah|yes|now|also|plus|um|uh|er|alright|anyway|obviously|please|just|actually|basically|again|here)$/;
const PERSON = /^(?:we|i|they|he|she|you|y'all|them)$/;
const PERSON_DOES = /^(?:we|i|they|he|she|you)'(?:re|ll|m|d|ve|s)$/;
const LEADS_TO =
  /^(?:will|would|are|am|is|be|have|has|had|do|does|did|going|gonna|fixing|want|wants|wanted|need|needs|got|gotta|like|to|let's|lets|can|could|should|must|might|may|having|getting|gets?|there's|there)$/;

/** Where what is said begins: fillers, who does it and “are going to” say nothing of the work. */
function startOf(said: readonly Said[], from = 0): number {
  let at = from;
  while (at < said.length && FILLER.test(said[at]?.word ?? '')) at++;
  const person = said[at]?.word ?? '';
  if (PERSON.test(person) || PERSON_DOES.test(person)) at++;
  while (at < said.length && (LEADS_TO.test(said[at]?.word ?? '') || FILLER.test(said[at]?.word ?? ''))) at++;
  return at;
}

/** From here on something is said of the thing that stands before. */
const SAYS_OF = new RegExp(
  [
    String.raw`^(?:is|are|was|were|be|will|would|can|can't|cannot|must|should|has|have|had|isn't|aren't|ain't|won't|don't`,
    "does|do|doesn't|gets?|got|getting|needs?|wants?|stays?|staying|keeps?|keeping|comes?|came|coming|goes|go|going",
    'remains?|runs?|to|not|which|gone)$',
  ].join('|'),
);
const isOf = (word: string): boolean => /'(?:s|re|ll|ve)$/.test(word);
const withoutTail = ({ raw, word }: Said): Said => ({
  raw: raw.replace(/'(?:s|re|ll|ve)$/i, ''),
  word: word.replace(/'(?:s|re|ll|ve)$/, ''),
  stop: '',
});
const PRONOUN = /^(?:it|this|that|these|those|they|them|he|she|one|there|what|all|everything|nothing)$/;

interface Act {
  verb: string;
  trade: Trade | null;
  thing: Said[];
}

/** The thing that stands before what is said of it, and where that begins; undefined where none does. */
function thingBefore(said: readonly Said[]): { thing: Said[]; at: number } | undefined {
  const MOST = 10;
  for (let at = 0; at < Math.min(said.length, MOST); at++) {
    const { word } = said[at] as Said;
    // “The cabinet's door” is a thing, “the cabinet's coming out” says something of it.
    const owner = at > 0 && /^\p{Lu}/u.test(said[at]?.raw ?? '');
    if (isOf(word) && !owner && saysOf(said, at + 1))
      return { thing: [...said.slice(0, at), withoutTail(said[at] as Said)], at: at + 1 };
    if (at > 0 && SAYS_OF.test(word)) return { thing: said.slice(0, at), at };
  }
  return undefined;
}

/** Whether what follows `'s` is said of a thing, and is none that it owns. */
function saysOf(said: readonly Said[], at: number): boolean {
  const word = said[at]?.word ?? '';
  const wordsNow = said.map((one) => one.word);
  return (
    SAYS_OF.test(word) ||
    /^(?:out|off|down|up|in|on|gone|being|been|the|their|an?|all|mine|theirs|hers|his|next|new|sound|fine|part)$/.test(
      word,
    ) ||
    /(?:ed|ing)$/.test(word) ||
    workVerbAt(wordsNow, at) !== undefined
  );
}

const WAYS_OUT: Readonly<Record<string, string>> = {
  out: 'take out',
  down: 'take down',
  off: 'take off',
  up: 'take up',
};
const WAYS_IN: Readonly<Record<string, string>> = { in: 'put in', up: 'put up', down: 'put down' };

/** “Comes down”, “is to be stripped”, “goes in”: what is done to the thing that stands before it. */
function doneTo(words: readonly string[], from: number): { verb: string; trade: Trade | null; to: number } | undefined {
  const MOST = 5;
  for (let at = from; at < Math.min(words.length, from + MOST); at++) {
    const word = words[at] ?? '';
    const next = words[at + 1] ?? '';
    if (/^not$|n't$/.test(word)) return undefined;
    if (/^(?:come|comes|coming|came)$/.test(word)) {
      const verb = WAYS_OUT[next];
      if (verb) return { verb, trade: 'tear-out', to: at + 2 };
    }
    if (/^(?:go|goes|going)$/.test(word)) {
      const verb = WAYS_IN[next];
      const ends = words[at + 2] === undefined || next === 'in';
      if (verb && ends) return { verb, trade: null, to: at + 2 };
      if (next === '' || next === 'too') return { verb: 'take out', trade: 'tear-out', to: at + 1 };
    }
    if (word === 'gone') return { verb: 'take out', trade: 'tear-out', to: at + 1 };
    if (at === from && WAYS_OUT[word] && next === '') return { verb: WAYS_OUT[word], trade: 'tear-out', to: at + 1 };
    const work = workVerbAt(words, at);
    if (work && at > from) return { verb: work.verb, trade: work.trade, to: at + work.words };
    if (work && /(?:ed|ing|en|wn|ne|t|id|ung|ug)$/.test(word))
      return { verb: work.verb, trade: work.trade, to: at + work.words };
    if (
      !/^(?:is|are|was|to|be|being|been|gets?|got|getting|needs?|wants?|has|have|will|going|all|both|just|also|wants)$/.test(
        word,
      )
    )
      return undefined;
  }
  return undefined;
}

/** Verbs that are things too: “the tile”, “a board”. Without a thing of their own they are no work. */
const ALSO_THINGS =
  /^(?:tile|board|frame|plaster|paint|line|vent|stain|seal|level|fit|render|change|run|shift|patch|move|wire|overlay|lower|raise|prime|clean|strip|repair|sand)$/;
const BEGINS_THING =
  /^(?:the|a|an|that|this|these|those|all|both|every|each|our|their|his|her|it|them|any|some|new|old|\d.*)$/;

/** “Take that wall out”: the second half of the verb stands behind the thing. */
function partedVerb(said: readonly Said[]): Act | undefined {
  const words = said.map(({ word }) => word);
  for (let at = 2; at < Math.min(words.length, 9); at++) {
    if (!/^(?:out|up|down|off|in|back|through)$/.test(words[at] ?? '')) continue;
    const whole = workVerbAt([words[0] ?? '', words[at] ?? ''], 0);
    if (whole?.words === 2)
      return { verb: whole.verb, trade: whole.trade, thing: [...said.slice(1, at), ...said.slice(at + 1)] };
  }
  return undefined;
}

/** “The chimney we’d repoint”: the thing first, then who does what to it. */
function thingFirst(said: readonly Said[]): Act | undefined {
  const at = said.findIndex(({ word }, index) => index > 0 && (PERSON.test(word) || PERSON_DOES.test(word)));
  if (at === -1) return undefined;
  const rest = said.slice(at);
  const own = rest.slice(startOf(rest));
  const work = workVerbAt(
    own.map(({ word }) => word),
    0,
  );
  return work && { verb: work.verb, trade: work.trade, thing: [...said.slice(0, at), ...own.slice(work.words)] };
}

/** What is done to what in one clause; undefined where it names no work. @param first whether the line begins with it */
function actOf(said: readonly Said[], first: boolean): Act | undefined {
  const start = startOf(said);
  const own = said.slice(start);
  const words = own.map(({ word }) => word);
  const before = thingBefore(own);
  if (before && before.thing.length > 0 && !PERSON.test(before.thing[0]?.word ?? '')) {
    const done = doneTo(words, before.at);
    if (done) return { ...done, thing: [...before.thing, ...own.slice(done.to)] };
  }
  const article = /^(?:a|an|the|all|some|more|brand|these|those|both)$/.test(words[0] ?? '') ? 1 : 0;
  const number = numberAt(words, article);
  const fresh = number && !number.fraction ? number.to : article;
  if (words[fresh] === 'new' && words.length > fresh + 1) return { verb: 'install', trade: null, thing: own };
  const work = workVerbAt(words, 0);
  if (!work) return partedVerb(own) ?? thingFirst(own);
  const thing = own.slice(work.words);
  const bare = ALSO_THINGS.test(words[0] ?? '');
  if (
    bare &&
    (thing.length === 0 || (!first && !BEGINS_THING.test(thing[0]?.word ?? '') && !numberAt(words, work.words)))
  )
    return undefined;
  return (work.words === 1 ? partedVerb(own) : undefined) ?? { verb: work.verb, trade: work.trade, thing };
}

/** The clauses of what was said: parted at stops and at “and”. */
function clausesOf(said: readonly Said[]): Said[][] {
  const parts: Said[][] = [];
  let now: Said[] = [];
  for (const one of said) {
    if (one.word === 'and' && now.length > 0) {
      parts.push(now);
      now = [one];
      continue;
    }
    now.push(one);
    if (one.stop !== '') {
      parts.push(now);
      now = [];
    }
  }
  return now.length > 0 ? [...parts, now] : parts;
}

const UNITS: Readonly<Record<string, string>> = {
  'square metres': 'm²',
  'square metre': 'm²',
  'square meters': 'm²',
  'square meter': 'm²',
  'square feet': 'sq ft',
  'square foot': 'sq ft',
  'square yards': 'sq yd',
  'cubic metres': 'm³',
  'cubic meters': 'm³',
  'cubic yards': 'yd³',
  bags: 'bags',
  sheets: 'sheets',
  loads: 'loads',
};
const LENGTHS: Readonly<Record<string, string>> = {
  metres: 'm',
  meters: 'm',
  metre: 'm',
  meter: 'm',
  feet: 'ft',
  foot: 'ft',
};
const ROUGHLY = /^(?:about|around|some|roughly|maybe|say|call|it|near|nearly|or|so|enough|odd|of|like)$/;

/** How much of it: an area, a volume or packs anywhere; a length of it; a count in front of the thing. */
function takeMuch(thing: readonly Said[]): { thing: Said[]; much?: { quantity: number; unit: string } } {
  const words = thing.map(({ word }) => word);
  for (let at = 0; at < words.length; at++) {
    const number = numberAt(words, at);
    if (!number || number.value <= 0) continue;
    const [one = '', two = ''] = [words[number.to] ?? '', words[number.to + 1] ?? ''];
    const unit = UNITS[`${one} ${two}`] ?? UNITS[one] ?? (two === 'of' ? LENGTHS[one] : undefined);
    if (unit) {
      let [from, to] = [at, number.to + (UNITS[one] || LENGTHS[one] ? 1 : 2)];
      while (ROUGHLY.test(words[from - 1] ?? '')) from--;
      while (ROUGHLY.test(words[to] ?? '')) to++;
      const rest = [...thing.slice(0, from), ...thing.slice(to)];
      return rest.length === 0 ? { thing: [...thing] } : { thing: rest, much: { quantity: number.value, unit } };
    }
    const counts =
      at === 0 &&
      number.to < words.length &&
      !number.fraction &&
      !number.pairs &&
      Number.isInteger(number.value) &&
      number.value > 1 &&
      !LENGTHS[one] &&
      !/^(?:by|inch|inches|mil|millimetres|mm|percent|coats?|of|and|or|to)$/.test(one);
    if (counts) return { thing: thing.slice(number.to), much: { quantity: number.value, unit: 'pieces' } };
    at = number.to - 1;
  }
  return { thing: [...thing] };
}

const EVERYTHING: Said[] = saidOf('everything here');
const isPronoun = (thing: readonly Said[]): boolean => PRONOUN.test(thing[0]?.word ?? '') && thing.length === 1;

/** The thing meant where only “it” is said: what was spoken of last. */
function meant(thing: readonly Said[], last: readonly Said[]): Said[] {
  const [one, ...others] = thing;
  if (!one) return last.length > 0 ? [...last] : EVERYTHING;
  // “It”, and “it, all of it”: what follows belongs to it.
  const stands =
    /^(?:it|them|that|they|those)$/.test(one.word) &&
    (others.length === 0 ||
      one.stop !== '' ||
      /^(?:all|down|to|for|in|on|at|with|after|before)$/.test(others[0]?.word ?? ''));
  if (!stands) return [...thing];
  return [...(last.length > 0 ? last : EVERYTHING).map((said) => ({ ...said, stop: '' as const })), ...others];
}

/** Work that is to be done: one line for each thing that is done. */
function worksOf(said: readonly Said[], stance: Inclusion): ScopeDraft[] {
  const acts: Act[] = [];
  let lead: Said[] = [];
  let last: Said[] = [];
  for (const clause of clausesOf(said)) {
    const act = actOf(clause, acts.length === 0 && lead.length === 0);
    if (act) {
      const thing = meant(act.thing, lead.length > 0 ? lead : last);
      acts.push({ ...act, thing });
      last = takeMuch(thing).thing.map((one) => ({ ...one }));
      lead = [];
      continue;
    }
    const current = acts.at(-1);
    if (!current) lead = [...lead, ...clause];
    else
      current.thing = [
        ...current.thing.slice(0, -1),
        ...current.thing
          .slice(-1)
          .map((one) => ({ ...one, stop: clause[0]?.word === 'and' ? one.stop : (',' as const) })),
        ...clause,
      ];
  }
  if (acts.length === 0) {
    const whole = said.slice(startOf(said));
    const thing = whole.length > 0 ? whole : [...said];
    return [lineOf({ verb: stance === 'conditional' ? 'decide on' : verbFor(thing), trade: null, thing }, stance)];
  }
  return acts.map((act) => lineOf(act, stance));
}

/** “A handrail to the steps”, “six sockets”: a thing that is not there yet. */
function verbFor(thing: readonly Said[]): string {
  const words = thing.map(({ word }) => word);
  const number = numberAt(words, 0);
  if (number) return /^(?:coats?|feet|foot|metres?|of|square)$/.test(words[number.to] ?? '') ? 'do' : 'install';
  return /^an?$/.test(words[0] ?? '') ? 'install' : 'do';
}

function lineOf(
  { verb, trade, thing }: Act,
  stance: Inclusion,
  more: { dependsOn?: string; place?: string } = {},
): ScopeDraft {
  const { thing: counted, much } = takeMuch(thing);
  while (counted.length > 1 && /^(?:obviously|please|anyway|too|okay|ok|right)$/.test(counted.at(-1)?.word ?? ''))
    counted.pop();
  const subject = textOf(counted.length > 0 ? counted : EVERYTHING).slice(0, LONGEST);
  const whose = trade ?? (stance === 'in' || stance === 'conditional' ? whoseThing(subject) : null);
  return {
    stance,
    verb,
    subject,
    dependsOn: (more.dependsOn ?? '').slice(0, LONGEST),
    place: (more.place ?? '').slice(0, 120),
    ...(much ?? {}),
    ...(whose ? { trade: whose } : {}),
  };
}

const SPARING =
  /^(?:leave|leaving|touch|touching|keep|keeping|do|doing|lift|lifting|mess|messing|protect|protecting|cover|covering|wrap|wrapping|tent|mask|tape|sheet|box|save|saving|bother|bothering|with)$/;
const TAIL =
  / (?:as (?:it|they) (?:is|are|was)|exactly how (?:it is|they are)|alone|be|well alone|where (?:it is|they are|it's)|the way (?:it is|they are))$/i;

/** What a sentence that spares something is about: what stays, is covered, comes off and goes back. */
function sparedThing(said: readonly Said[]): Said[] {
  const start = startOf(said);
  const own = said.slice(start);
  const first = own[0]?.word ?? '';
  const toComma = (list: readonly Said[]): Said[] => {
    const stop = list.findIndex((one) => one.stop !== '');
    return stop === -1 ? [...list] : list.slice(0, stop + 1);
  };
  let at = 0;
  while (
    at < own.length &&
    /^(?:not|no|nothing|never|don't|won't|aren't|isn't|absolutely|definitely)$/.test(own[at]?.word ?? '')
  )
    at++;
  if (SPARING.test(own[at]?.word ?? '')) {
    while (SPARING.test(own[at]?.word ?? '')) at++;
    while (/^(?:nothing|nowt|anything|any|no|work|to)$/.test(own[at]?.word ?? '')) at++;
    const thing = toComma(own.slice(at));
    if (thing.length > 0 && !isPronoun(thing)) return thing;
  }
  if (first === 'nothing') return own;
  if (at > 0 && at < own.length) return toComma(own.slice(at));
  const before = thingBefore(own);
  const person = own.findIndex((one, index) => index > 0 && (PERSON.test(one.word) || PERSON_DOES.test(one.word)));
  const end = Math.min(before?.thing.length ?? Infinity, person === -1 ? Infinity : person);
  if (end !== Infinity && end > 0) {
    const thing = before && before.thing.length === end ? before.thing : own.slice(0, end);
    if (!isPronoun(thing)) return thing;
    // “It’s their only toilet, so …”: what it is.
    const is = toComma(own.slice(before?.at ?? end));
    if (/^(?:their|the|his|her|our|an?)$/.test(is[0]?.word ?? '')) return is;
  }
  return own.length > 0 ? own : [...said];
}

const SPARED_VERB: Readonly<Record<Exclude<Inclusion, 'in' | 'conditional'>, string>> = {
  out: 'touch',
  protect: 'protect',
  'keep-live': 'keep live',
  refit: 'take down and refit',
};

/** “Where”, “with what”: how something spared is kept. */
const HOW_KEPT: Readonly<Partial<Record<Inclusion, RegExp>>> = {
  protect:
    /\b(?:with|in|under) ((?:a |some |the )?(?:sheets? of |pieces? of )?(?:ply|plywood|boards?|hardboard|cardboard|paper|plastic|blankets?|film|felt|dust ?sheets?|tarp|fleece|foam)(?: and \w+)?)/i,
  refit:
    /\b((?:in|under|on) the (?:garage|shed|barn|loft|attic|basement|cellar|porch|hall|van|yard|office|closet|cupboard))\b/i,
};

/** “If that wall is not bearing it comes out”: what it depends on, and what is then done. */
function ifParts(said: readonly Said[]): { condition: Said[]; then: Said[] } | undefined {
  const at = said.findIndex(({ word }) => /^(?:if|unless|once|where)$/.test(word));
  if (at === -1) return undefined;
  // The condition behind: “we replace it if it is rotten”.
  if (at > startOf(said)) return { condition: said.slice(at), then: said.slice(0, at) };
  const rest = said.slice(at);
  for (let end = 3; end < rest.length - 1; end++) {
    const [before, one, next] = [rest[end - 1], rest[end], rest[end + 1]];
    const word = one?.word ?? '';
    const begins =
      word === 'then' ||
      ((PERSON.test(word) || PERSON_DOES.test(word) || /^(?:it's|it'll|that's|they're)$/.test(word)) &&
        !/^(?:that|what|which|as|than|if)$/.test(before?.word ?? '')) ||
      (word === 'it' && SAYS_OF.test(next?.word ?? ''));
    if (before?.stop !== '' || begins)
      return { condition: rest.slice(0, end), then: rest.slice(word === 'then' ? end + 1 : end) };
  }
  return undefined;
}

function conditionalLines(said: readonly Said[]): ScopeDraft[] {
  const parts = ifParts(said);
  if (!parts || parts.then.length === 0) return worksOf(said, 'conditional');
  const [word, ...condition] = parts.condition;
  const about = thingBefore(condition)?.thing ?? [];
  // What comes after “otherwise” is the other way, and stays with the condition.
  const other = parts.then.findIndex(({ word: each }, at) => at > 0 && /^(?:otherwise|if|else)$/.test(each));
  const then =
    other === -1
      ? parts.then
      : parts.then.slice(0, /^(?:and|or|but)$/.test(parts.then[other - 1]?.word ?? '') ? other - 1 : other);
  const otherwise = other === -1 ? [] : parts.then.slice(other);
  const dependsOn = [
    `${/^(?:if|unless)$/.test(word?.word ?? '') ? 'whether ' : ''}${textOf(condition).replace(/,$/, '')}`,
    otherwise.length > 0 ? textOf(otherwise) : '',
  ]
    .filter(Boolean)
    .join('; ');
  const act = then.length > 0 ? actOf(then, true) : undefined;
  if (!act) {
    const thing = then.slice(startOf(then));
    return [
      lineOf({ verb: 'decide on', trade: null, thing: thing.length > 0 ? thing : [...said] }, 'conditional', {
        dependsOn,
      }),
    ];
  }
  return [
    lineOf({ ...act, thing: meant(act.thing, about.length > 0 && !isPronoun(about) ? about : []) }, 'conditional', {
      dependsOn,
    }),
  ];
}

/**
 * What was said of the scope, as lines of work: what happens to what, how much of it, on what it depends. “New tub, new
 * tile, move the toilet” are three lines; what says no more than a thing stays in the speaker’s words.
 *
 * @param words as they were said, with or without their stops; at most a few sentences
 * @param stance how it stands, as the reader or the person has it
 * @returns at least one line, whose text is never empty
 */
export function linesSaid(words: string, stance: Inclusion): ScopeDraft[] {
  const said = saidOf(words);
  if (said.length === 0) return [lineOf({ verb: 'do', trade: null, thing: EVERYTHING }, stance)];
  if (stance === 'in') return worksOf(said, stance);
  if (stance === 'conditional') return conditionalLines(said);
  const place = HOW_KEPT[stance]?.exec(words)?.[1]?.trim() ?? '';
  const thing = sparedThing(said);
  const trimmed = saidOf(textOf(thing).replace(TAIL, ''));
  while (trimmed.length > 1 && /^(?:so|and|but|or|then|because)$/.test(trimmed.at(-1)?.word ?? '')) trimmed.pop();
  return [
    lineOf({ verb: SPARED_VERB[stance], trade: null, thing: trimmed.length > 0 ? trimmed : thing }, stance, { place }),
  ];
}
