import { answer, refuse, type Outcome } from '../problem';
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
 */
export interface ScopeDraft {
  stance: Inclusion;
  verb: string;
  subject: string;
  quantity?: number;
  unit?: string;
  trade?: Trade;
  dependsOn: string;
}

/** Usual verbs, longest first where one begins with another, and whose work each usually is. */
const VERBS: readonly (readonly [string, Trade | null])[] = [
  ['take down and refit', 'finish'],
  ['take down', 'tear-out'],
  ['take out', 'tear-out'],
  ['open up', 'tear-out'],
  ['strip', 'tear-out'],
  ['demolish', 'tear-out'],
  ['overlay', 'roofing'],
  ['repair', 'carpentry'],
  ['replace', null],
  ['repaint', 'paint'],
  ['paint', 'paint'],
  ['relocate', null],
  ['move', null],
  ['build', 'carpentry'],
  ['frame', 'carpentry'],
  ['clean', 'cleaning'],
  ['clad', 'roofing'],
  ['insulate', 'insulation'],
  ['board', 'board'],
  ['plaster', 'plaster'],
  ['tile', 'tile'],
  ['lay', null],
  ['fit', 'finish'],
  ['install', null],
  ['repoint', 'structure'],
  ['seal', 'roofing'],
  ['dig', 'ground'],
  ['pour', 'ground'],
  ['wire', 'wiring'],
  ['plumb', 'plumbing'],
  ['keep', null],
  ['protect', 'tear-out'],
  ['refit', 'finish'],
];

const STANCE_WORDS: readonly (readonly [RegExp, Inclusion, string])[] = [
  [/^(?:out|not(?: included)?|no|without)\s*:\s*/i, 'out', ''],
  [/^(?:live|keep live|stays live)\s*:\s*/i, 'keep-live', 'keep live'],
  [/^(?:protect|cover)\s*:\s*/i, 'protect', 'protect'],
  [/^(?:refit|take down and refit)\s*:\s*/i, 'refit', 'take down and refit'],
  [/^(?:maybe|depends|if found|\?)\s*:\s*/i, 'conditional', ''],
  [/^in\s*:\s*/i, 'in', ''],
];

const UNITS: Record<string, string> = {
  m2: 'm²',
  'm²': 'm²',
  sqm: 'm²',
  m3: 'm³',
  'm³': 'm³',
  m: 'm',
  mm: 'mm',
  ft: 'ft',
  sqft: 'sq ft',
  'sq ft': 'sq ft',
  pieces: 'pieces',
  pcs: 'pieces',
  pc: 'pieces',
  pieces_: 'pieces',
  no: 'pieces',
  kg: 'kg',
  l: 'L',
  hours: 'hours',
  days: 'days',
  bags: 'bags',
  sheets: 'sheets',
};
const QUANTITY = /[,\s]+(\d+(?:[.,]\d+)?)\s*(sq ft|[a-zµ]+[²³23]?)\s*$/i;

/** Reads one line; a problem says what is missing. @param text at most a line */
export function readScopeLine(text: string): Outcome<ScopeDraft> {
  const whole = text.normalize('NFC').replace(/\s+/g, ' ').trim();
  const said = STANCE_WORDS.find(([pattern]) => pattern.test(whole));
  const { rest: unconditional, dependsOn } = takeCondition(said ? whole.replace(said[0], '') : whole);
  const { rest, measured } = takeQuantity(unconditional);
  const lower = rest.toLowerCase();
  const known = VERBS.find(([verb]) => lower === verb || lower.startsWith(`${verb} `));
  const stance = said?.[1] ?? stanceOfVerb(known?.[0]) ?? (dependsOn ? 'conditional' : 'in');
  const { subject, counted } = takeCount(known ? rest.slice(known[0].length).trim() : rest.trim(), measured);
  const parts = partsOf(known?.[0] ?? said?.[2] ?? '', subject, stance);
  if (!parts)
    return refuse({
      code: 'scope-line-unread',
      message: 'Say what happens to what, like “strip the boards 46 m²” or “not: repair the slates”.',
      field: 'line',
    });
  const measure = measured ?? counted;
  return answer({
    stance,
    ...parts,
    dependsOn,
    ...(measure && measure.quantity > 0 ? measure : {}),
    ...(known?.[1] ? { trade: known[1] } : {}),
  });
}

interface Measure {
  quantity: number;
  unit: string;
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

/** “… 46 m²” at the end, in a unit that is known. */
function takeQuantity(text: string): { rest: string; measured?: Measure } {
  const found = QUANTITY.exec(text);
  const unit = found && UNITS[(found[2] ?? '').toLowerCase()];
  if (!found || !unit) return { rest: text };
  return {
    rest: text.slice(0, found.index),
    measured: { quantity: Number((found[1] ?? '').replace(',', '.')), unit },
  };
}

/** “12 windows” is twelve pieces, where no measure was said. */
function takeCount(text: string, measured: Measure | undefined): { subject: string; counted?: Measure } {
  const found = measured ? undefined : /^(\d{1,4})\s+(?=\S)/.exec(text);
  if (!found) return { subject: text };
  return { subject: text.slice(found[0].length), counted: { quantity: Number(found[1]), unit: 'pieces' } };
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
