import { pattern } from '../pattern';
import type { Observation } from '../walks/observation';

/**
 * What a record may point at that hurts people. Each says what is usual and who decides; none is an approval.
 * Sources are named as kinds of guidance: the local code and the licensed trade always decide.
 */
export interface Trigger {
  id: string;
  /** Words that point at it. */
  words?: RegExp;
  /** Words beside them that take it back: it is gone, it was tested, it is a joke. */
  unless?: RegExp;
  /** A size over which it counts, of a thing so named. mm */
  over?: { of: RegExp; mm: number };
  text: string;
  source: string;
}

const TRIGGERS: readonly Trigger[] = [
  {
    id: 'gas',
    words: /\b(?:gas (?:line|pipe|stub|valve|meter|leak)|smell(?:s|ing)? (?:of )?gas|boiler flue)\b/i,
    text:
      'Gas: nobody works on it but a licensed gas fitter. If it smells, open the windows, leave, and call from ' +
      'outside.',
    source: 'gas safety rules; the gas utility decides',
  },
  {
    id: 'live',
    words: pattern(
      'i',
      String.raw`\b(?:live (?:cable|wire|end|circuit|line)s?|not dead|bare (?:wires?|ends?)|`,
      String.raw`exposed (?:wires?|cables?)|hot (?:wire|lug)s?|energi[sz]ed)\b`,
    ),
    text: 'Taken for live until an electrician has proved it dead, locked it off and capped the ends.',
    source: 'electrical safety practice; a licensed electrician decides',
  },
  {
    id: 'fibres',
    words: /\b(?:asbestos|vermiculite|old (?:pipe )?lagging|grey (?:cement )?sheets?|textured ceiling)\b/i,
    text:
      'May hold asbestos: not drilled, broken or swept before a sample was looked at by an accredited laboratory; ' +
      'licensed removal where the code asks for it.',
    source: 'asbestos regulations; an accredited surveyor decides',
  },
  {
    id: 'lead',
    words: /\blead\b.{0,20}\bpaint|\bold (?:window )?paint\b|\bdry[- ]?sand/i,
    text: 'Old paint may hold lead: no dry sanding, no open flame; test it, keep dust wet and children away.',
    source: 'lead-safe work practice; local rules decide',
  },
  {
    id: 'silica',
    words: /\b(?:cut(?:ting)?|grind(?:ing)?|chas(?:e|ing)) .{0,30}\b(?:slab|concrete|stone|brick|block|tile)/i,
    text: 'Stone dust harms lungs: cut wet or with extraction, masks that fit, others out of the room.',
    source: 'silica dust guidance',
  },
  {
    id: 'mould',
    words: /\b(?:mou?ld(?:y)?|black (?:spots|patch)|sewage|rat (?:nest|droppings))\b/i,
    text: 'Not brushed dry: keep it shut off, find the water first, gloves and a mask that fits.',
    source: 'guidance on damp and mould',
  },
  {
    id: 'structure',
    words: pattern(
      'i',
      String.raw`\b(?:(?:bearing|carr(?:y|ies|ying)|notched|sagging|holding up)\b.{0,40}\b(?:wall|floor|`,
      'beam|joists?|roof|post|ceiling|above|load)|bearing wall|(?:wall|beam|joists?|',
      String.raw`post)\b.{0,20}\b(?:may |might |could )?(?:carr(?:y|ies)|bears?|notched|sags?|cracked)|`,
      String.raw`props?\b.{0,20}\b(?:under|carr|hold|loose)|load[- ]bearing)\b`,
    ),
    text: 'It may carry load: nothing is cut, moved or leaned on before an engineer has answered in writing.',
    source: 'structural practice; a licensed engineer decides',
  },
  {
    id: 'edge',
    words:
      /\b(?:open edge|edge is open|no (?:guard|rail|handrail|guardrail)|rail'?s off|hole in the floor|stairwell|hatch)\b/i,
    text: 'A drop: guarded or covered, fixed and marked before anybody works near it.',
    source: 'rules for work at height; the local code gives the height',
  },
  {
    id: 'trench',
    words: /\b(?:trench|excavation|pit)\b.{0,40}\b(?:deep|no boards|unsupported|collapse)/i,
    over: { of: /\b(?:trench|excavation|pit)\b/i, mm: 1200 },
    text:
      'A trench falls in without warning: nobody climbs in before a competent person has looked at its sides and ' +
      'support; mark buried services first.',
    source: 'excavation safety rules, commonly from 1.2 m; the local code decides',
  },
  {
    id: 'height',
    words: /\b(?:scaffold|ladder|roof edge|tower)\b.{0,40}\b(?:loose|missing|short|ties?|plank|slip|rotten|not tied)/i,
    text: 'Not used before a competent person has looked at it and signed the tag.',
    source: 'rules for scaffolds and ladders',
  },
  {
    id: 'overhead',
    words: /\b(?:power line|overhead (?:line|cable|wire)s?|slack cable)\b/i,
    text: 'Keep ladders, poles and lifting gear well clear; the network operator says how far and can shut it off.',
    source: 'overhead line guidance; the network operator decides',
  },
  {
    id: 'lifting',
    words: /\b(?:lift(?:ing)?|crane|hoist|carry)\b.{0,30}\b(?:beam|steel|pane|glass|stone|bath|boiler)/i,
    text: 'A lift is planned: weight known, ground and gear checked, nobody underneath.',
    source: 'lifting operations guidance',
  },
  {
    id: 'monoxide',
    words: /\b(?:flue|chimney|generator|heater)\b.{0,40}\b(?:blocked|cracked|off|indoors|no liner|capped)/i,
    text: 'Fumes kill without a smell: no burning before a licensed fitter has looked; an alarm in the room.',
    source: 'combustion safety rules; a licensed fitter decides',
  },
];

/** Lengths as they are said of a drop: `four foot`, `a metre and a half`, `2 m`. */
const SAID_LENGTH =
  String.raw`(?:\d+(?:[.,]\d+)?|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty)` +
  '(?: and a half)?';
/** Said of what is not there any more, or was never meant. */
const TAKEN_BACK = pattern(
  'i',
  String.raw`\b(?:(?:no|not any|never any|free of|without any|isn'?t|is not|wasn'?t|was not)\b.{0,12}`,
  String.raw`\b(?:asbestos|vermiculite|lagging|lead|knob and tube|live)|tested (?:clear|negative)|came back (?:clear|negative|clean)|`,
  String.raw`used to be)`,
);

const JOKE = /\b(?:only |just )?(?:joking|kidding)\b|\bha ha\b/i;

const BY_SOUND: readonly Trigger[] = [
  {
    id: 'old-wiring',
    words: pattern(
      'i',
      String.raw`\b(?:knob[- ]and[- ]tube|(?:porcelain|ceramic|china) (?:knobs?|insulators?|tubes?)|(?:wires?|cables?|`,
      String.raw`wiring)\b.{0,24}\b(?:on|between|over) (?:\w+ ){0,2}knobs|cloth[- ](?:covered )?(?:wires?|cables?|wiring|flex)|`,
      String.raw`(?:rubber|lead)[- ]sheathed|perished (?:flex|cable))\b`,
    ),
    unless: /\b(?:dead and|taken out|all out|disconnected at both)\b/i,
    text:
      'Old open wiring: taken for live, not drilled near, not buried in insulation before an electrician has proved ' +
      'it dead.',
    source: 'electrical safety practice; a licensed electrician decides',
  },
  {
    id: 'sprayed-ceiling',
    words: pattern(
      'i',
      String.raw`\b(?:popcorn|stipple[d]?|cottage[- ]cheese|sprayed|textured|swirled|artex\w*)\b.{0,16}\b(?:ceilings?|finish|coating)|`,
      String.raw`\bceilings?\b.{0,24}\b(?:popcorn|stippled|sprayed|textured|swirled)\b`,
    ),
    unless: /\b(?:spray(?:ed)? (?:it|them|the) (?:white|with paint)|new texture|skip the texture)\b/i,
    text:
      'A sprayed or textured ceiling may hold asbestos: not scraped, sanded or drilled before a sample was looked at ' +
      'by an accredited laboratory.',
    source: 'asbestos regulations; an accredited surveyor decides',
  },
  {
    id: 'old-tiles',
    words: pattern(
      'i',
      String.raw`\b(?:(?:nine|9)[- ]?(?:inch|in\b|"|by nine|x 9)|small old|little square|old (?:vinyl|thermoplastic|asphalt))\b.{0,24}`,
      String.raw`\btiles?\b|\btiles?\b.{0,40}\bblack (?:glue|stuff|adhesive|mastic|tar|bitumen)|\bblack (?:glue|adhesive|mastic|bitumen)\b`,
    ),
    text: 'Small old floor tiles and their black glue may hold asbestos: not lifted, broken or ground before they were sampled.',
    source: 'asbestos regulations; an accredited surveyor decides',
  },
  {
    id: 'tensioned-slab',
    words: pattern(
      'i',
      String.raw`\b(?:post[- ]?tension\w*|tension(?:ed|ing)? (?:cables?|tendons?|strands?|slab)|tendons?)\b|`,
      String.raw`\b(?:cables?|strands?)\b.{0,20}\b(?:tensioned|under tension|in the slab)|`,
      String.raw`\bslab\b.{0,24}\b(?:tensioned|tendons?|under tension)\b`,
    ),
    text: 'A slab with tensioned cables: nothing is cut, cored or drilled before it was scanned and marked; a cut cable kills.',
    source: 'structural practice; a licensed engineer decides',
  },
  {
    id: 'drop',
    words: pattern(
      'i',
      `\\b${SAID_LENGTH}[- ]?(?:foot|feet|ft|metres?|meters?|m|storeys?|stories)\\b(?: and a half)?(?: \\w+){0,2} (?:drop|fall|down)\\b`,
      `|\\b(?:drop|falls?|drops)\\b.{0,24}\\b${SAID_LENGTH}(?: and a half)?[- ]?(?:foot|feet|ft|metres?|meters?|m)\\b`,
      String.raw`|\b(?:long|big|nasty|sheer|open) (?:old )?drop\b|\blong way down\b|\bfall(?:s)? (?:right )?through\b`,
    ),
    unless: /\b(?:drop ceiling|drop (?:the|it|in price)|price|water|pressure|temperature)\b/i,
    text: 'A drop: guarded or covered, fixed and marked before anybody works near it.',
    source: 'rules for work at height; the local code gives the height',
  },
  {
    id: 'on-nothing',
    words: pattern(
      'i',
      String.raw`\b(?:posts?|columns?|beams?|joists?|steel|lintel|header|purlin|girder|wall|tank|`,
      String.raw`chimney)\b.{0,40}\b(?:on|by|over|under) (?:top of )?`,
      String.raw`(?:nothing|thin air|a (?:paint )?tin|(?:a|one|two) (?:brick|block|shim|bits? of (?:wood|timber|`,
      String.raw`stick))s?)\b|\b(?:nothing|isn't anything|not anything)\b.{0,12}`,
      String.raw`\b(?:holding|under(?:neath)?|carrying|below)\b.{0,30}\b(?:post|column|beam|joists?|roof|floor|wall|chimney|it)\b|`,
      String.raw`\b(?:posts?|columns?|beams?)\b.{0,20}\b(?:isn'?t|aren'?t|not) (?:sitting|resting|standing|bearing) on\b`,
    ),
    text:
      'What carries may not be carried: kept clear, propped by somebody competent, an engineer asked before anything ' +
      'is moved.',
    source: 'structural practice; a licensed engineer decides',
  },
  {
    id: 'no-alarm',
    words: pattern(
      'i',
      String.raw`\b(?:no|not (?:a|one|any)|without (?:a|any)|isn'?t (?:a|any)|missing|only a bracket|`,
      String.raw`just a bracket)\b.{0,24}\b(?:smoke|fire|heat|carbon monoxide|`,
      String.raw`c\.?o\.?) (?:alarms?|detectors?)\b|\b(?:smoke|fire|heat|carbon monoxide) (?:alarms?|`,
      String.raw`detectors?)(?: \w+){0,2} (?:missing|gone|dead|off|`,
      String.raw`taped over|no batter\w+|not (?:working|there|tied)|isn'?t (?:working|there|tied))\b`,
    ),
    text: 'Nobody sleeps in a house without alarms that work: put up a temporary one tonight.',
    source: 'fire safety rules; the local code says how many and where',
  },
];

const textOf = (seen: { kind: string; text?: string }): string =>
  [
    'measurement',
    'remaining',
    'note',
    'surprise',
    'caution',
    'assumption',
    'scope',
    'gate',
    'order',
    'household',
  ].includes(seen.kind)
    ? (seen.text ?? '')
    : '';

/**
 * The cautions that a record raises, most often none.
 * @param seen as it is being typed or as it stands
 */
export function triggersOf(seen: { kind: Observation['kind'] | 'note'; text?: string; mm?: number }): Trigger[] {
  const text = textOf(seen);
  if (text === '') return [];
  return [...TRIGGERS, ...BY_SOUND].filter(
    ({ words, unless, over }) =>
      (words?.test(text) === true && !JOKE.test(text) && !TAKEN_BACK.test(text) && unless?.test(text) !== true) ||
      (over !== undefined && seen.kind === 'measurement' && (seen.mm ?? 0) > over.mm && over.of.test(text)),
  );
}
