import { pattern } from '../pattern';
import { wallName, type Opening, type Fixture } from '../layout/shape';
import { inUsualOrder, phaseFacts, phaseOrder, type Phase } from '../sequence/phases';
import type { CheckVerdict, Observation } from './observation';

/** What the check before covering knows of an area. */
export interface CloseInFacts {
  phases: readonly Phase[];
  /** Chosen things that will hang, stand or be reached there. */
  selections: readonly { id: string; category: string; choice: string }[];
  scope: readonly { id: string; text: string }[];
  openings: readonly Opening[];
  fixtures: readonly Fixture[];
  /** Walls of the drawing; 0 where it is not drawn. */
  walls: number;
  /** Work still to do there that would be covered. */
  leftovers: readonly { id: string; text: string }[];
  /** Believed there and shown by a step before the cover. */
  assumptions: readonly { id: string; text: string }[];
  /** Services that stay in use, found on the first visit. */
  liveServices: readonly { id: string; text: string }[];
}

export interface CloseInLine {
  key: string;
  /** What has to be so. */
  text: string;
  /** Where the line comes from. */
  because: string;
  /** The open item that settles it: found done, it is right. */
  item?: string;
}

/** What hangs on a wall and wants something behind it. */
const HANGS = pattern(
  'i',
  String.raw`\b(?:rails?|handrail|grab|shelf|shelves|cabinets?|vanity|basin|mirror|radiator|towel|tv|`,
  String.raw`screen|hooks?|curtain|rack|toilet|wc|stove|hood)\b`,
);

/** Chosen things that need something in the wall, by what they are called. */
const WANTS: readonly { words: RegExp; line: (what: string) => string; key: string }[] = [
  {
    key: 'backing',
    words: HANGS,
    line: (what) => `backing for ${what} is in, at its height`,
  },
  {
    key: 'valve',
    words: /\b(?:shower|bath) ?(?:valve|mixer|tap|set)|concealed/i,
    line: (what) => `${what} sits at the depth its maker gives, from the finished face`,
  },
  {
    key: 'reach',
    words: /\b(?:valve|trap|stop ?cock|cistern|whirl|pump|damper|junction|manifold|isolator)\b/i,
    line: (what) => `${what} can be reached: access panel framed`,
  },
  {
    key: 'pocket',
    words: /\bpocket|sliding door|barn door\b/i,
    line: (what) => `${what} was hung and run to both ends before it is covered`,
  },
];

/**
 * Whether a track has a check before covering, and whether its work is near it: it makes no sense to check a room that
 * is not framed.
 */
export const isCheckedBeforeCover = (phases: readonly Phase[]): boolean => phases.includes('close-in');

/** Steps that hide what is in the walls, in their order. */
export const coveringPhases = (phases: readonly Phase[]): Phase[] =>
  inUsualOrder(phases).filter(
    (phase) =>
      phaseFacts(phase).covers === true &&
      phaseOrder(phase) > phaseOrder('close-in') &&
      phaseOrder(phase) <= phaseOrder('plaster'),
  );

/**
 * Everything that has to be right before a wall is closed, from what was agreed, chosen, drawn and seen in the area.
 * Keys are stable, so that what was said of a line stays with it when others come and go.
 */
export function closeInLines(facts: CloseInFacts): CloseInLine[] {
  const chosen = chosenLines(facts);
  return [
    ...chosen,
    ...agreedLines(facts, chosen),
    ...drawnLines(facts, chosen),
    ...roughLines(facts),
    ...seenLines(facts),
  ];
}

const line = (key: string, text: string, because: string, item?: string): CloseInLine => ({
  key,
  text,
  because,
  ...(item ? { item } : {}),
});

/** What was chosen and wants something in the wall. */
const chosenLines = ({ selections }: CloseInFacts): CloseInLine[] =>
  selections.flatMap(({ id, category, choice }) =>
    WANTS.filter(({ words }) => words.test(`${category} ${choice}`)).map((wants) =>
      line(`${wants.key}:${id}`, wants.line(category.toLowerCase()), `chosen: ${category}`),
    ),
  );

/** What was agreed and wants backing, unless what was chosen for it has asked for that. */
function agreedLines({ scope }: CloseInFacts, chosen: readonly CloseInLine[]): CloseInLine[] {
  const lines: CloseInLine[] = [];
  const asked = (text: string): boolean =>
    [...chosen, ...lines].some(
      (other) => other.key.startsWith('backing:') && text.toLowerCase().includes(other.text.split(' ')[2] ?? '—'),
    );
  for (const { id, text } of scope)
    if (HANGS.test(text) && !asked(text))
      lines.push(line(`backing:${id}`, `backing for ${text} is in`, `agreed: ${text}`));
  return lines;
}

/** What is drawn on a wall or slides into it. */
function drawnLines({ fixtures, openings }: CloseInFacts, chosen: readonly CloseInLine[]): CloseInLine[] {
  const backing = fixtures
    .filter((thing) => thing.kind === 'cabinet' || thing.kind === 'appliance')
    .map((thing) =>
      line(`backing:${thing.id}`, `backing behind ${thing.name} on ${wallName(thing.wall)}`, `drawn: ${thing.name}`),
    );
  // One line for the pockets of a room: who looks at one looks at all.
  const pocket = chosen.some((other) => other.key.startsWith('pocket:'))
    ? undefined
    : openings.find((opening) => opening.kind === 'pocket');
  if (!pocket) return backing;
  const name = pocket.name || 'pocket door';
  return [
    ...backing,
    line(`pocket:${pocket.id}`, `${name} was hung and run to both ends`, `drawn: ${name} in ${wallName(pocket.wall)}`),
  ];
}

/** What the trades that work in the wall leave in it; by the steps of the area. */
const IN_THE_WALL: readonly (readonly [phases: readonly Phase[], lines: readonly CloseInLine[]])[] = [
  [
    ['wiring-rough'],
    [
      line('boxes:height', 'boxes stand at their heights and level with each other', 'wires are in this wall'),
      line('boxes:proud', 'boxes stand proud of the stud by the thickness of the board', 'wires are in this wall'),
      line(
        'plates:cables',
        'plates over cables nearer than 32 mm (1 1/4") to the face',
        'wires are in this wall; the local code gives the depth',
      ),
    ],
  ],
  [
    ['plumbing-rough', 'gas-rough'],
    [
      line(
        'plates:pipes',
        'plates over pipes nearer than 32 mm (1 1/4") to the face',
        'pipes are in this wall; the local code gives the depth',
      ),
      line('test:supply', 'supply stands under test pressure, gauge pictured', 'pipes are in this wall'),
      line('test:drain', 'drain holds its water or air test', 'pipes are in this wall'),
    ],
  ],
  [['duct-rough'], [line('ducts:sealed', 'duct joints sealed, ends covered against dust', 'ducts are in this wall')]],
  [
    ['low-voltage'],
    [
      line('low:labelled', 'data and bell wires labelled at both ends', 'low voltage is in this wall'),
      line(
        'low:thermostat',
        'wire for the thermostat, and what else was asked for, is in',
        'low voltage is in this wall',
      ),
    ],
  ],
  [
    ['wiring-rough', 'low-voltage'],
    [line('alarms:wire', 'wire for the smoke and gas alarms ends where they will hang', 'the local code says where')],
  ],
  [
    ['duct-rough'],
    [
      line(
        'ducts:length',
        'fan ducts are no longer and no more bent than the maker of the fan allows',
        'a fan at the end of a long duct moves no air',
      ),
    ],
  ],
  [
    ['framing', 'plumbing-rough', 'wiring-rough', 'duct-rough'],
    [
      line(
        'fire:stops',
        'fire stops are in: at floors and ceilings, in soffits, round what goes through',
        'the local code says where',
      ),
    ],
  ],
  [
    ['waterproofing'],
    [
      line('niche:framed', 'niches are framed to the size of the tiles, and not in an outside wall', 'it is tiled'),
      line('backing:wet', 'backing for rails, seat, screen and accessories is in', 'it is tiled'),
    ],
  ],
];
const roughLines = ({ phases }: CloseInFacts): CloseInLine[] =>
  IN_THE_WALL.flatMap(([wanted, lines]) => (wanted.some((phase) => phases.includes(phase)) ? lines : []));

/** What was found, believed or left open here, and the pictures that are taken last. */
const seenLines = (facts: CloseInFacts): CloseInLine[] => [
  ...facts.liveServices.map(({ id, text }) =>
    line(`live:${id}`, `${text} is marked and stays reachable`, 'found on the first visit'),
  ),
  ...facts.assumptions.map(({ id, text }) =>
    line(`shown:${id}`, `seen whether ${text}`, 'priced unseen; the cover hides it'),
  ),
  ...facts.leftovers.map(({ id, text }) => line(`left:${id}`, text, 'left open on a walk', id)),
  ...(facts.walls === 0
    ? [line('picture:room', 'a picture of every wall, corner to corner', 'nobody sees it again')]
    : Array.from({ length: facts.walls }, (_, wall) =>
        line(
          `picture:wall-${wall}`,
          `picture of ${wallName(wall)}, corner to corner, tape in sight`,
          'nobody sees it again',
        ),
      )),
];

export interface CloseInState extends CloseInLine {
  state: CheckVerdict | 'not looked at';
  /** What was said of it. */
  said?: string;
  at?: string;
}

export interface CloseIn {
  lines: CloseInState[];
  open: CloseInState[];
  /** When the last line was settled; undefined while one is open or where there is none. */
  closedAt?: string;
}

/**
 * How the lines stand by the newest word on each.
 * @param seen those of the area that still stand, in the order seen
 */
export function closeInState(lines: readonly CloseInLine[], seen: readonly Observation[]): CloseIn {
  const said = new Map<string, { state: CheckVerdict; at: string; text?: string }>();
  for (const one of seen) {
    if (one.kind === 'check')
      said.set(one.line, { state: one.verdict, at: one.at, ...(one.text ? { text: one.text } : {}) });
    if (one.kind === 'recheck' && one.verdict === 'done') said.set(`left:${one.about}`, { state: 'right', at: one.at });
  }
  const states = lines.map((line): CloseInState => {
    const word = said.get(line.key);
    return word
      ? { ...line, state: word.state, at: word.at, ...(word.text ? { said: word.text } : {}) }
      : { ...line, state: 'not looked at' };
  });
  const open = states.filter((line) => line.state === 'open' || line.state === 'not looked at');
  const closedAt =
    open.length === 0
      ? states
          .flatMap((line) => line.at ?? [])
          .sort()
          .at(-1)
      : undefined;
  return { lines: states, open, ...(closedAt ? { closedAt } : {}) };
}
