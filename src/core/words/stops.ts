import { formatDay, type Day } from '../units/day';
import { phrase, type Phrase } from './phrase';

/**
 * When something that holds work stops it, as it is said on every page: `Stops work now`, `Will stop on Thu 11 Mar`.
 * @param stops the day from which it does; null where it does now
 */
export const sayStops = (stops: Day | null, today: Day): Phrase =>
  phrase(
    stops === null ? 'Stops work now' : stops <= today ? 'Will stop today' : `Will stop on ${formatDay(stops, today)}`,
  );
