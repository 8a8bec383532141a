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
  let rest = text.normalize('NFC').replace(/\s+/g, ' ').trim();
  const said = STANCE_WORDS.find(([pattern]) => pattern.test(rest));
  if (said) rest = rest.replace(said[0], '');
  const condition = /\s+(if|unless|once|depending on)\s+(.+)$/i.exec(rest);
  // It is read after “depends on”, which a bare clause is not.
  const dependsOn = condition
    ? `${/^(?:if|unless)$/i.test(condition[1] ?? '') ? 'whether ' : ''}${condition[2]?.trim() ?? ''}`
    : '';
  if (condition) rest = rest.slice(0, condition.index);
  const measured = QUANTITY.exec(rest);
  const unit = measured ? UNITS[(measured[2] ?? '').toLowerCase()] : undefined;
  if (measured && unit) rest = rest.slice(0, measured.index);
  const lower = rest.toLowerCase();
  const known = VERBS.find(([verb]) => lower === verb || lower.startsWith(`${verb} `));
  const verb = known?.[0] ?? said?.[2] ?? '';
  let subject = known ? rest.slice(known[0].length).trim() : rest.trim();
  const stance =
    said?.[1] ??
    (known?.[0] === 'protect'
      ? 'protect'
      : known?.[0] === 'take down and refit' || known?.[0] === 'refit'
        ? 'refit'
        : dependsOn
          ? 'conditional'
          : 'in');
  const counted = /^(\d{1,4})\s+(?=\S)/.exec(subject);
  if (counted && !unit) subject = subject.slice(counted[0].length);
  if (subject === '' || (verb === '' && !subject.includes(' ') && stance !== 'out')) {
    return refuse({
      code: 'scope-line-unread',
      message: 'Say what happens to what, like “strip the boards 46 m²” or “not: repair the slates”.',
      field: 'line',
    });
  }
  const [ownVerb, ...ownSubject] = subject.split(' ');
  const parts =
    verb !== ''
      ? { verb, subject }
      : stance === 'out'
        ? { verb: 'touch', subject }
        : { verb: (ownVerb ?? '').toLowerCase(), subject: ownSubject.join(' ') };
  const quantity = unit ? Number((measured?.[1] ?? '').replace(',', '.')) : counted ? Number(counted[1]) : undefined;
  return answer({
    stance,
    ...parts,
    dependsOn,
    ...(quantity && quantity > 0 ? { quantity, unit: unit ?? 'pieces' } : {}),
    ...(known?.[1] ? { trade: known[1] } : {}),
  });
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
