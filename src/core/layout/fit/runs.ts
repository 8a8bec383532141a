import { groupBy } from '../../group-by';
import { checkRun } from '../../fit/cabinet-run';
import { capital } from '../../words/letters';
import { inwardOf, leftOf, type Point } from '../point';
import { wallName, type Fixture, type RoomShape } from '../shape';
import { TOUCHING } from '../within';
import { finding, type PlanFinding } from './finding';
import { reach, sameHeight, type Room } from './ground';

/** Usual figures of makers. mm */
const WIDEST_FILLER = 100;
const NARROWEST_CABINET = 250;
/** What a door or a drawer needs beside a handle to pass it. */
const PLAY = 15;
/** Runs that keep further apart do not meet in their corner. */
const MEETS = 300;
/** A wall cabinet hangs over this, a base cabinet stands under it. */
const HUNG = 900;
/** A turn that is as good as square. */
const SQUARE = 1;

const endOf = (thing: Fixture): number => thing.along.mm + thing.width.mm;
const isFitted = ({ kind }: Fixture): boolean => kind === 'cabinet' || kind === 'appliance';

/** Cabinets and appliances against one wall, base or hung, from left to right. */
interface Run {
  wall: number;
  hung: boolean;
  things: readonly [Fixture, ...Fixture[]];
}

function runsOf(fixtures: readonly Fixture[]): Run[] {
  const fitted = fixtures
    .filter((thing) => isFitted(thing) && thing.away.mm <= TOUCHING)
    .sort((a, b) => a.wall - b.wall || a.along.mm - b.along.mm);
  return [...groupBy(fitted, (thing) => thing.wall * 2 + Number(thing.bottom.mm >= HUNG))].flatMap(([key, things]) => {
    const [first, ...rest] = things;
    return first ? [{ wall: Math.floor(key / 2), hung: key % 2 === 1, things: [first, ...rest] as const }] : [];
  });
}

/** Where two runs meet in a corner: the one that goes on into it, and the one that stops before it. */
interface Corner {
  /** The wall before the corner; the next one begins there. */
  wall: number;
  before: Fixture;
  after: Fixture;
  /** Free between the side of the one and the front of the other; under 0 where they meet. mm */
  gap: number;
}

/** @returns the corner at the right end of a run, where the run of the next wall reaches it */
function cornerAt(shape: RoomShape, run: Run, runs: readonly Run[]): Corner | undefined {
  const wall = shape.walls[run.wall];
  const next = (run.wall + 1) % shape.walls.length;
  const there = runs.find((other) => other.wall === next && other.hung === run.hung);
  if (!wall || !there || Math.abs(wall.turn - 90) > SQUARE) return undefined;
  const [before, after] = [run.things.at(-1) ?? run.things[0], there.things[0]];
  const [mine, theirs] = [wall.mm - endOf(before) - after.depth.mm, after.along.mm - before.depth.mm];
  // One of both goes on into the corner; where neither does, they do not meet.
  const gap = after.along.mm < before.depth.mm - TOUCHING ? mine : theirs;
  return gap > MEETS ? undefined : { wall: run.wall, before, after, gap };
}

const endWords = (at: string, mm: number, say: Room['say']): string =>
  mm <= TOUCHING ? `tight at the ${at}` : `${say(mm)} at the ${at}`;

const opens = ({ kind, hinge, handle }: Fixture): boolean => kind === 'appliance' || hinge !== 'none' || handle.mm > 0;

/** Whether doors and drawers round a corner pass each other’s handles. */
function cornerFinding({ wall, before, after, gap }: Corner, say: Room['say']): PlanFinding[] {
  if (gap < -TOUCHING || !opens(before) || !opens(after)) return [];
  const wanted = Math.max(before.handle.mm, after.handle.mm) + PLAY;
  const fits = gap >= wanted - TOUCHING;
  const text =
    `In the corner after ${wallName(wall)}, ${say(gap)} stand between ${before.name} and ${after.name}` +
    (fits ? '.' : `; doors and handles want ${say(wanted)}.`);
  return [finding(fits ? 'good' : 'bad', `corner ${wall} ${before.id}`, text, before, after)];
}

/** What is between the things of a run, and at its ends. */
function runFinding(
  shape: RoomShape,
  run: Run,
  corners: { left: boolean; right: boolean },
  say: Room['say'],
): PlanFinding[] {
  const wall = shape.walls[run.wall];
  const [first, last] = [run.things[0], run.things.at(-1) ?? run.things[0]];
  if (!wall || run.things.length < 2) return [];
  const gaps = run.things.slice(1).flatMap((thing, index) => {
    const before = run.things[index];
    const gap = before ? thing.along.mm - endOf(before) : 0;
    return gap > TOUCHING && before ? [{ gap, text: `${say(gap)} between ${before.name} and ${thing.name}` }] : [];
  });
  const ends = [
    ...(corners.left ? [] : [{ at: 'left', mm: first.along.mm }]),
    ...(corners.right ? [] : [{ at: 'right', mm: wall.mm - endOf(last) }]),
  ];
  const { filler, fits } = checkRun({
    wall: ends.reduce((sum, { mm }) => sum + mm, 0),
    items: [],
    leftEnd: corners.left ? 'open' : 'wall',
    rightEnd: corners.right ? 'open' : 'wall',
    fillerMin: 0,
    fillerMax: WIDEST_FILLER,
  });
  // Too wide for a filler and too narrow for a cabinet: it is shared out, or a cabinet is exchanged.
  const wide = ends.some(({ mm }) => mm > WIDEST_FILLER && mm < NARROWEST_CABINET);
  const remedy = fits && ends.length > 1 ? `share it out, ${say(filler)} at each end` : 'exchange a cabinet';
  const told = [...gaps.map(({ text }) => text), ...ends.map(({ at, mm }) => endWords(at, mm, say))].join(', ');
  const text =
    `${run.hung ? 'Wall cabinets,' : 'Run of'} ${run.things.length} on ${wallName(run.wall)}: ` +
    `${told || 'from corner to corner'}${wide ? `; wide for a filler: ${remedy}` : ''}.`;
  // Between wall cabinets a window or a hood is left free.
  const odd = gaps.some(({ gap }) => !run.hung || gap < NARROWEST_CABINET);
  const tone = odd || wide ? 'ask' : 'good';
  return [finding(tone, `run ${run.wall}${run.hung ? ' hung' : ''}`, text, ...run.things)];
}

/** Doors that cannot open square: a wall or a deeper neighbour is nearer than their handle stands out. */
function doorFindings(shape: RoomShape, run: Run, say: Room['say']): PlanFinding[] {
  const wall = shape.walls[run.wall];
  const wallBefore = shape.walls[(run.wall - 1 + shape.walls.length) % shape.walls.length];
  if (!wall || !wallBefore) return [];
  return run.things.flatMap((thing, at) => {
    if (thing.hinge === 'none' || thing.handle.mm === 0) return [];
    const left = thing.hinge === 'left';
    const beside = run.things[left ? at - 1 : at + 1];
    const toWall = left ? thing.along.mm : wall.mm - endOf(thing);
    const square = Math.abs((left ? wallBefore : wall).turn - 90) <= SQUARE;
    const [gap, what] = beside
      ? beside.depth.mm > thing.depth.mm + thing.handle.mm && sameHeight(thing, beside)
        ? [left ? thing.along.mm - endOf(beside) : beside.along.mm - endOf(thing), beside.name]
        : [Number.POSITIVE_INFINITY, '']
      : [square ? toWall : Number.POSITIVE_INFINITY, 'the wall'];
    if (gap >= thing.handle.mm - TOUCHING) return [];
    const text =
      `The door of ${thing.name} does not open square: its handle meets ${what}. ` +
      `A filler of ${say(thing.handle.mm)} there frees it.`;
    return [finding('bad', `${thing.id} door`, text, thing)];
  });
}

/** Between two that stand side by side at least so much of their length. mm */
const BESIDE = 100;

/** What stands fitted on the floor, seen from its front: how far it reaches forward, and to its sides. */
interface Faced {
  thing: Fixture;
  facing: Point;
  across: [number, number];
  beside: [number, number];
  middle: Point;
}

function facedOf({ floors, corners }: Room): Faced[] {
  return floors.flatMap(({ thing, floor: { points, box } }): Faced[] => {
    if (!isFitted(thing) || thing.bottom.mm >= HUNG) return [];
    const facing = inwardOf(corners, thing.wall);
    return [
      {
        thing,
        facing,
        across: reach(points, facing),
        beside: reach(points, leftOf(facing)),
        middle: { x: (box.left + box.right) / 2, y: (box.bottom + box.top) / 2 },
      },
    ];
  });
}

const turned = ([from, to]: [number, number]): [number, number] => [-to, -from];

/** How far two stand apart, the one before the front of the other; undefined where one does not walk between them. */
function apart(one: Faced, other: Faced): number | undefined {
  const alike = one.facing.x * other.facing.x + one.facing.y * other.facing.y;
  if (Math.abs(alike) < 0.99) return undefined;
  // Seen along the first one’s front; what faces it is seen the other way round.
  const beside = alike > 0 ? other.beside : turned(other.beside);
  if (Math.min(one.beside[1], beside[1]) - Math.max(one.beside[0], beside[0]) < BESIDE) return undefined;
  const across = alike > 0 ? other.across : turned(other.across);
  const gap = Math.max(across[0] - one.across[1], one.across[0] - across[1]);
  // Back to back, or in one another, which is told of by itself.
  return gap > TOUCHING ? gap : undefined;
}

/** How wide one can walk between runs that face each other, and between a run and what stands free before it. */
function aisles(room: Room): PlanFinding[] {
  const { terms, say } = room;
  const faced = facedOf(room);
  return faced.flatMap((one, at) =>
    faced.slice(at + 1).flatMap((other) => {
      const gap = apart(one, other);
      if (gap === undefined || isBetween(faced, one, other)) return [];
      const wide = gap >= terms.leastAisle - TOUCHING;
      const text =
        `${capital(say(gap))} to walk between ${one.thing.name} and ${other.thing.name}` +
        (wide ? '.' : `; at least ${say(terms.leastAisle)} are wanted.`);
      return [finding(wide ? 'good' : 'bad', `aisle ${one.thing.id} ${other.thing.id}`, text, one.thing, other.thing)];
    }),
  );
}

/** Whether another fitted thing stands between the middles of two: their own distance is then no aisle. */
function isBetween(
  faced: readonly Faced[],
  { thing: one, middle: from }: Faced,
  { thing: other, middle: to }: Faced,
): boolean {
  const [x, y] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(x, y);
  return faced.some(({ thing, middle }) => {
    if (thing === one || thing === other) return false;
    const along = ((middle.x - from.x) * x + (middle.y - from.y) * y) / length ** 2;
    const off = Math.abs((middle.x - from.x) * y - (middle.y - from.y) * x) / length;
    return along > 0.05 && along < 0.95 && off < Math.max(thing.width.mm, thing.depth.mm) / 2;
  });
}

/** Runs of cabinets with their fillers, their corners, their doors, and the aisles between them. */
export function runFindings(shape: RoomShape, fixtures: readonly Fixture[], room: Room): PlanFinding[] {
  const runs = runsOf(fixtures);
  const corners = runs.map((run) => cornerAt(shape, run, runs));
  const startsInCorner = (run: Run): boolean =>
    corners.some((corner) => corner !== undefined && corner.after.id === run.things[0].id);
  return [
    ...runs.flatMap((run, at) =>
      runFinding(shape, run, { left: startsInCorner(run), right: corners[at] !== undefined }, room.say),
    ),
    ...corners.flatMap((corner) => (corner ? cornerFinding(corner, room.say) : [])),
    ...runs.flatMap((run) => doorFindings(shape, run, room.say)),
    ...aisles(room),
  ];
}
