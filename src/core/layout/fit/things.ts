import { capital } from '../../words/letters';
import { isOverhead, type Fixture, type Opening } from '../shape';
import { TOUCHING } from '../within';
import { finding, openingName, type PlanFinding } from './finding';
import { overlap, sameHeight, shares, topOf, type Ground, type Room, type Standing } from './ground';

/**
 * Whether a thing stands in the room, on nothing else, before no door, under the ceiling, with room to use it.
 * @param at its place among the things of the room: two are told of once, by the first of them
 */
export function thingFindings({ thing, floor, front }: Standing, at: number, room: Room): PlanFinding[] {
  const name = capital(thing.name);
  if (!room.holds(floor))
    return [finding('bad', `${thing.id} inside`, `${name} does not stand inside the room.`, thing)];
  return [
    ...room.floors
      .filter((other, index) => index > at && overlap(floor, other.floor) && sameHeight(thing, other.thing))
      .map((other) => {
        const text = `${name} and ${other.thing.name} stand in the same place.`;
        return finding('bad', `${thing.id} on ${other.thing.id}`, text, thing, other.thing);
      }),
    ...room.openings
      .filter((opening) => standsBefore(thing, opening, room.terms.leastPassage))
      .map((opening) => {
        const text = `${name} stands before ${openingName(opening)}.`;
        return finding('bad', `${thing.id} before ${opening.id}`, text, thing, opening);
      }),
    ...room.openings
      .filter((opening) => covers(thing, opening))
      .map((opening) => {
        const text = `${name} covers part of ${openingName(opening)}.`;
        return finding('bad', `${thing.id} covers ${opening.id}`, text, thing, opening);
      }),
    ...underCeiling(thing, floor, room),
    ...(thing.front.mm === 0 ? [] : [frontFinding(thing, front, room)]),
  ];
}

/** In the way of who goes through; under a window it may stand, and over the door it may hang. */
const standsBefore = (thing: Fixture, opening: Opening, leastPassage: number): boolean =>
  opening.kind !== 'window' &&
  opening.along !== null &&
  opening.wall === thing.wall &&
  thing.away.mm < leastPassage - TOUCHING &&
  thing.bottom.mm < opening.sill.mm + opening.height.mm - TOUCHING &&
  shares(opening.along.mm, opening.along.mm + opening.width.mm, thing.along.mm, thing.along.mm + thing.width.mm);

/** Against the wall of a window and as high as its glass. */
const covers = (thing: Fixture, opening: Opening): boolean =>
  opening.kind === 'window' &&
  opening.along !== null &&
  opening.wall === thing.wall &&
  thing.away.mm <= TOUCHING &&
  shares(opening.sill.mm, opening.sill.mm + opening.height.mm, thing.bottom.mm, topOf(thing)) &&
  shares(opening.along.mm, opening.along.mm + opening.width.mm, thing.along.mm, thing.along.mm + thing.width.mm);

/** What reaches through the ceiling or a slope, and what hangs so low that one knocks a head. */
function underCeiling(thing: Fixture, floor: Ground, { ceiling, terms, say }: Room): PlanFinding[] {
  const over = topOf(thing) - ceiling(floor);
  if (over > TOUCHING) {
    const text = `${capital(thing.name)} reaches ${say(over)} above the ceiling there.`;
    return [finding('bad', `${thing.id} ceiling`, text, thing)];
  }
  if (!isOverhead(thing)) return [];
  const free = thing.bottom.mm >= terms.headRoom - TOUCHING;
  const text = free
    ? `Under ${thing.name} ${say(thing.bottom.mm)} are free.`
    : `Under ${thing.name} only ${say(thing.bottom.mm)} are free; ${say(terms.headRoom)} are usually wanted. Your local code decides.`;
  return [finding(free ? 'good' : 'bad', `${thing.id} head`, text, thing)];
}

function frontFinding(thing: Fixture, front: Ground, { floors, holds, say, terms }: Room): PlanFinding {
  const blocked = [
    ...floors
      .filter(
        (other) =>
          overlap(front, other.floor) &&
          other.thing.id !== thing.id &&
          other.thing.bottom.mm < terms.headRoom - TOUCHING,
      )
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
