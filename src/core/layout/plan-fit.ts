import { formatLength } from '../units/length';
import { ceilingOver } from './ceiling';
import { checkOpening } from './check-openings';
import { footprint } from './footprint';
import { alignment, faceAlignment } from './fit/alignment';
import { passage, pocket, swingFindings } from './fit/doors';
import { drainFindings } from './fit/drain';
import { finding, nameOf, type PlanFinding, type PlanTerms } from './fit/finding';
import { frontOf, groundOf, sweep, type Room } from './fit/ground';
import { runFindings } from './fit/runs';
import { thingFindings } from './fit/things';
import { wayOut } from './fit/way-out';
import { isWithin } from './within';
import { outlineOf } from './room-outline';
import type { FaceShape, Fixture, Opening, RoomShape, Shape } from './shape';

/**
 * Everything the plan of one room can be asked: openings in their walls, doors with room to swing and to pass, things
 * that stand, hang and can be walked round, runs of cabinets with their fillers, corners and aisles, what should stand
 * in the middle or in one line, and a way out for whoever sleeps here.
 */
export function checkPlan(
  shape: RoomShape,
  openings: readonly Opening[],
  fixtures: readonly Fixture[],
  terms: PlanTerms,
): PlanFinding[] {
  const outline = outlineOf(shape);
  if (!outline.ok) return [finding('bad', 'outline', outline.problem.message)];
  const { corners } = outline.value;
  const room: Room = {
    corners,
    openings,
    terms,
    floors: fixtures.map((thing) => ({
      thing,
      floor: groundOf(footprint(corners, thing)),
      front: groundOf(frontOf(corners, thing)),
    })),
    swings: openings.flatMap((opening) => {
      const floor = sweep(corners, opening);
      return floor ? [{ opening, floor: groundOf(floor) }] : [];
    }),
    holds: ({ points }) => isWithin(corners, points),
    ceiling: ({ points }) => Math.min(...points.map((point) => ceilingOver(shape, corners, point))),
    say: (mm) => formatLength(Math.max(0, mm), terms.system),
  };
  return [
    ...openings.flatMap((opening) =>
      checkOpening(shape, opening, openings, terms.system).map((problem) =>
        finding('bad', `${opening.id} ${problem.code}`, `${nameOf(opening)}: ${problem.message}`, opening),
      ),
    ),
    ...openings.filter((opening) => opening.kind !== 'window').map((opening) => passage(opening, room)),
    ...openings
      .filter((opening) => opening.kind === 'pocket' && opening.along)
      .map((opening) => pocket(shape, opening, room)),
    ...room.swings.flatMap((swing) => swingFindings(swing, room)),
    ...room.floors.flatMap((standing, at) => thingFindings(standing, at, room)),
    ...runFindings(shape, fixtures, room),
    ...alignment(room, fixtures),
    ...(terms.sleeping ? wayOut(room) : []),
  ];
}

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
      return checkFace(shape, openings, terms);
    case 'run':
      return drainFindings(shape, (mm) => formatLength(Math.max(0, mm), terms.system));
    case 'roof':
      return [];
  }
}

function checkFace(shape: FaceShape, openings: readonly Opening[], terms: PlanTerms): PlanFinding[] {
  const each = openings.flatMap((opening) => {
    const problems = checkOpening(shape, opening, openings, terms.system);
    if (problems.length === 0)
      return [finding('good', `${opening.id} fits`, `${nameOf(opening)}: within its section.`, opening)];
    return problems.map((problem) =>
      finding('bad', `${opening.id} ${problem.code}`, `${nameOf(opening)}: ${problem.message}`, opening),
    );
  });
  return [...each, ...faceAlignment(shape, openings, (mm) => formatLength(Math.max(0, mm), terms.system))];
}

/** What a change breaks and what it cures: findings that are bad only after, and bad only before. */
export function brokenBy(
  before: readonly PlanFinding[],
  after: readonly PlanFinding[],
): { breaks: PlanFinding[]; cures: PlanFinding[] } {
  const bad = (findings: readonly PlanFinding[]): PlanFinding[] => findings.filter(({ tone }) => tone === 'bad');
  const keys = (findings: readonly PlanFinding[]): Set<string> => new Set(bad(findings).map(({ key }) => key));
  const [was, is] = [keys(before), keys(after)];
  return {
    breaks: bad(after).filter(({ key }) => !was.has(key)),
    cures: bad(before).filter(({ key }) => !is.has(key)),
  };
}
