import { pattern } from '../pattern';
import { numberAt } from './numbers';
import type { Word } from './words';

/** A stretch of words that says one thing: from a word up to (not including) another. */
export interface Sentence {
  from: number;
  to: number;
}

const set = (text: string): ReadonlySet<string> => new Set(text.split(' '));
const VERBS = set(
  "is are was were 's has have had been will would can could should must do does did am got gets get goes go " +
    'going comes come came stays stay went looks look wants want needs need runs run makes make made says said ' +
    'called keeps keep takes took passed failed picked chose ordered showed starts stand stands blocks block ' +
    'counts figure guess think reckon know hear feeds feed uses use hangs hang means told tells put puts texted ' +
    'rang sits sit works work',
);
/** A sentence does not end on one of these. */
const OPEN_END = set(
  "the a an this that these those of in on to for with by from over under and or is are 's was were be been if " +
    'which who where when because till until before after than as not no i we he she they it you their our her his ' +
    'its my your will would can could should must at into about two three four five six between behind above below ' +
    'so but just only very really pretty too both all whole any every some does do did has have had now than ' +
    'through round like there around up down out figure guess think reckon say said know assume hope told tell ' +
    'means sure believe suspect imagine expect except besides bar minus',
);
const OPENERS = set('okay anyway whoa alright hello hi hey yes yeah');
const RESTARTS = set(
  'my our your his her i we he she they it this that these those there the a an nobody somebody everybody no ' +
    "he's both all",
);
const PRONOUNS = set('i we he she they it this that there nobody nothing somebody everybody someone everyone you');

const ADVERBS = /^(?:not|only|just|still|all|both|really|also|never|always|probably|actually|already|now|even)$/;
/** After one of these an article begins its object, not a new sentence. */
const TAKES_OBJECT = pattern(
  '',
  '^(?:watch|mind|leave|keep|put|take|see|need|want|wants|needs|get|gets|like|make|makes|',
  'give|gives|pull|move|use|open|close|tell|ask|let|got|find|found|hit|call|cut|run|block|',
  'blocks|feeds|holding|like|picked|chose|ordered|sent|passed|knock|bring|finish|start)$',
);
const COUNTS =
  /^(?:two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|twenty|thirty|forty|fifty|couple|half|dozen)$/;
const BE = /^(?:is|are|'s|has|have|needs?|was|were|came|got|gets|goes|comes|wants?|still|passed|failed|will|looks?)$/;
const NO_NOUN = pattern(
  '',
  '^(?:yet|here|there|again|back|away|off|done|hung|laid|set|ready|new|old|good|fine|great|',
  'okay|right|left|late|early|today|tomorrow|yesterday|tonight|morning|afternoon|evening|',
  'night|last|next|first|more|most|less|too|also|already|even|once|twice|ago|please|sorry|',
  'yes|yeah|about|half|short|long|wide|high|deep|tall|clear|tight|loose|wrong|nice|bad|big|',
  'small|little|much|many|lot|thing|things|everything|anything|monday|tuesday|wednesday|',
  'thursday|friday|saturday|sunday|week|weeks|days|month|months|minutes|year|percent|who|',
  'whose|what|where|why|how|such|same|other|each|one|white|black|blue|green|grey|gray|red|',
  'dry|wet|hot|cold|live|dead|straight|level|plumb|square|outside|inside|upstairs|',
  'downstairs|during|across|along|near|against|without|within|between|behind|beside|off|',
  'onto|upon|per|via|than|then|else|ever|never|always|maybe|probably|really|quite|almost|',
  'nearly|myself|himself|herself|themselves|itself|whole|full|ready|open|shut|closed|',
  'broken|bent|cut|put|run|sent|made|built|told|found|kept|held|gone|come|been|seen|known|',
  'taken|given|shown|drawn|torn|worn|split)$',
);

/** Goes before the name of a step as part of it. */
const DESCRIBES =
  /^(?:new|old|rough|first|second|final|last|floor|wall|window|door|cabinet|temporary|underfloor|rest|more|half|most|all|any)$/;

/**
 * Words that a sentence holds at most, whatever is said: a draft takes no more of them, and what looks through a sentence
 * again and again stays quick.
 */
const MOST = 80;
/** Words an unpunctuated sentence may hold before a restart is looked for harder. */
const LONG = 26;

/** Whether the captions carry full stops; if not, sentences have to be guessed from words and silences. */
const isPunctuated = (words: readonly Word[]): boolean =>
  words.filter((word) => word.stop === '.').length * 40 > words.length;

/**
 * Cuts speech into sentences: at full stops where there are any; else at silences, at words that open a new thought,
 * and where a new subject with its verb begins after a sentence that is whole. A change of place ends a sentence too.
 * @param nouns words that are subjects of the trade (framing, wiring …), which begin a sentence without an article
 */
export function sentencesOf(
  words: readonly Word[],
  places: readonly (number | null)[],
  nouns: ReadonlySet<string>,
): Sentence[] {
  const punctuated = isPunctuated(words);
  const cuts: number[] = [];
  let from = 0;
  for (let at = 1; at < words.length; at++) {
    const cut =
      at - from >= MOST ||
      words[at - 1]?.stop === '.' ||
      (places[at] !== places[at - 1] && (!punctuated || words[at - 1]?.stop !== '')) ||
      (punctuated ? clauseStarts(words, at, from) : guessed(words, at, from, nouns));
    if (!cut) continue;
    cuts.push(at);
    from = at;
  }
  return [0, ...cuts]
    .map((start, index) => ({ from: start, to: cuts[index] ?? words.length }))
    .filter((entry) => entry.to > entry.from);
}

/** In written sentences a comma and a “but” (or “so now”, “and now”) begins another matter. */
function clauseStarts(words: readonly Word[], at: number, from: number): boolean {
  if (words[at - 1]?.stop !== ',' || at - from < 4) return false;
  return words[at]?.text === 'but' && !/^(?:nobody|we|i|that|there|until|till|if)$/.test(words[at + 1]?.text ?? '');
}

function guessed(words: readonly Word[], at: number, from: number, nouns: ReadonlySet<string>): boolean {
  const text = (index: number): string => words[index]?.text ?? '';
  const [word, before, next] = [text(at), text(at - 1), text(at + 1)];
  if ((words[at]?.gap ?? 0) >= 0.9) return true;
  if (before === 'no' && /^(?:wait|sorry|hang|hold|it|that|the|not)$/.test(word)) return false;
  // “… and a quarter, no, hang on, …” goes on with the same size.
  if (
    word === 'no' &&
    (/^(?:wait|sorry|hang|hold|make|it)$/.test(next) || numberAt([next, text(at + 2), text(at + 3)], 0) !== undefined)
  )
    return false;
  if (OPENERS.has(word)) return true;
  if ((word === 'oh' || word === 'well') && at - from > 2) return true;
  if (word === 'now' && (PRONOUNS.has(next) || /^(?:the|this|these|if|for)$/.test(next)) && !OPEN_END.has(before))
    return true;
  if (
    nouns.has(word) &&
    at - from >= 3 &&
    !OPEN_END.has(before) &&
    !nouns.has(before) &&
    !DESCRIBES.test(before) &&
    verbWithin(words, at + 1, 3)
  )
    return true;
  const whole = hasVerb(words, from, at);
  if (!whole) return false;
  if (word === 'but') return true;
  if (
    word === 'so' &&
    (PRONOUNS.has(next) || /^(?:the|if|no|don't|somebody|that)$/.test(next) || VERBS.has(text(at + 2)))
  )
    return true;
  if (
    word === 'if' &&
    !OPEN_END.has(before) &&
    !/^(?:asked|ask|asking|see|check|wondering|wonder|even|as)$/.test(before)
  )
    return true;
  if (word === 'and')
    return (
      (PRONOUNS.has(next) && VERBS.has(text(at + 2))) ||
      (/^(?:the|this|these|those|no|if|now|then|watch|mind|careful)$/.test(next) && verbWithin(words, at + 1, 6))
    );
  if (
    OPEN_END.has(before) &&
    !(
      before === 'in' ||
      before === 'up' ||
      before === 'down' ||
      before === 'out' ||
      before === 'it' ||
      before === 'all' ||
      (before === 'that' && PRONOUNS.has(word)) ||
      before === 'on' ||
      before === 'them'
    )
  )
    return false;
  if (PRONOUNS.has(word))
    return VERBS.has(next) || /^\w{3,}ed$/.test(next) || (VERBS.has(text(at + 2)) && ADVERBS.test(next));
  if (/^(?:in|on|up|down|out)$/.test(before) && /^(?:the|a|this|that|here|there)$/.test(word)) return false;
  if (bareSubject(words, at, from)) return true;
  if (
    TAKES_OBJECT.test(before) ||
    (/ing$/.test(before) && VERBS.has(text(at - 2) === 'not' ? text(at - 3) : text(at - 2)))
  )
    return false;
  if (word === 'no' && nouns.has(next) && /^(?:yet|so)$/.test(text(at + 2))) return true;
  if (COUNTS.test(word))
    return (
      !/^(?:about|around|another|call|say|roughly|maybe)$/.test(before) &&
      verbWithin(words, at + 1, next === 'of' ? 5 : 3) &&
      !COUNTS.test(next)
    );
  if (RESTARTS.has(word)) return verbWithin(words, at + 1, at - from > LONG ? 9 : 8);
  return false;
}

/**
 * A bare subject (“counter height's …”, “gutters have …”) begins here: nouns up to a verb, after a sentence that is
 * whole. Where the nouns end an object (“watch your step, hatch has …”), only the last one is the subject.
 */
function bareSubject(words: readonly Word[], at: number, from: number): boolean {
  const text = (index: number): string => words[index]?.text ?? '';
  if (!isNoun(text(at)) || at - from < 3) return false;
  let verb = at + 1;
  while (verb - at < 3 && isNoun(text(verb)) && words[verb]?.gap === 0) verb += 1;
  if (!BE.test(text(verb)) || /^(?:that|which|who)$/.test(text(at - 1))) return false;
  let start = at;
  while (start > from && isNoun(text(start - 1)) && at - start < 3) start -= 1;
  const opener = text(start - 1);
  const object =
    pattern(
      '',
      '^(?:the|a|an|this|that|these|those|my|your|his|her|our|their|its|of|in|on|at|to|for|',
      'with|from|by|under|over|behind|and|or|no|both|all|into|through|any|some|every)$',
    ).test(opener) || COUNTS.test(opener);
  return object ? start < at && verb === at + 1 : start === at;
}

const isNoun = (word: string): boolean =>
  /^[a-z]{3,}$/.test(word) &&
  !OPEN_END.has(word) &&
  !VERBS.has(word) &&
  !RESTARTS.has(word) &&
  !/(?:ed|ing|ly)$/.test(word) &&
  !NO_NOUN.test(word) &&
  !COUNTS.test(word);

function hasVerb(words: readonly Word[], from: number, to: number): boolean {
  for (let at = from; at < to; at++)
    if (VERBS.has(words[at]?.text ?? '') || /^(?:\w{3,}ed|mind|watch|leave)$/.test(words[at]?.text ?? '')) return true;
  return false;
}

/** A verb comes soon, and nothing that would belong to another phrase before it. */
function verbWithin(words: readonly Word[], from: number, many: number): boolean {
  for (let at = from; at < Math.min(words.length, from + many); at++) {
    if ((words[at]?.gap ?? 0) >= 0.9) return false;
    const word = words[at]?.text ?? '';
    if (VERBS.has(word)) return true;
    if (/^(?:and|but|so|because|till|until|before|after|if)$/.test(word)) return false;
  }
  return false;
}
