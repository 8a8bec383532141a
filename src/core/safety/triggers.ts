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
  return TRIGGERS.filter(
    ({ words, over }) =>
      words?.test(text) === true ||
      (over !== undefined && seen.kind === 'measurement' && (seen.mm ?? 0) > over.mm && over.of.test(text)),
  );
}
