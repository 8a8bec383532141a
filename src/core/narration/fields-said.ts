import { pattern } from '../pattern';
import type { Draft } from './draft';
import { COLOURS, DAYS_SAID, FINISHES, MATERIALS } from './lexicon';
import { numberAt } from './numbers';

const PER_UNIT: Readonly<Record<string, number>> = { day: 1, week: 7, month: 30, fortnight: 14 };

/** Days said as a length of time: “six weeks”, “a fortnight”, “twelve days”, “two weeks”; the last one said counts. */
export function daysSaid(words: readonly string[]): number | undefined {
  let days: number | undefined;
  words.forEach((word, index) => {
    const unit = PER_UNIT[word.replace(/s$/, '')];
    if (unit === undefined || words[index + 1] === 'ago') return;
    if (word === 'fortnight') days = 14;
    for (let from = Math.max(0, index - 4); from < index; from++) {
      const number = numberAt(words, from);
      const value = number && number.to === index ? number.value : undefined;
      if (value !== undefined && value > 0 && value < 200) return void (days = Math.round(value * unit));
    }
    if (/^(?:a|another|one)$/.test(words[index - 1] ?? '') && !/^(?:once|twice|times)$/.test(words[index - 2] ?? ''))
      days = unit;
    if (/^(?:couple|of)$/.test(words[index - 1] ?? '') && words.slice(Math.max(0, index - 3), index).includes('couple'))
      days = 2 * unit;
  });
  return days;
}

/** What is wrong with something ordered. */
export function problemSaid(text: string): Draft['problem'] {
  if (
    pattern(
      '',
      ' (?:dent|dents|dented|damaged|chip|chips|chipped|scratch|scratched|scratches|broken|',
      'bent|smashed|split|cracked|corner off|corner gone|crushed|warped|water stained) ',
    ).test(text)
  )
    return 'damaged';
  if (
    pattern(
      '',
      String.raw` (?:missing|short (?:a|one|two|three|four|by|of|on|\d+)|one short|two short|`,
      String.raw`not in the box|never came|never showed|did not come|no \w+ in the (?:box|carton|crate|`,
      'pack|packet)|not in there|left out|forgot to (?:send|pack|put)) ',
    ).test(text)
  )
    return 'missing';
  if (
    pattern(
      '',
      ' (?:wrong|we wanted|we ordered|for the (?:bigger|smaller|larger|wrong|other|older|',
      'newer)|not what we ordered|not the (?:one|ones)|should (?:be|have been)|',
      'left hand(?:ed)?|right hand(?:ed)?|too (?:big|small|short|long|wide|narrow|dark|light|',
      'deep)) ',
    ).test(text)
  )
    return 'wrong';
  if (
    pattern(
      '',
      ' (?:late|slipped|bumped|(?:days|weeks) (?:out|late)|delayed|pushed|(?:put|set|moved|',
      'knocked|bumped) back(?! (?:in|on|up))|held up|back ?order(?:ed)?|stuck|',
      'supposed to be here|has not (?:come|shown|arrived|turned)|have not (?:come|shown|',
      String.raw`arrived|turned)|now it (?:is|'s)|instead of) `,
    ).test(text)
  )
    return 'late';
  return undefined;
}

export function stateSaid(text: string): Draft['state'] {
  if (
    pattern(
      '',
      ' (?:failed|fail|fails|turned (?:it|us|that|them) down|did not pass|has not passed|',
      String.raw`refused|rejected|wrote (?:us|it) up|red tag\w*) `,
    ).test(text)
  )
    return 'failed';
  if (
    pattern(
      '',
      ' (?:passed|pass|signed (?:it |that |us )?off|approved|granted|through (?:it|on it)|',
      'good to go|came back (?:fine|good|clean)|okayed|signed it|happy with) ',
    ).test(text) &&
    !/ (?:not|until|till|unless|once|when|has to|if|before) (?:\w+ ){0,4}(?:passed|pass|signed|approved|granted) /.test(
      text,
    )
  )
    return 'passed';
  if (
    pattern(
      '',
      ' (?:not (?:been )?(?:booked|scheduled|arranged|called|heard|applied|asked|asked for|',
      'come back|in yet)|have not|has not|waiting|pending|until|till|no word|still (?:need|',
      'needs|to)|there has to be|will not be) ',
    ).test(text) &&
    !/ (?:is|'s|are) (?:booked|scheduled) /.test(text) &&
    !new RegExp(` (?:coming|comes|booked|due|scheduled)(?: \\w+){0,3} (?:${DAYS_SAID}) `).test(text)
  )
    return 'waiting';
  if (new RegExp(` (?:booked|scheduled|coming|comes|due|arranged|set for|lined up|${DAYS_SAID}) `).test(text))
    return 'booked';
  return / (?:was|went) through /.test(text) ? 'passed' : undefined;
}

/** Whom the words make wait for something; nobody in particular where none is named. */
export type PartySaid = 'client' | 'engineer' | 'inspection' | 'authority' | 'neighbour' | 'unknown';

const PARTIES: readonly [PartySaid, RegExp][] = [
  ['inspection', /\b(?:inspector|inspection|sign(?:ed|s)? off)\b/],
  ['engineer', /\b(?:engineer|architect)(?:'s|s)?\b/],
  ['authority', /\b(?:council|planning|permit|building office|authority)\b/],
  ['neighbour', /\bneighbou?r(?:'s|s)?\b/],
  ['client', /\b(?:client|clients|owner|owners|customer|she|he|they)\b/],
];

/** @param text as it was said or typed; words count whole, so that “the” names nobody */
export function partySaid(text: string): PartySaid {
  const plain = text.toLowerCase().replace(/’/g, "'");
  return PARTIES.find(([, named]) => named.test(plain))?.[0] ?? 'unknown';
}

const LOOK = new RegExp(
  ' ((?:(?:the|a|an|that|pale|dark|light|warm|soft|white|cream|brushed|polished|honed|chalky|matt|satin|' +
    `${COLOURS}|${FINISHES}) )*(?:${COLOURS}|${MATERIALS}|${FINISHES})(?: (?:${COLOURS}|${MATERIALS}|` +
    `${FINISHES}))*) `,
  'g',
);

/**
 * The look that was chosen: after “picked”, or the last material, colour or finish named that is not the one refused.
 */
export function choiceSaid(text: string): string | undefined {
  const picked = pattern(
    '',
    ' (?:picked|chose|chosen|going with|gone with|went with|settled on|went for|gone for|',
    String.raw`landed on|decided on) (?:out )?(?:the |a |an |that )?((?:\w+ ){1,3}?)(?:not|and|for|but|`,
    'so|instead|in|with|on|which|over|$)',
  ).exec(text);
  if (picked?.[1]) return picked[1].trim();
  const looks = [...text.replace(/ not (?:the )?\w+ /g, ' ').matchAll(LOOK)].map((match) =>
    (match[1] ?? '').trim().replace(/^(?:the|a|an|that) /, ''),
  );
  return looks.at(-1);
}

/** The number that counts the things spoken of: “three blocks”, “four doors”; not of days, coats or sizes. */
export function quantitySaid(words: readonly string[]): number | undefined {
  for (let at = 0; at < words.length; at++) {
    const number = numberAt(words, at);
    if (!number) continue;
    const next = words[number.to] ?? '';
    const before = words[at - 1] ?? '';
    at = number.to - 1;
    const ofThem = next === 'of' && /^(?:the|these|those|them|our|their)$/.test(words[number.to + 1] ?? '');
    if (
      (next === 'of' && !ofThem) ||
      number.fraction ||
      number.pairs ||
      number.value < 1 ||
      number.value > 5000 ||
      !Number.isInteger(number.value) ||
      next === '' ||
      pattern(
        '',
        '^(?:weeks?|days?|months?|hours?|coats?|foot|feet|inch|inches|metres?|mm|percent|by|and|',
        String.raw`o'clock|years?|hundred|thing|day|at|is|for|in)$`,
      ).test(next) ||
      /^(?:before|after|past|at|number|by|until|till|this|that|the|less|any|some|every|one|just|and|no|other)$/.test(
        before,
      )
    )
      continue;
    return number.value;
  }
  return undefined;
}

/** What happens if an assumption is wrong: after “if it isn't / is …, then”. */
export function fallbackSaid(text: string): string | undefined {
  const told = pattern(
    '',
    ' (?:and |but )?(?:if|unless|otherwise) (?:not|it|they|that|there|the|i am|we are|',
    String.raw`any)?.*? (?:then )?((?:we|i|that|it|they|the whole|you)(?: \w+| 's){2,16}) ?$`,
  ).exec(text);
  return told?.[1]?.trim() ?? / (?:otherwise|or else) ((?:\w+ ){2,10})/.exec(text)?.[1]?.trim();
}

const FILLER = pattern(
  '',
  '^(?:(?:so|and|but|now|well|okay|right|oh|anyway|also|then|because|of course|you know|',
  'i mean|i think|we figure|i guess|i would guess|i reckon|we think|i am pretty sure|',
  String.raw`let me see|um|uh|er|just|still|as|that|there is|there 's|there are|here is|here 's|`,
  String.raw`we have got|we have|i have|it is|it 's|they are|this is|that is|that 's|do not forget|`,
  'watch (?:it|out|your step)(?: here| there)?|careful(?: here| there)?|mind|heads up|',
  'by the way) )+',
);

/** Where what a thing is ends, and what is said of it begins. */
const SAID_OF =
  /^(?:is|are|'s|was|were|has|have|had|will|would|can|could|gets?|got|needs?|wants?|stays?|goes|comes|came|does|do|did)$/;
const THING: ReadonlySet<string> = new Set(['measurement', 'order', 'selection', 'gate']);

/**
 * What a text is about, in its own words: the thing by itself where a size, a choice or a delivery is told of it, else what
 * is said without the fillers before it: it becomes the record's text, and half a sentence may say the opposite.
 */
export function subjectSaid(text: string, kind?: string): string {
  const words = ` ${text.trim()} `.trimStart().replace(FILLER, '').trim().split(' ');
  const verb = words.findIndex((word) => SAID_OF.test(word));
  const thing = words.slice(0, verb === -1 ? 0 : verb);
  while (/^(?:still|also|just|only|now|already|all|both)$/.test(thing.at(-1) ?? '')) thing.pop();
  const named = thing.filter(
    (word) => word.length > 3 && !/^(?:that|this|they|there|them|these|those|which|nobody)$/.test(word),
  );
  const kept = kind !== undefined && THING.has(kind) && named.length > 0 && thing.length <= 10 ? thing : words;
  return kept
    .join(' ')
    .replace(/ 's\b/g, "'s")
    .replace(/ not\b/g, ' not');
}
