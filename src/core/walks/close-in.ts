import { pattern } from '../pattern';
import { isDoor, wallName, type Opening, type Fixture } from '../layout/shape';
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

/** Chosen things that need something in the wall, by what they are called. */
const WANTS: readonly { words: RegExp; line: (what: string) => string; key: string }[] = [
  {
    key: 'backing',
    words: pattern(
      'i',
      String.raw`\b(?:rails?|handrail|grab|shelf|shelves|cabinets?|vanity|basin|mirror|radiator|towel|tv|`,
      String.raw`screen|hooks?|curtain|rack|toilet|wc|stove|hood)\b`,
    ),
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
  const has = (...phases: Phase[]): boolean => phases.some((phase) => facts.phases.includes(phase));
  const lines: CloseInLine[] = [];
  const add = (key: string, text: string, because: string, item?: string): void =>
    void lines.push({ key, text, because, ...(item ? { item } : {}) });
  for (const { id, category, choice } of facts.selections) {
    for (const { key, words, line } of WANTS)
      if (words.test(`${category} ${choice}`)) add(`${key}:${id}`, line(category.toLowerCase()), `chosen: ${category}`);
  }
  for (const { id, text } of facts.scope)
    if (
      WANTS[0]?.words.test(text) &&
      !lines.some(
        (line) => line.key.startsWith('backing:') && text.toLowerCase().includes(line.text.split(' ')[2] ?? '—'),
      )
    )
      add(`backing:${id}`, `backing for ${text} is in`, `agreed: ${text}`);
  for (const thing of facts.fixtures)
    if (thing.kind === 'cabinet' || thing.kind === 'appliance')
      add(`backing:${thing.id}`, `backing behind ${thing.name} on ${wallName(thing.wall)}`, `drawn: ${thing.name}`);
  for (const opening of facts.openings)
    if (isDoor(opening.kind) && opening.kind === 'pocket' && !lines.some((line) => line.key.startsWith('pocket:')))
      add(
        `pocket:${opening.id}`,
        `${opening.name || 'pocket door'} was hung and run to both ends`,
        `drawn: ${opening.name || 'pocket door'} in ${wallName(opening.wall)}`,
      );
  if (has('wiring-rough')) {
    add('boxes:height', 'boxes stand at their heights and level with each other', 'wires are in this wall');
    add('boxes:proud', 'boxes stand proud of the stud by the thickness of the board', 'wires are in this wall');
    add(
      'plates:cables',
      'plates over cables nearer than 32 mm (1 1/4") to the face',
      'wires are in this wall; the local code gives the depth',
    );
  }
  if (has('plumbing-rough', 'gas-rough')) {
    add(
      'plates:pipes',
      'plates over pipes nearer than 32 mm (1 1/4") to the face',
      'pipes are in this wall; the local code gives the depth',
    );
    add('test:supply', 'supply stands under test pressure, gauge pictured', 'pipes are in this wall');
    add('test:drain', 'drain holds its water or air test', 'pipes are in this wall');
  }
  if (has('duct-rough')) add('ducts:sealed', 'duct joints sealed, ends covered against dust', 'ducts are in this wall');
  if (has('low-voltage'))
    add('low:labelled', 'data and bell wires labelled at both ends', 'low voltage is in this wall');
  for (const { id, text } of facts.liveServices)
    add(`live:${id}`, `${text} is marked and stays reachable`, 'found on the first visit');
  for (const { id, text } of facts.assumptions)
    add(`shown:${id}`, `seen whether ${text}`, 'believed when it was priced; the cover hides it');
  for (const { id, text } of facts.leftovers) add(`left:${id}`, `done: ${text}`, 'left open on a walk', id);
  if (facts.walls === 0) add('picture:room', 'a picture of every wall, corner to corner', 'nobody sees it again');
  for (let wall = 0; wall < facts.walls; wall++)
    add(
      `picture:wall-${wall}`,
      `picture of ${wallName(wall)}, corner to corner, tape in sight`,
      'nobody sees it again',
    );
  return lines;
}

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
