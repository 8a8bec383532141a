import { pattern } from '../pattern';
import type { Phase } from '../sequence/phases';
import { ANY_PHASE, mayNamePhase, phasesSaid } from './lexicon';
import { numberAt, partAt } from './numbers';

/** A step that somebody says is so far: where it is said, which step, and how far. */
export interface ProgressSaid {
  at: number;
  phase: Phase;
  /** The words that name it. */
  named: string;
  fraction: number;
}

const LEAD =
  '(?:(?:rough ?in|first fix|second fix|work|in here|up here|down here|here|in there|on this side|upstairs|' +
  "downstairs|i would (?:call|say)|i call|call (?:it|that|them)|is|are|'s|has|have|been|all|about|around|roughly|" +
  'maybe|say|probably|now|off|itself|looks?|looking|sits at|at|only|just|in|on|up|down|and|so far|still) )*';
const LEADS = new RegExp(`^${LEAD}`);
const NEARLY = new RegExp(
  `^${LEAD}(?:nearly|almost|just about|pretty much|as good as|mostly|all but|close to|virtually|pretty near) ` +
    '(?:all )?(?:done|finished|there|complete|completed|in|up|on|down|hung|closed)',
);
const NOT_BEGUN = new RegExp(
  `^(?:(?:rough ?in|first fix|in here|up here|down here|here|work) )*(?:is |are |'s |has |have )(?:still ` +
    ')?(?:not (?:even )?(?:been )?(?:started|begun|touched|dug|in|on|up|done|there|run|laid|poured|hung|set|framed|' +
    'cut|pulled|boarded|painted|built|fitted)|nowhere|yet to)',
);
const STARTED = new RegExp(
  `^(?:(?:in here|up here|down here|here|work) )*(?:is |are |'s |has |have |was )?(?:just |only just |barely ` +
    ')?(?:started|going (?:in|up|on|down)|under ?way|in progress|begun|starting)(?: (?:now|today|this|yesterday|in|' +
    'on))?',
);
const WHERE =
  '(?:(?:rough ?in|first fix|second fix|work|in here|up here|down here|here|in there|on this side|itself|both ' +
  'sides) )*';
const DONE = new RegExp(
  `^${WHERE}(?:(?:is|are|'s|got|was|all|has|been|have|now) )*(?:done|finished|complete|completed|wrapped up|` +
    `signed off)\\b|^${WHERE}(?:is|are|'s|got|was|all|have been|has been) (?:all |now )?(?:done|finished|complete|` +
    'completed|wrapped up|all in|all up|all on|(?:in|up|on|down|hung|laid|poured|cut|fitted) and \\w+(?:ed|t|e|ng|' +
    'ce)\\b|(?:in|up|on|down|hung|laid|poured|dug|fitted|closed|sanded|grouted|set|run|topped out|tested)(?= $| ' +
    '(?:and|wall|both|all|everywhere|on both|on all|so|already|now|since|in here|right|which|except|bar|but|' +
    'yesterday|today|this|last|on (?:mon|tues|wednes|thurs|fri|satur)|over|apart|too|nice|looks)))',
);
const LATER = pattern(
  '',
  ' (?:will|would|gets?|going to|goes|once|when|until|till|before|after|if|need|needs|',
  'should)(?: the| that| those| these| all the| your| new| our)? $',
);
/** How many words after a name may say how far it is. */
const AHEAD = 24;
/** Words before a name that make it another thing than the step. */
const OTHER =
  / (?:the|a|an|this|that|old|new|behind|under|of|for|over|from|no|in|on|through|with|without|pull|cut|into|your|his|her|their) $/;

/**
 * How far steps are, as said in one sentence: “framing's done”, “ducts three quarters”, “half the tiling is up”, “no
 * insulation yet”.
 * @param words small letters, contractions opened
 */
export function progressSaid(words: readonly string[]): ProgressSaid[] {
  const said: ProgressSaid[] = [];
  const anyNamed = ANY_PHASE.test(` ${words.join(' ')} `);
  for (let at = 0; anyNamed && at < words.length; at++) {
    if (!mayNamePhase(words[at] ?? '')) continue;
    const rest = `${words.slice(at, at + AHEAD).join(' ')} `;
    const known = phasesSaid.find(({ pattern }) => pattern.test(rest));
    if (!known) continue;
    const named = (known.pattern.exec(rest)?.[0] ?? '').trim();
    const after = rest.slice(named.length + 1);
    const before = ` ${words.slice(Math.max(0, at - 6), at).join(' ')} `;
    const fraction = fractionSaid(before, after, named);
    if (fraction !== undefined) {
      // Two names for one thing said in one breath (“floor tile”, “window trim”) are one step.
      said.push({ at, phase: known.phase, named, fraction });
    }
    at += named.split(' ').length - 1;
  }
  said.push(...participles(words));
  return said.filter((entry, index) => said.findIndex((other) => other.phase === entry.phase) === index);
}

/** “The new closet's framed”: the work is said by what was done. */
const DONE_TO: readonly (readonly [Phase, RegExp])[] = [
  ['framing', /^framed$/],
  ['board', /^boarded$/],
  ['tape', /^taped$/],
  ['first-coats', /^primed$/],
  ['final-coat', /^painted$/],
  ['tiling', /^(?:tiled|grouted)$/],
  ['insulation', /^insulated$/],
  ['wiring-rough', /^(?:wired|rewired)$/],
  ['plumbing-rough', /^plumbed$/],
  ['plaster', /^(?:plastered|skimmed)$/],
  ['tear-out', /^(?:ripped|stripped|gutted|torn)$/],
  ['excavate', /^dug$/],
  ['pour', /^poured$/],
  ['waterproofing', /^(?:tanked|waterproofed)$/],
];

function participles(words: readonly string[]): ProgressSaid[] {
  return words.flatMap((word, at): ProgressSaid[] => {
    if (!/(?:ed|torn|dug)$/.test(word)) return [];
    const phase = DONE_TO.find(([, pattern]) => pattern.test(word))?.[0];
    if (
      !phase ||
      (phase === 'tear-out' && word !== 'gutted' && words[at + 1] !== 'out') ||
      /^(?:over|up|off|to|in)$/.test(words[at + 1] ?? '')
    )
      return [];
    const before = ` ${words.slice(Math.max(0, at - 5), at).join(' ')} `;
    const how = / (?:is|are|'s) (all |now |fully |half |nearly |almost |mostly )?$/.exec(before);
    if (at === 0 && /^(?:throughout|everywhere|all|both|and|)$/.test(words[1] ?? ''))
      return [{ at, phase, named: word, fraction: 1 }];
    if (
      !how ||
      / (?:not|will|gets?|to|if|when|once|until|till|before|needs?|it|that|they|this) (?:\w+ )?(?:is |are |'s )?(?:all |now )?$/.test(
        before,
      )
    )
      return [];
    const fraction = { 'half ': 0.5, 'nearly ': 0.9, 'almost ': 0.9, 'mostly ': 0.9 }[how[1] ?? ''] ?? 1;
    return [{ at, phase, named: word, fraction }];
  });
}

function fractionSaid(before: string, after: string, named: string): number | undefined {
  if (/ no (?:\w+ )?$/.test(before) && /^(?:\w+ ){0,3}(?:yet|so far|started)/.test(after)) return 0;
  if (
    / (?:(?:have|has) not|(?:nobody|no one|they) (?:'s|has|have)) (?:even )?(?:started|begun|touched)(?: on)?(?: the)? $/.test(
      before,
    ) &&
    !/ they have (?:even )?\w+ (?:on )?(?:the )?$/.test(before)
  )
    return 0;
  if (
    / (?:done|finished|wrapped up|finished up)(?: with)?(?: the)? $/.test(before) &&
    !/ not (?:\w+ )?(?:done|finished)/.test(before)
  )
    return 1;
  if (/ (?:just )?(?:started|starting)(?: on)?(?: the)? $/.test(before)) return 0.1;
  const half =
    /(?: about| around| roughly| maybe)? (half|most|two thirds|three quarters|a third|a quarter|all) (?:of )?(?:the |this |that )?$/.exec(
      before,
    );
  if (
    half &&
    /^(?:\w+ ){0,3}(?:is|are|'s) (?:\w+ )?(?:in|up|on|down|done|hung|laid|finished|run|pulled|dug)/.test(after)
  )
    return {
      half: 0.5,
      most: 0.9,
      'two thirds': 0.67,
      'three quarters': 0.75,
      'a third': 0.33,
      'a quarter': 0.25,
      all: 1,
    }[half[1] ?? ''];
  if (LATER.test(before)) return undefined;
  if (OTHER.test(before) && !/ (?:the|all the|of the|and the|so the|this|that|new) $/.test(before)) return undefined;
  if (NOT_BEGUN.test(after)) return 0;
  if (NEARLY.test(after)) return 0.9;
  const lead = LEADS.exec(after)?.[0] ?? '';
  const words = after.slice(lead.length).trim().split(' ');
  const number = numberAt(words, 0);
  if (number && /^(?:percent|%)$/.test(words[number.to] ?? '') && number.value <= 100) return number.value / 100;
  if (/^\d{1,3}%$/.test(words[0] ?? '')) return Math.min(1, parseInt(words[0] ?? '', 10) / 100);
  if (lead !== '' || named !== '') {
    if (
      /^half(?:way)?$/.test(words[0] ?? '') &&
      /^(?:$|way|on|in|up|down|done|there|hung|finished|the|or|and|but|so|laid|run)$/.test(words[1] ?? '') &&
      lead !== ''
    )
      return 0.5;
    if (/^halfway$/.test(words[0] ?? '')) return 0.5;
    const part = lead === '' ? undefined : partAt(words, 0);
    if (
      part &&
      part.value < 1 &&
      words[0] !== 'half' &&
      /^(?:$|of|done|in|up|there|on|the|finished|wiring|and|so|but|\w+)$/.test(words[part.to] ?? '') &&
      !/^(?:inch|inches|by|mil)$/.test(words[part.to] ?? '')
    )
      return part.value;
  }
  const percent = /^(?:[\w']+ ){0,8}?([\w']+(?: [\w']+)?) (?:percent|%)/.exec(
    after.split(/ (?:but|and the|while) /)[0] ?? '',
  );
  const said = percent
    ? [...(percent[1] ?? '').split(' ').keys()]
        .map((from) => numberAt((percent[1] ?? '').split(' ').slice(from), 0)?.value)
        .find((value) => value !== undefined && value <= 100)
    : undefined;
  if (said !== undefined) return said / 100;
  if (STARTED.test(after) && !/^(?:is |are |'s )?going (?:in|up|on) (?:the|top|order|about)/.test(after)) return 0.1;
  return DONE.test(after) ? 1 : undefined;
}
