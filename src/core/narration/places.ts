import { pattern } from '../pattern';
import { wordsOf, type Word } from './words';

/** An area as the speaker may call it. */
export interface NamedArea {
  name: string;
  synonyms: readonly string[];
}

const set = (text: string): ReadonlySet<string> => new Set(text.split(' '));
const DETERMINERS = set('the this our their her his that');
/** Said before a name by somebody who stands there or goes there. */
const STANDING = set(
  'back here still out down up over so and now then okay right again start starting begin standing am are we ' +
    'first next finally lastly on coming come go going in',
);
const LEADS_THERE = set('down up out inside round around along onto into through to in on at with enter entering');
const GOING = set(
  'through over down out up back on going go come coming round moving move across along next off run walk ' +
    'walking get head heading in now right onto way around step',
);
/** Pipes and drains go places; the speaker does not go with them. */
const RUNS = set('runs run goes leads opens drains vents carries feeds empties connects looks backs');
const AWAY = set(
  'of behind for from above below under over beside against near between by than like as per holding matching ' +
    'facing towards toward past',
);
/** What a name in front of it only describes. */
const THINGS = set(
  'floor floors cabinet cabinets sink window windows door doors wall walls ceiling tile tiles light lights ' +
    'counter counters worktop worktops side end units unit beam joists drain duct pipe pipes fan radiator stair ' +
    'stairs roof gutter gate trim paint fridge hood switch sockets circuit wiring plumbing vanity mirror shower ' +
    "valve island table chairs floorboards boards skirting guys crew people's",
);
const WHOLE =
  /^(?:whole house|whole job|whole place|whole site|whole building|in general|every room|any room|what else)(?: |$)/;
const WHOLE_BEGINS = set('whole in every any what generally overall everywhere throughout all last one before');
/** So only where a sentence begins with it. */
const WHOLE_FIRST = pattern(
  '',
  String.raw`^(?:generally|overall|everywhere|throughout|all over|what is left|what 's left|`,
  'last thing|one more thing|before i go|last of all)(?: |$)(?!to )',
);

interface Mention {
  from: number;
  to: number;
  area: number | null;
}

/**
 * Where the speaker is at every word: the index of an area, or null for the job as a whole or where nothing was named
 * yet. A name moves him when he says that he goes or stands there, or when he says it alone like a heading; what only
 * describes a thing (a kitchen floor) or lies elsewhere (behind the bath) does not.
 */
export function placesOf(words: readonly Word[], areas: readonly NamedArea[]): (number | null)[] {
  const names = namesOf(areas);
  const places: (number | null)[] = [];
  let here: number | null = null;
  let at = 0;
  while (at < words.length) {
    const mention = mentionAt(words, at, names, here);
    if (mention) {
      here = mention.area;
      while (at < mention.to) places[at++] = here;
    } else places[at++] = here;
  }
  return places;
}

type Names = Map<string, { parts: string[]; area: number }[]>;

/** By their first word, the longest first. */
function namesOf(areas: readonly NamedArea[]): Names {
  const names: Names = new Map();
  areas.forEach((area, index) => {
    for (const name of [area.name, ...area.synonyms]) {
      const parts = wordsOf([{ start: 0, end: 0, text: name }]).map((word) => word.text);
      if (parts[0] && DETERMINERS.has(parts[0]) && parts.length > 1) parts.shift();
      const first = parts[0];
      if (first) names.set(first, [...(names.get(first) ?? []), { parts, area: index }]);
    }
  });
  for (const list of names.values()) list.sort((a, b) => b.parts.length - a.parts.length);
  return names;
}

function mentionAt(words: readonly Word[], at: number, names: Names, here: number | null): Mention | undefined {
  const text = (index: number): string => words[index]?.text ?? '';
  const ahead = WHOLE_BEGINS.has(text(at)) ? [0, 1, 2, 3].map((step) => text(at + step)).join(' ') : '';
  if (WHOLE.test(ahead) || (WHOLE_FIRST.test(ahead) && opens(words, at))) return { from: at, to: at + 2, area: null };
  const name = names.get(text(at))?.find(({ parts }) => parts.every((part, step) => text(at + step) === part));
  if (!name) return undefined;
  const to = at + name.parts.length;
  return moves(words, at, to, here) ? { from: at, to, area: name.area } : undefined;
}

/** Said first after a silence, a full stop or a word that opens a new thought. */
const opens = (words: readonly Word[], at: number): boolean =>
  begins(words, at) ||
  (/^(?:okay|right|now|so|then|next|well|oh|and)$/.test(words[at - 1]?.text ?? '') &&
    (begins(words, at - 1) || /^(?:okay|right|next)$/.test(words[at - 1]?.text ?? '')));
const ends = (word: Word | undefined): boolean => word === undefined || word.stop !== '';
const begins = (words: readonly Word[], at: number): boolean =>
  at === 0 || words[at - 1]?.stop === '.' || (words[at]?.gap ?? 0) >= 0.6;

function moves(words: readonly Word[], from: number, to: number, here: number | null): boolean {
  const text = (index: number): string => words[index]?.text ?? '';
  const determined = DETERMINERS.has(text(from - 1)) && words[from - 1]?.stop === '';
  const first = determined ? from - 1 : from;
  const before = first > 0 && words[first - 1]?.stop !== '.' ? text(first - 1) : '';
  const follows = text(to);
  const describes = THINGS.has(follows) && words[to - 1]?.stop === '';
  // “Kitchen cabinets are late”, said before anything else: it is about that room all the same.
  if (describes)
    return (
      !determined &&
      (here === null
        ? begins(words, first)
        : words[first - 1]?.stop !== '.' && opens(words, first) && words[first - 1]?.stop !== ',')
    );
  if (begins(words, first)) return !(follows === "'s" && determined && !ends(words[to - 1])) || !determined;
  if (ends(words[first - 1]) && ends(words[to - 1])) return true;
  if (/^(?:first|next)$/.test(follows)) return true;
  if (AWAY.has(before)) return false;
  const earlier = text(first - 2);
  if (LEADS_THERE.has(before)) {
    if (RUNS.has(earlier) && !/^(?:we|i|us|me|let)$/.test(text(first - 3))) return false;
    if (before === 'to' || before === 'through' || before === 'into' || before === 'onto')
      return (
        here === null ||
        begins(words, first - 1) ||
        setsOut(words, first - 2) ||
        GOING.has(earlier) ||
        /^(?:we|i|us|me|let|you)$/.test(earlier) ||
        GOING.has(text(first - 3))
      );
    if (before === 'in' || before === 'on' || before === 'at' || before === 'with' || before === 'inside')
      return (
        here === null ||
        begins(words, first - 1) ||
        STANDING.has(earlier) ||
        GOING.has(text(first - 3)) ||
        words[to - 1]?.stop === '.' ||
        text(first - 3) === 'here'
      );
    return true;
  }
  if (before === 'is' || before === "'s")
    return /^(?:this|here|next|that|it)$/.test(earlier) && (!/^(?:that|it)$/.test(earlier) || ends(words[to - 1]));
  if (/^(?:now|right|okay|then|next|finally|lastly|anyway|upstairs|downstairs|outside|inside)$/.test(before))
    return true;
  if (/^(?:and|so|well|oh)$/.test(before))
    return (
      to - from > 1 ||
      ends(words[to - 1]) ||
      (begins(words, first - 1) &&
        !/^(?:is|'s|has|was|are|needs?|wants?|will|gets?|goes|comes?|stays?|of)$/.test(follows))
    );
  // A bare name in the stream of words is a heading, unless something before it makes it part of a phrase.
  return (
    !determined &&
    (!ofPhrase(before) ||
      (before === 'back' && /^(?:out|round|around|in|up|down)$/.test(earlier)) ||
      (before === 'one' && to - from > 1 && /^(?:last|next)$/.test(earlier))) &&
    (to - from > 1 || !/^(?:is|'s|has|was|of|and|for)$/.test(follows))
  );
}

/** The sentence began with going somewhere: “through the swing door to …”. */
function setsOut(words: readonly Word[], at: number): boolean {
  let from = at;
  while (!begins(words, from) && at - from < 8) from -= 1;
  return /^(?:through|down|up|out|over|across|along|back|round|around|past|going|coming|moving|then|next|on|off|let)$/.test(
    words[from]?.text ?? '',
  );
}

const ofPhrase = (before: string): boolean =>
  pattern(
    '',
    '^(?:a|an|no|new|old|one|two|three|four|any|every|each|some|my|your|its|whole|other|same|',
    'big|little|small|main|second|first|last|rough|upper|lower|back|front|half|full|master|',
    'guest|of|for|from|behind|this|that|or|with|about|them|do|does|did|not|more|less|than|',
    'like|painting|doing|touching|leaving|called|paint)$',
  ).test(before);
