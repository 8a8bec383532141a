import { checkRun } from '../fit/cabinet-run';
import { clearPassage } from '../fit/door-passage';
import { checkEscape, ESCAPE_RULES, type EscapeRules } from '../fit/escape-window';
import { invertsOf, leastFall } from '../fit/drain-run';
import { SLACK_MM } from '../fit/sliding-opening';
import { formatLength, type LengthSystem } from '../units/length';
import { capital } from '../words/letters';
import { checkOpening } from './check-openings';
import { footprint, swingOf } from './drawing';
import { direction, leftOf, shift, type Point } from './point';
import { isWithin, TOUCHING } from './within';
import { outlineOf } from './room-outline';
import { formatFall } from './fall';
import {
  OPENING_KINDS,
  wallName,
  type Opening,
  type Fixture,
  type RoomShape,
  type RunShape,
  type Shape,
} from './shape';

/** One thing looked at on the plan. `bad` does not fit, `ask` could not be judged, `good` fits. */
export interface PlanFinding {
  tone: 'bad' | 'ask' | 'good';
  /** Stays the same while the wall moves: what is broken and what is cured is told by it. */
  key: string;
  text: string;
  /** Ids of what it is about. */
  about: readonly string[];
}

export interface PlanTerms {
  system: LengthSystem;
  /** Somebody is meant to sleep here. */
  sleeping: boolean;
  atGrade: boolean;
  rules: EscapeRules;
  /** What must pass the doors, clear. mm */
  leastPassage: number;
}

/** A usual leaf and stop, taken off the opening. mm */
const LEAF_MM = 40;
const STOP_MM = 12;
const FAN = 8;
/** Usual figures of makers. mm */
const WIDEST_FILLER = 100;
const NARROWEST_CABINET = 250;

const openingName = (opening: Opening): string =>
  opening.name || `${OPENING_KINDS[opening.kind]} in ${wallName(opening.wall)}`;

/** Whether two convex floors share ground: no line between them keeps them apart. */
export function overlap(entry: readonly Point[], other: readonly Point[]): boolean {
  const edges = [entry, other].flatMap((corners) =>
    corners.map((corner, index) => leftOf(direction(corner, corners[(index + 1) % corners.length] ?? corner))),
  );
  return edges
    .filter((axis) => axis.x !== 0 || axis.y !== 0)
    .every((axis) => {
      const reach = (corners: readonly Point[]): [number, number] => {
        const values = corners.map((corner) => corner.x * axis.x + corner.y * axis.y);
        return [Math.min(...values), Math.max(...values)];
      };
      const [[a, b], [c, d]] = [reach(entry), reach(other)];
      return a < d - TOUCHING && c < b - TOUCHING;
    });
}

/** What a leaf sweeps, as a convex floor. */
function sweep(corners: readonly Point[], opening: Opening): Point[] | undefined {
  const swing = swingOf(corners, opening);
  if (!swing) return undefined;
  const [from, to] = [
    Math.atan2(swing.shut.y - swing.hinge.y, swing.shut.x - swing.hinge.x),
    Math.atan2(swing.open.y - swing.hinge.y, swing.open.x - swing.hinge.x),
  ];
  const turn = ((to - from + 3 * Math.PI) % (2 * Math.PI)) - Math.PI;
  return [
    swing.hinge,
    ...Array.from({ length: FAN + 1 }, (_, index) => ({
      x: swing.hinge.x + swing.radius * Math.cos(from + (turn * index) / FAN),
      y: swing.hinge.y + swing.radius * Math.sin(from + (turn * index) / FAN),
    })),
  ];
}

function frontOf(corners: readonly Point[], thing: Fixture): Point[] {
  const [left = { x: 0, y: 0 }, , farRight = left, farLeft = left] = footprint(corners, thing);
  const away = direction(left, farLeft);
  return [farLeft, farRight, shift(farRight, away, thing.front.mm), shift(farLeft, away, thing.front.mm)];
}

/**
 * Everything the plan of one room can be asked: openings in their walls, doors with room to swing and to pass,
 * furniture that stands and can be walked round, runs of cabinets with their fillers, and a way out for whoever sleeps
 * here.
 */
export function checkPlan(
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  terms: PlanTerms,
): PlanFinding[] {
  const outline = outlineOf(shape);
  if (!outline.ok) return [{ tone: 'bad', key: 'outline', text: outline.problem.message, about: [] }];
  const { corners } = outline.value;
  const room: Room = {
    openings,
    floors: fixtures.map((thing) => ({ thing, floor: footprint(corners, thing), front: frontOf(corners, thing) })),
    swings: openings.flatMap((opening) => {
      const floor = sweep(corners, opening);
      return floor ? [{ opening, floor }] : [];
    }),
    holds: (points) => isWithin(corners, points),
    say: (mm) => formatLength(Math.max(0, mm), terms.system),
  };
  return [
    ...openings.flatMap((opening) =>
      checkOpening(shape, opening, openings, terms.system).map((problem) =>
        finding('bad', `${opening.id} ${problem.code}`, `${nameOf(opening)}: ${problem.message}`, opening),
      ),
    ),
    ...openings
      .filter((opening) => opening.kind !== 'window')
      .map((opening) => passage(opening, terms.leastPassage, room.say)),
    ...openings
      .filter((opening) => opening.kind === 'pocket' && opening.along)
      .map((opening) => pocket(shape, opening, openings, room.say)),
    ...room.swings.flatMap((swing) => swingFindings(swing, room)),
    ...room.floors.flatMap((standing, index) => fixtureFindings(standing, room.floors.slice(index + 1), room)),
    ...runs(shape, fixtures, room.say),
    ...(terms.sleeping ? wayOut(openings, terms, room.say) : []),
  ];
}

/** A room with the ground that each thing takes. */
interface Room {
  openings: readonly Opening[];
  floors: readonly Standing[];
  swings: readonly Swing[];
  /** Whether all of a floor is inside the room. */
  holds: (points: readonly Point[]) => boolean;
  say: (mm: number) => string;
}
interface Standing {
  thing: Fixture;
  floor: Point[];
  front: Point[];
}
interface Swing {
  opening: Opening;
  floor: Point[];
}

const nameOf = (opening: Opening): string => capital(openingName(opening));

const finding = (
  tone: PlanFinding['tone'],
  key: string,
  text: string,
  ...about: readonly { id: string }[]
): PlanFinding => ({ tone, key, text, about: about.map(({ id }) => id) });

/** What can be carried through, clear of leaf and stop. */
function passage(opening: Opening, least: number, say: Room['say']): PlanFinding {
  const clear = opening.kind === 'door' ? clearPassage(opening.width.mm, LEAF_MM, STOP_MM) : opening.width.mm;
  const passes = clear >= least - 1e-9;
  const text = `${nameOf(opening)} lets ${say(clear)} pass${passes ? '' : `; ${say(least)} are wanted`}.`;
  return finding(passes ? 'good' : 'bad', `${opening.id} passage`, text, opening);
}

/** Whether a leaf meets a wall, a thing or another leaf; two leaves are told of once. */
function swingFindings({ opening, floor }: Swing, { floors, swings, holds }: Room): PlanFinding[] {
  if (!holds(floor)) {
    const text = `${nameOf(opening)} cannot swing: its leaf meets a wall.`;
    return [finding('bad', `${opening.id} swing wall`, text, opening)];
  }
  const hits = [
    ...floors.filter((other) => overlap(floor, other.floor)).map(({ thing }) => thing),
    ...swings
      .filter((other) => other.opening.id > opening.id && overlap(floor, other.floor))
      .map((other) => ({ id: other.opening.id, name: openingName(other.opening) })),
  ];
  if (hits.length === 0) return [finding('good', `${opening.id} swing`, `${nameOf(opening)} swings free.`, opening)];
  return hits.map((hit) =>
    finding('bad', `${opening.id} swing ${hit.id}`, `${nameOf(opening)} swings into ${hit.name}.`, opening, hit),
  );
}

/** Whether a thing stands in the room, on nothing else, before no door, and with room to use it. */
function fixtureFindings({ thing, floor, front }: Standing, others: readonly Standing[], room: Room): PlanFinding[] {
  const name = capital(thing.name);
  if (!room.holds(floor))
    return [finding('bad', `${thing.id} inside`, `${name} does not stand inside the room.`, thing)];
  return [
    ...others
      .filter((other) => overlap(floor, other.floor))
      .map((other) =>
        finding(
          'bad',
          `${thing.id} on ${other.thing.id}`,
          `${name} and ${other.thing.name} stand in the same place.`,
          thing,
          other.thing,
        ),
      ),
    ...room.openings
      .filter((opening) => standsBefore(thing, opening))
      .map((opening) =>
        finding(
          'bad',
          `${thing.id} before ${opening.id}`,
          `${name} stands before ${openingName(opening)}.`,
          thing,
          opening,
        ),
      ),
    ...(thing.front.mm === 0 ? [] : [frontFinding(thing, front, room)]),
  ];
}

/** On the same wall and in the way; under a window it may stand. */
const standsBefore = (thing: Fixture, opening: Opening): boolean =>
  opening.kind !== 'window' &&
  opening.along !== null &&
  opening.wall === thing.wall &&
  opening.along.mm < thing.along.mm + thing.width.mm - TOUCHING &&
  thing.along.mm < opening.along.mm + opening.width.mm - TOUCHING;

function frontFinding(thing: Fixture, front: readonly Point[], { floors, holds, say }: Room): PlanFinding {
  const blocked = [
    ...floors
      .filter((other) => other.thing.id !== thing.id && overlap(front, other.floor))
      .map((other) => other.thing.name),
    ...(holds(front) ? [] : ['a wall']),
  ];
  const wanted = say(thing.front.mm);
  const text =
    blocked.length === 0
      ? `${capital(thing.name)} has its ${wanted} in front.`
      : `In front of ${thing.name} ${wanted} are wanted; ${blocked.join(' and ')} ${blocked.length > 1 ? 'are' : 'is'} nearer.`;
  return finding(blocked.length === 0 ? 'good' : 'bad', `${thing.id} front`, text, thing);
}

/** A leaf that slides into the wall needs as much free wall beside its opening, with nothing else in it. */
function pocket(
  shape: RoomShape,
  opening: Opening,
  openings: readonly Opening[],
  say: (mm: number) => string,
): PlanFinding {
  const [along, width, wall] = [opening.along?.mm ?? 0, opening.width.mm, shape.walls[opening.wall]?.mm ?? 0];
  const [from, to] =
    opening.hinge === 'left' ? [along - width - SLACK_MM, along] : [along + width, along + 2 * width + SLACK_MM];
  const other = openings.find(
    (entry) =>
      entry.id !== opening.id &&
      entry.wall === opening.wall &&
      entry.along &&
      entry.along.mm < to - TOUCHING &&
      from < entry.along.mm + entry.width.mm - TOUCHING,
  );
  const name = capital(openingName(opening));
  const short = Math.max(-from, to - wall);
  if (short > TOUCHING)
    return {
      tone: 'bad',
      key: `${opening.id} pocket`,
      text: `${name} slides into the wall, which is ${say(short)} too short there.`,
      about: [opening.id],
    };
  if (other)
    return {
      tone: 'bad',
      key: `${opening.id} pocket`,
      text: `${name} slides into the wall where ${openingName(other)} is.`,
      about: [opening.id, other.id],
    };
  return {
    tone: 'good',
    key: `${opening.id} pocket`,
    text: `${name} has its pocket; keep pipes, wires and long screws out of it.`,
    about: [opening.id],
  };
}

/** Cabinets and appliances of one wall, in their order: what is between them and at the ends. */
function runs(shape: RoomShape, fixtures: readonly Fixture[], say: (mm: number) => string): PlanFinding[] {
  return shape.walls.flatMap((wall, number) => {
    const run = fixtures
      .filter((thing) => thing.wall === number && (thing.kind === 'cabinet' || thing.kind === 'appliance'))
      .sort((a, b) => a.along.mm - b.along.mm);
    const [first, last] = [run[0], run.at(-1)];
    if (!first || !last || run.length < 2) return [];
    const gaps = run.slice(1).flatMap((thing, index) => {
      const before = run[index];
      const gap = before ? thing.along.mm - before.along.mm - before.width.mm : 0;
      return gap > TOUCHING && before ? [`${say(gap)} between ${before.name} and ${thing.name}`] : [];
    });
    const [left, right] = [first.along.mm, wall.mm - last.along.mm - last.width.mm];
    const { filler, fits } = checkRun({
      wall: wall.mm,
      items: run.map((thing) => thing.width.mm),
      leftEnd: 'wall',
      rightEnd: 'wall',
      fillerMin: 0,
      fillerMax: WIDEST_FILLER,
    });
    // Too wide for a filler and too narrow for a cabinet: it is shared out, or a cabinet is exchanged.
    const wide = [left, right].some((end) => end > WIDEST_FILLER && end < NARROWEST_CABINET);
    const ends = `${say(left)} at the left, ${say(right)} at the right`;
    const remedy = fits ? `share it out, ${say(filler)} at each end` : 'exchange a cabinet';
    return [
      {
        tone: gaps.length > 0 || wide ? 'ask' : 'good',
        key: `run ${number}`,
        text:
          `Run of ${run.length} on ${wallName(number)}: ` +
          `${[...gaps, ends].join(', ')}${wide ? `; wide for a filler: ${remedy}` : ''}.`,
        about: run.map((thing) => thing.id),
      } as const,
    ];
  });
}

function wayOut(openings: readonly Opening[], terms: PlanTerms, say: (mm: number) => string): PlanFinding[] {
  const windows = openings.filter((opening) => opening.kind === 'window');
  if (windows.length === 0)
    return [
      {
        tone: 'bad',
        key: 'escape',
        text: 'Somebody sleeps here and there is no window to get out by. Your local code and inspector decide.',
        about: [],
      },
    ];
  const judged = windows.map((window) => ({
    window,
    result: window.clear
      ? checkEscape({
          clearWidth: window.clear.width.mm,
          clearHeight: window.clear.height.mm,
          sill: window.sill.mm,
          gradeFloor: terms.atGrade,
          rules: terms.rules,
        })
      : undefined,
  }));
  const good = judged.find(({ result }) => result?.passes);
  if (good)
    return [
      {
        tone: 'good',
        key: 'escape',
        text:
          `${capital(openingName(good.window))} is a way out by ${ESCAPE_RULES[terms.rules]}. Your local code and ` +
          'inspector decide.',
        about: [good.window.id],
      },
    ];
  if (judged.some(({ result }) => !result))
    return [
      {
        tone: 'ask',
        key: 'escape',
        text: `Somebody sleeps here: what is clear when ${judged
          .filter(({ result }) => !result)
          .map(({ window }) => openingName(window))
          .join(' or ')} stands open is not known yet.`,
        about: windows.map((window) => window.id),
      },
    ];
  const faults = judged.map(
    ({ window, result }) =>
      `${openingName(window)} fails by ${(result?.fails ?? []).join(' and ')} (sill ${say(window.sill.mm)})`,
  );
  return [
    {
      tone: 'bad',
      key: 'escape',
      text:
        `No window here is a way out by ${ESCAPE_RULES[terms.rules]}: ` +
        `${faults.join('; ')}. ` +
        'Your local code and inspector decide.',
      about: windows.map((window) => window.id),
    },
  ];
}

/** Under this a drain of the usual size does not clean itself: 1:80 by usual guidance, less by flow. */
const LEAST_FALL = 1 / 80;

/** What any drawn area can be asked: rooms their whole plan, faces their openings, drains their fall. */
export function checkArea(
  shape: Shape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  terms: PlanTerms,
): PlanFinding[] {
  switch (shape.kind) {
    case 'room':
      return checkPlan(shape, openings, fixtures, terms);
    case 'face':
      return openings.flatMap((opening): PlanFinding[] => {
        const problems = checkOpening(shape, opening, openings, terms.system);
        if (problems.length === 0)
          return [
            {
              tone: 'good',
              key: `${opening.id} fits`,
              text: `${capital(openingName(opening))}: within its section.`,
              about: [opening.id],
            },
          ];
        return problems.map((problem) => ({
          tone: 'bad',
          key: `${opening.id} ${problem.code}`,
          text: `${capital(openingName(opening))}: ${problem.message}`,
          about: [opening.id],
        }));
      });
    case 'run':
      return checkRunOff(shape, (mm) => formatLength(Math.max(0, mm), terms.system));
    case 'roof':
      return [];
  }
}

function checkRunOff(shape: RunShape, say: (mm: number) => string): PlanFinding[] {
  const head =
    invertsOf(
      shape.outletInvert.mm,
      shape.legs.map((leg) => ({ length: leg.length.mm, fall: leg.fall })),
    ).at(-1) ?? shape.outletInvert.mm;
  const over = head - shape.headMaxInvert.mm;
  const level = shape.legs.flatMap((leg, index) => (leg.fall < leastFall() - 1e-9 ? [{ leg, index }] : []));
  return [
    over > 1e-6
      ? {
          tone: 'bad',
          key: 'gravity',
          text: `The head would lie ${say(over)} too high: it needs a pump, less fall or another route.`,
          about: [],
        }
      : level.length > 0
        ? {
            tone: 'bad',
            key: 'gravity',
            text:
              level
                .map(
                  ({ leg, index }) =>
                    `Leg ${index + 1} ${leg.fall === 0 ? 'is level' : `falls ${formatFall(leg.fall)}`}`,
                )
                .join('; ') + ': it does not run by itself. The flattest usual fall of any pipe is 1:150.',
            about: [],
          }
        : {
            tone: 'good',
            key: 'gravity',
            text: `It runs by gravity, with ${say(-over)} to spare at the head.`,
            about: [],
          },
    ...shape.legs.flatMap((leg, index): PlanFinding[] =>
      leg.fall >= leastFall() - 1e-9 && leg.fall < LEAST_FALL - 1e-9
        ? [
            {
              tone: 'ask',
              key: `fall ${index}`,
              text:
                `Leg ${index + 1} falls ${formatFall(leg.fall)}: flat for a 100 mm pipe unless its flow allows it. ` +
                'Your local code and inspector decide.',
              about: [],
            },
          ]
        : [],
    ),
  ];
}

/** What a change breaks and what it cures: findings that are bad only after, and bad only before. */
export function brokenBy(
  before: readonly PlanFinding[],
  after: readonly PlanFinding[],
): { breaks: PlanFinding[]; cures: PlanFinding[] } {
  const bad = (findings: readonly PlanFinding[]): PlanFinding[] => findings.filter((finding) => finding.tone === 'bad');
  const keys = (findings: readonly PlanFinding[]): Set<string> => new Set(bad(findings).map((finding) => finding.key));
  const [was, is] = [keys(before), keys(after)];
  return {
    breaks: bad(after).filter((finding) => !was.has(finding.key)),
    cures: bad(before).filter((finding) => !is.has(finding.key)),
  };
}

/** What a job usually asks of its plans: model rules by its way of measuring; a local code may say otherwise. */
export const usualTerms = (system: LengthSystem, sleeping: boolean, atGrade: boolean): PlanTerms => ({
  system,
  sleeping,
  atGrade,
  rules: system === 'imperial' ? 'us-model' : 'uk-guide',
  leastPassage: 700,
});
