import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { OF_FACE, amount, area, give, length, main } from './ask';
import { calculator } from './calculator';

/** m of joint in one m² of masonry: bed joints and perpends. Lengths in mm. */
const jointPerSquareMetre = (unitLength: number, unitHeight: number, joint: number): number => {
  const [l, h, j] = [unitLength / 1000, unitHeight / 1000, joint / 1000];
  return 1 / (h + j) + h / ((l + j) * (h + j));
};

export const repointing = calculator({
  name: 'repointing',
  title: 'Repointing',
  group: 'outside',
  answers: 'How much joint is raked and filled, and for how long.',
  asks: {
    area: area('area of masonry', { drawn: OF_FACE }),
    unitLength: length('unit length'),
    unitHeight: length('unit height'),
    joint: length('joint'),
    perDay: amount('one day fills', 'm', { most: 1000 }),
  },
  gives: {
    jointPerArea: give('number', 'joint in one m²', { unit: 'm' }),
    jointLength: give('number', 'joint in all', { ...main, unit: 'm' }),
    days: give('count', 'days', main),
  },
  formula: 'a m² has 1 / (h + j) of bed and h / ((l + j)(h + j)) of perpends',
  source: 'Geometry of a running bond. Lime stays with lime: a harder mortar breaks soft units.',
  example: { area: 18, unitLength: 215, unitHeight: 65, joint: 10, perDay: 40 },
  compute: ({ area: wall, unitLength, unitHeight, joint, perDay }) => {
    const jointPerArea = jointPerSquareMetre(unitLength, unitHeight, joint);
    return answer({ jointPerArea, jointLength: jointPerArea * wall, days: ceil((jointPerArea * wall) / perDay) });
  },
});
