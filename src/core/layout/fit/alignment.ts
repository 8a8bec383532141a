import { capital } from '../../words/letters';
import { direction, endsOf, shift } from '../point';
import { isDoor, wallName, type FaceShape, type Fixture, type Opening } from '../shape';
import { finding, nameOf, openingName, type PlanFinding } from './finding';
import type { Room } from './ground';

/** What is off by less is seen as one line; what is off by more is meant to be apart. mm */
const SEEN = 3;
const MEANT = 150;
/** Sills of one room that differ by less were meant to be one line. */
const ONE_LINE = 100;

const middleOf = (thing: { along: { mm: number } | null; width: { mm: number } }): number | undefined =>
  thing.along === null ? undefined : thing.along.mm + thing.width.mm / 2;

const centred = (
  key: string,
  what: string,
  on: string,
  off: number,
  say: Room['say'],
  about: readonly { id: string }[],
) =>
  Math.abs(off) <= SEEN
    ? finding('good', key, `${what} is centred on ${on}.`, ...about)
    : finding(
        'ask',
        key,
        `${what} is ${say(Math.abs(off))} ${off < 0 ? 'left' : 'right'} of the middle of ${on}.`,
        ...about,
      );

/** Things that face a window from its own wall: a bed, a table, a bath under it. */
function underWindow(thing: Fixture, openings: readonly Opening[], say: Room['say']): PlanFinding[] {
  if (thing.kind !== 'bed' && thing.kind !== 'table' && thing.kind !== 'bath') return [];
  return openings
    .filter((opening) => opening.kind === 'window' && opening.wall === thing.wall)
    .flatMap((window) => {
      const off = (middleOf(thing) ?? 0) - (middleOf(window) ?? Number.NaN);
      if (!(Math.abs(off) <= MEANT)) return [];
      return [
        centred(`${thing.id} centre ${window.id}`, capital(thing.name), openingName(window), off, say, [thing, window]),
      ];
    });
}

/** What one looks at through a door: the window that lies straight across the room. */
function doorOnWindow(door: Opening, { corners, openings, say }: Room): PlanFinding[] {
  if (!isDoor(door.kind) || !door.along) return [];
  const [a, b] = endsOf(corners, door.wall);
  const d = direction(a, b);
  const from = shift(a, d, middleOf(door) ?? 0);
  return openings
    .filter((window) => window.kind === 'window' && window.along && window.wall !== door.wall)
    .flatMap((window) => {
      const [c, e] = endsOf(corners, window.wall);
      const across = direction(c, e);
      // Only a wall that faces the door is looked at straight.
      if (across.x * d.x + across.y * d.y > -0.99) return [];
      const at = shift(c, across, middleOf(window) ?? 0);
      const off = (at.x - from.x) * d.x + (at.y - from.y) * d.y;
      if (Math.abs(off) > MEANT) return [];
      return [centred(`${door.id} on ${window.id}`, nameOf(door), openingName(window), -off, say, [door, window])];
    });
}

/** Windows whose sills, or whose heads, were meant to be in one line through the room. */
function oneLine(windows: readonly Opening[], say: Room['say']): PlanFinding[] {
  if (windows.length < 2) return [];
  const lines = [
    ['sill', (window: Opening) => window.sill.mm],
    ['head', (window: Opening) => window.sill.mm + window.height.mm],
  ] as const;
  return lines.flatMap(([what, of]) => {
    const heights = windows.map(of);
    const spread = Math.max(...heights) - Math.min(...heights);
    if (spread > ONE_LINE) return [];
    if (spread <= SEEN)
      return [finding('good', `line of ${what}s`, `All window ${what}s lie in one line.`, ...windows)];
    const told = windows.map((window) => `${openingName(window)} ${say(of(window))}`).join(', ');
    return [finding('ask', `line of ${what}s`, `The window ${what}s are not in one line: ${told}.`, ...windows)];
  });
}

/** What is seen to stand in the middle or in one line, or just not. */
export const alignment = (room: Room, fixtures: readonly Fixture[]): PlanFinding[] => [
  ...fixtures.flatMap((thing) => underWindow(thing, room.openings, room.say)),
  ...room.openings.flatMap((door) => doorOnWindow(door, room)),
  ...oneLine(
    room.openings.filter(({ kind }) => kind === 'window'),
    room.say,
  ),
];

/** Windows over one another on a face, seen from outside: their middles are in one line, or just not. */
export function faceAlignment(shape: FaceShape, openings: readonly Opening[], say: Room['say']): PlanFinding[] {
  const windows = openings.filter(({ kind, along }) => kind === 'window' && along);
  const lefts = shape.sections.map((_, index) =>
    shape.sections.slice(0, index).reduce((sum, { width }) => sum + width.mm, 0),
  );
  const middle = (window: Opening): number => (lefts[window.wall] ?? 0) + (middleOf(window) ?? 0);
  return windows.flatMap((upper) =>
    windows
      .filter((lower) => upper.sill.mm >= lower.sill.mm + lower.height.mm)
      .flatMap((lower) => {
        const off = middle(upper) - middle(lower);
        if (Math.abs(off) > MEANT) return [];
        return [centred(`${upper.id} over ${lower.id}`, nameOf(upper), nameBelow(lower), off, say, [upper, lower])];
      }),
  );
}

const nameBelow = (opening: Opening): string => opening.name || `the window below it in ${wallName(opening.wall)}`;
