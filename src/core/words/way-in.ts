import type { LargePiece, Verdict, Way } from '../fit/way-in';
import { sayAmount } from '../quantities/units';
import { formatLength } from '../units/length';
import type { UnitSystem } from '../units/units';
import { counted } from './count';

/** A place on the way in by its sizes: `82 × 204 cm`, in the job's units. */
export function sayWay(way: Way, system: UnitSystem): string {
  const length = (mm: number): string => formatLength(mm, system);
  switch (way.kind) {
    case 'opening':
      return `${length(way.width)} wide, ${length(way.height)} high`;
    case 'stair':
      return `${length(way.width)} wide, headroom ${length(way.headroom)}`;
    case 'turn':
      return `turn out of ${length(way.before)} into ${length(way.after)}, ${length(way.height)} high`;
    case 'crane':
      return `a crane that lifts ${sayAmount(way.lifts, 'kg', system, 0)} at that reach`;
    case 'carry':
      return `${length(way.distance)} by hand`;
    case 'hose':
      return way.distance <= way.hose
        ? `${length(way.distance)} from the pump, ${length(way.hose)} of hose`
        : `${length(way.distance)} from the pump: the hose is ${length(way.distance - way.hose)} too short`;
  }
}

export const sayPiece = ({ length, width, height, mass }: LargePiece, system: UnitSystem): string =>
  [
    [length, width, height].map((mm) => formatLength(mm, system)).join(' × '),
    mass === null ? '' : sayAmount(mass, 'kg', system, 0),
  ]
    .filter(Boolean)
    .join(', ');

const timeOf = (hours: number): string =>
  hours < 1 ? counted(Math.max(1, Math.ceil(hours * 60)), 'minute') : `${hours} hours`;

/** More than this many people do not get round one piece. */
const MOST_HANDS = 4;

/**
 * Whether a piece comes in and what follows, in sentences: guidance for the firm, never a word on what may be cut or
 * lifted.
 * @param named what a way is called, by its id
 */
export function sayWayIn(
  verdict: Verdict,
  piece: LargePiece,
  named: (id: string) => string,
  system: UnitSystem,
): { text: string; bad: boolean }[] {
  const { fits, stops, longest, by, pieces, people, hours } = verdict;
  const said: { text: string; bad: boolean }[] = [];
  const say = (text: string, bad = false): void => void said.push({ text, bad });
  if (fits) say('It comes in as it is.');
  else {
    say(`It does not come through ${stops.map(named).join(', nor through ')}.`, true);
    if (by !== null) say(`It comes in another way: ${named(by)}. Lifting gear and its reach are the lifting firm’s.`);
    if (pieces > 1)
      say(
        `In ${pieces} pieces of at most ${formatLength(Math.floor(longest), system)} each, where the engineer’s drawing ` +
          'allows a joint.',
      );
    else if (by === null)
      say(
        piece.kind === 'machine'
          ? 'Taken apart, a smaller one, or an opening made for it.'
          : 'An opening made for it, a crane, or built up in place.',
      );
  }
  if (people !== null) {
    say(
      people > MOST_HANDS
        ? `It takes ${people} people, more than get round one piece: use rollers or a machine.`
        : people > 1
          ? `${people} people to a piece by usual guidance.`
          : 'One person carries it by usual guidance.',
      people > MOST_HANDS,
    );
    if (hours !== null) say(`Carrying it is ${timeOf(hours)} of work in all.`);
  } else say('Nobody has said what it weighs.');
  return said;
}
