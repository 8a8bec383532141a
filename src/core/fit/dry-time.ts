import { answer } from '../problem';
import { addDays } from '../units/day';
import { ceil } from '../units/rounding';
import { choice, day, give, length, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

const DRYING = {
  screed: 'sand and cement screed',
  slab: 'concrete slab',
  'one-coat': 'thin plaster on board',
  'two-coat': 'two-coat plaster',
  lime: 'lime plaster',
  joint: 'joint compound',
} as const;

/** Calendar days until what comes next may follow: starting figures, the moisture meter decides. */
function days(of: keyof typeof DRYING, thickness: number): number {
  switch (of) {
    case 'screed':
      return Math.min(thickness, 50) + 2 * Math.max(0, thickness - 50);
    case 'slab':
      return 28;
    case 'one-coat':
      return 3;
    case 'two-coat':
      return thickness * 0.7;
    case 'lime':
      return thickness * 2;
    case 'joint':
      return 1;
  }
}

export const dryTime = calculator({
  name: 'dry-time',
  title: 'Curing and drying',
  group: 'ground',
  answers: 'From when something poured or plastered may be covered.',
  asks: {
    of: choice('what dries', DRYING),
    thickness: length('how thick'),
    laidOn: day('laid on'),
    cold: choice('the room is', { warm: 'warm and aired', cold: 'cold or damp' }),
  },
  gives: { days: give('count', 'days', main), readyOn: give('day', 'not before', main) },
  formula:
    'screed: a day a mm up to 50 mm, two above; slab 28 days to its strength; plaster 0.7 (lime 2) days a mm; ' +
    'doubled where it is cold or damp',
  source: 'Usual guidance as starting figures; the maker’s sheet and a moisture reading decide.',
  example: { of: 'screed', thickness: 65, laidOn: '2027-03-15', cold: 'warm' },
  compute: ({ of, thickness, laidOn, cold }) => {
    const long = Math.max(1, ceil(days(of, thickness) * (cold === 'cold' ? 2 : 1)));
    return answer({ days: long, readyOn: addDays(laidOn, long) });
  },
});
