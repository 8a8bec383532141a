import { answer, refuse, type Outcome } from '../problem';
import type { Written } from '../units/written';
import { takeCount, takeQuantity } from './line-quantity';
import { WORK_VERBS } from './work-verbs';
import type { Trade } from '../sequence/trades';
import type { Inclusion } from '../sites/area';

/**
 * One line of work as it is said while walking round.
 *
 * | form | example |
 * |---|---|
 * | verb subject | `strip the boards` |
 * | … quantity unit | `strip the boards 46 m²`, `lay drain, 31 m` |
 * | verb count subject | `replace 3 windows` |
 * | stance: … | `not: repair the slates`, `live: power to the freezers`, `protect: the stair`, `refit: two lamps` |
 * | … if what it depends on | `replace sheathing if it is rotten` |
 * | … kept where, … with what | `refit: two lamps, kept in the shed`, `protect: the stair with boards` |
 */
export interface ScopeDraft {
  stance: Inclusion;
  verb: string;
  subject: string;
  quantity?: number;
  unit?: string;
  trade?: Trade;
  dependsOn: string;
  /** Where what is taken down is kept, or with what something is protected. */
  place: string;
}

const STANCE_WORDS: readonly (readonly [RegExp, Inclusion, string])[] = [
  [/^(?:out|not(?: included)?|no|without)\s*:\s*/i, 'out', ''],
  [/^(?:live|keep live|stays live)\s*:\s*/i, 'keep-live', 'keep live'],
  [/^(?:protect|cover)\s*:\s*/i, 'protect', 'protect'],
  [/^(?:refit|take down and refit)\s*:\s*/i, 'refit', 'take down and refit'],
  [/^(?:maybe|depends|if found|\?)\s*:\s*/i, 'conditional', ''],
  [/^in\s*:\s*/i, 'in', ''],
];

/** Reads one line; a problem says what is missing. @param text at most a line */
export function readScopeLine(text: string): Outcome<ScopeDraft> {
  const whole = text.normalize('NFC').replace(/\s+/g, ' ').trim();
  const said = STANCE_WORDS.find(([pattern]) => pattern.test(whole));
  const { rest: unconditional, dependsOn } = takeCondition(said ? whole.replace(said[0], '') : whole);
  const { rest: unplaced, place } = takePlace(unconditional, said?.[1]);
  const taken = takeQuantity(unplaced);
  if (!taken.ok) return taken;
  const { rest, measured } = taken.value;
  const lower = rest.toLowerCase();
  const known = WORK_VERBS.find(([verb]) => lower === verb || lower.startsWith(`${verb} `));
  const stance = said?.[1] ?? stanceOfVerb(known?.[0]) ?? (dependsOn ? 'conditional' : 'in');
  const of = known ? rest.slice(known[0].length).trim() : rest.trim();
  const { parts, measure } = whatOf(known?.[0] ?? said?.[2] ?? '', of, stance, measured);
  if (!parts)
    return refuse({
      code: 'scope-line-unread',
      message: 'Say what happens to what, like “strip the boards 46 m²” or “not: repair the slates”.',
      field: 'line',
    });
  return answer({
    stance,
    ...parts,
    dependsOn,
    place,
    ...(measure ? { quantity: measure.value, unit: measure.unit } : {}),
    ...(known?.[1] ? { trade: known[1] } : {}),
  });
}

/** What happens to what and how many of it, where no measure was said. */
function whatOf(
  verb: string,
  of: string,
  stance: Inclusion,
  measured: Written | undefined,
): { parts: { verb: string; subject: string } | undefined; measure: Written | undefined } {
  if (measured) return { parts: partsOf(verb, of, stance), measure: measured };
  const { subject, counted } = takeCount(of);
  const parts = partsOf(verb, subject, stance);
  if (!parts || counted || verb !== '') return { parts, measure: counted };
  // A verb that is not known stands before its count: “retrim 4 windows”.
  const later = takeCount(parts.subject);
  return { parts: { ...parts, subject: later.subject }, measure: later.counted };
}

/** “…, kept in the shed”, “protect the stair with boards”: where it is kept, or with what it is protected. */
function takePlace(text: string, stance: Inclusion | undefined): { rest: string; place: string } {
  const first = stance ?? stanceOfVerb(/^(?:protect|refit|take down and refit)\b/i.exec(text)?.[0].toLowerCase());
  const found =
    first === 'refit'
      ? /,?\s+(?:kept|stored)\s+(.+)$/i.exec(text)
      : first === 'protect'
        ? /,?\s+with\s+(.+)$/i.exec(text)
        : null;
  return found ? { rest: text.slice(0, found.index), place: (found[1] ?? '').trim() } : { rest: text, place: '' };
}

/** “… if the floor is sound”: what it depends on, read after “depends on”, which a bare clause is not. */
function takeCondition(text: string): { rest: string; dependsOn: string } {
  const found = /\s+(if|unless|once|depending on)\s+(.+)$/i.exec(text);
  if (!found) return { rest: text, dependsOn: '' };
  const [, word = '', clause = ''] = found;
  return {
    rest: text.slice(0, found.index),
    dependsOn: `${/^(?:if|unless)$/i.test(word) ? 'whether ' : ''}${clause.trim()}`,
  };
}

const stanceOfVerb = (verb: string | undefined): Inclusion | undefined =>
  verb === 'protect' ? 'protect' : verb === 'take down and refit' || verb === 'refit' ? 'refit' : undefined;

/** What happens to what; undefined where one of both is missing. A word that is no known verb is taken for one. */
function partsOf(verb: string, subject: string, stance: Inclusion): { verb: string; subject: string } | undefined {
  if (subject === '') return undefined;
  if (verb !== '') return { verb, subject };
  if (stance === 'out') return { verb: 'touch', subject };
  const [own = '', ...others] = subject.split(' ');
  return others.length === 0 ? undefined : { verb: own.toLowerCase(), subject: others.join(' ') };
}

/** What is usually in an area of its kind: what “everything here except …” leaves out by a tick. */
export const PARTS: Record<'room' | 'wet' | 'face' | 'roof' | 'ground' | 'outbuilding', readonly string[]> = {
  room: [
    'ceiling',
    'walls',
    'floor',
    'windows',
    'doors',
    'skirting and trim',
    'radiators',
    'sockets and switches',
    'lights',
    'built-in cupboards',
    'fireplace',
  ],
  wet: [
    'ceiling',
    'walls',
    'floor',
    'window',
    'door',
    'bath or shower',
    'basin',
    'toilet',
    'tiles',
    'radiator',
    'fan',
    'lights',
  ],
  face: [
    'cladding',
    'render or masonry',
    'windows',
    'doors',
    'eaves and fascia',
    'gutters and downpipes',
    'sills',
    'taps',
    'lamps',
    'vents',
    'meter boxes',
  ],
  roof: ['covering', 'flashings', 'gutters', 'chimney', 'roof windows', 'eaves', 'solar or aerials'],
  ground: ['paving', 'drain', 'planting', 'walls and fences', 'steps'],
  outbuilding: ['roof', 'walls', 'floor', 'doors and windows', 'power'],
};
