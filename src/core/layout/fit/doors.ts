import { clearPassage } from '../../fit/door-passage';
import { SLACK_MM } from '../../fit/sliding-opening';
import type { Opening, RoomShape } from '../shape';
import { TOUCHING } from '../within';
import { finding, nameOf, openingName, type PlanFinding } from './finding';
import { overlap, shares, type Room, type Swing } from './ground';

/** A usual leaf and stop, taken off the opening. mm */
const LEAF_MM = 40;
const STOP_MM = 12;

/** What can be carried through, clear of leaf and stop. */
export function passage(opening: Opening, { terms, say }: Room): PlanFinding {
  const clear = opening.kind === 'door' ? clearPassage(opening.width.mm, LEAF_MM, STOP_MM) : opening.width.mm;
  const passes = clear >= terms.leastPassage - 1e-9;
  const text = `${nameOf(opening)} lets ${say(clear)} pass${passes ? '' : `; ${say(terms.leastPassage)} are wanted`}.`;
  return finding(passes ? 'good' : 'bad', `${opening.id} passage`, text, opening);
}

/** Whether a leaf meets a wall, a thing or another leaf; two leaves are told of once. */
export function swingFindings({ opening, floor }: Swing, { floors, swings, holds }: Room): PlanFinding[] {
  if (!holds(floor)) {
    const text = `${nameOf(opening)} cannot swing: its leaf meets a wall.`;
    return [finding('bad', `${opening.id} swing wall`, text, opening)];
  }
  const hits = [
    ...floors
      .filter(({ thing }) => thing.bottom.mm < opening.sill.mm + opening.height.mm - TOUCHING)
      .filter((other) => overlap(floor, other.floor))
      .map(({ thing }) => thing),
    ...swings
      .filter((other) => other.opening.id > opening.id && overlap(floor, other.floor))
      .map((other) => ({ id: other.opening.id, name: openingName(other.opening) })),
  ];
  if (hits.length === 0) return [finding('good', `${opening.id} swing`, `${nameOf(opening)} swings free.`, opening)];
  return hits.map((hit) =>
    finding('bad', `${opening.id} swing ${hit.id}`, `${nameOf(opening)} swings into ${hit.name}.`, opening, hit),
  );
}

/** A leaf that slides into the wall needs as much free wall beside its opening, with nothing else in it. */
export function pocket(shape: RoomShape, opening: Opening, { openings, say }: Room): PlanFinding {
  const [along, width, wall] = [opening.along?.mm ?? 0, opening.width.mm, shape.walls[opening.wall]?.mm ?? 0];
  const [from, to] =
    opening.hinge === 'left' ? [along - width - SLACK_MM, along] : [along + width, along + 2 * width + SLACK_MM];
  const other = openings.find(
    (entry) =>
      entry.id !== opening.id &&
      entry.wall === opening.wall &&
      entry.along &&
      shares(from, to, entry.along.mm, entry.along.mm + entry.width.mm),
  );
  const [name, key] = [nameOf(opening), `${opening.id} pocket`];
  const short = Math.max(-from, to - wall);
  if (short > TOUCHING)
    return finding('bad', key, `${name} slides into the wall, which is ${say(short)} too short there.`, opening);
  if (other) return finding('bad', key, `${name} slides into the wall where ${openingName(other)} is.`, opening, other);
  return finding('good', key, `${name} has its pocket; keep pipes, wires and long screws out of it.`, opening);
}
