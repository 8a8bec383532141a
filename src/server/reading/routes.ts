import type { Spot } from '@/core/trips/way';
import { guessedMinutes } from '@/core/trips/way';
import type { Day } from '@/core/units/day';
import { queryAll, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { ofFirm, type FirmReading } from './reading';

/** The stops of a day, as they were kept. */
export const routeStops = ({ db }: FirmReading, day: Day): Rows['route_stop'][] =>
  queryAll<Rows['route_stop']>(db, 'SELECT * FROM route_stop WHERE day = @day ORDER BY place', { day });

/** When a day starts; undefined where nobody has said. */
export const dayStarts = ({ db }: FirmReading, day: Day): string | undefined =>
  queryOne<{ starts: string }>(db, 'SELECT starts FROM route_day WHERE day = @day', { day })?.starts;

/** Where places are, by their id. */
export const spotsOf = ofFirm(
  ({ db }): ReadonlyMap<string, Spot> =>
    new Map(queryAll<Rows['spot']>(db, 'SELECT * FROM spot').map((row) => [row.place, row])),
);

const saidMinutes = ofFirm(
  ({ db }): ReadonlyMap<string, number> =>
    new Map(
      queryAll<Rows['travel']>(db, 'SELECT * FROM travel').map(({ one, other, minutes }) => [
        `${one} ${other}`,
        minutes,
      ]),
    ),
);

/** Minutes between two places, as somebody said them or else guessed from where they are. */
export function minutesBetween(firm: FirmReading, one: string, other: string): { minutes: number; guessed: boolean } {
  if (one === other) return { minutes: 0, guessed: false };
  const said = saidMinutes(firm).get([one, other].sort().join(' '));
  return said === undefined
    ? { minutes: guessedMinutes(spotsOf(firm).get(one), spotsOf(firm).get(other)), guessed: true }
    : { minutes: said, guessed: false };
}
