import { sayAmount } from '../quantities/units';
import type { LogisticMeasure } from '../sequence/logistics';
import { formatTime } from '../units/date-words';
import { formatLength } from '../units/length';
import type { UnitSystem } from '../units/units';
import { counted } from './count';
import { sayPiece } from './way-in';

/** Marked where an area it is of has not been drawn: ordinary ones were taken. */
const sure = (isDrawn: boolean): string => (isDrawn ? '' : ', by ordinary sizes: draw it for a figure of your own');

/** How much there is of what has to be there: `2 bins of 6 m³: 9.4 m³ loose, 4 200 kg, decided by volume`. */
export function sayLogisticMeasure(measure: LogisticMeasure, system: UnitSystem): string {
  const volume = (value: number): string => sayAmount(value, 'm³', system, 1);
  switch (measure.kind) {
    case 'waste':
      return (
        `about ${counted(measure.bins, 'bin')} of ${volume(measure.binVolume)}: ${volume(measure.volume)} loose, ` +
        `${sayAmount(Math.ceil(measure.mass / 100) * 100, 'kg', system, 0)}, decided by ${measure.by}${sure(measure.drawn)}`
      );
    case 'spoil':
      return `about ${volume(measure.volume)} loose${sure(measure.drawn)}`;
    case 'concrete':
      return (
        `${measure.kept ? '' : 'about '}${volume(measure.volume)} of concrete` +
        (measure.kept ? '' : ' (keep a result of Bench for a figure of your own)') +
        (measure.carry === null
          ? ', hose: measure under Way in how far it is from the truck'
          : `, hose: ${formatLength(measure.carry, system)} from the truck`)
      );
    case 'surface':
      return `about ${sayAmount(measure.area, 'm²', system, 0)}${sure(measure.drawn)}`;
    case 'pieces':
      return measure.pieces.map(({ what, piece }) => `${what}: ${sayPiece(piece, system)}`).join('; ');
    case 'unmeasured':
      return 'measure it under Way in: it says how many carry it, and what it does not come through';
  }
}

/** Where it stands and between which hours: `in the yard, from 07:00 until 09:00`; empty where nobody has said. */
export const sayPlaceAndHours = ({
  place,
  fromHour,
  toHour,
}: {
  place: string;
  fromHour: string;
  toHour: string;
}): string =>
  [
    place,
    [fromHour && `from ${formatTime(fromHour)}`, toHour && `until ${formatTime(toHour)}`].filter(Boolean).join(' '),
  ]
    .filter(Boolean)
    .join(', ');
