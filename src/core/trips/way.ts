/** Where a place is, in degrees north and east. */
export interface Spot {
  north: number;
  east: number;
}

/** Kilometres between two spots as the crow flies, on a round earth. */
function kilometres(one: Spot, other: Spot): number {
  const radians = (degrees: number): number => (degrees * Math.PI) / 180;
  const [north, east] = [radians(other.north - one.north), radians(other.east - one.east)];
  const along =
    Math.sin(north / 2) ** 2 + Math.cos(radians(one.north)) * Math.cos(radians(other.north)) * Math.sin(east / 2) ** 2;
  return 2 * 6371 * Math.asin(Math.min(1, Math.sqrt(along)));
}

/** Streets are so much longer than the crow flies; a town is driven at so many km/h, and parking takes some minutes. */
const STREETS = 1.4;
const SPEED = 32;
const PARKING = 3;

/** Minutes where nothing is known of two places. */
const UNKNOWN = 15;

/** Minutes on the way that nobody has said: from where both places are, else what is usual in a town. */
export const guessedMinutes = (one: Spot | undefined, other: Spot | undefined): number =>
  one && other ? Math.round((STREETS * kilometres(one, other) * 60) / SPEED + PARKING) : UNKNOWN;
