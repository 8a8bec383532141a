import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { amount, area, give, main, waste } from './ask';
import { calculator } from './calculator';

export const roof = calculator({
  name: 'roof',
  title: 'Roof covering',
  group: 'outside',
  answers: 'How large a roof is on the slope, and how many packs cover it.',
  asks: {
    planArea: area('area on the plan, eaves included', { drawn: ['roofPlan'] }),
    riseIn12: amount('rises in 12', 'parts', { zero: true, most: 60, drawn: ['riseIn12'] }),
    waste: waste(),
    perBundle: amount('one pack covers', 'm²', { most: 100 }),
  },
  gives: {
    factor: give('number', 'slope factor'),
    area: give('area', 'on the slope', main),
    bundles: give('count', 'packs', main),
  },
  formula: 'factor = √(1 + (rise / 12)²); area = plan · factor; packs = ceil(area · (1 + waste) / pack)',
  source: 'Geometry; valleys, hips and dormers take more waste.',
  example: { planArea: 96, riseIn12: 7, waste: 0.12, perBundle: 3.1 },
  compute: ({ planArea, riseIn12, waste: part, perBundle }) => {
    const factor = Math.sqrt(1 + (riseIn12 / 12) ** 2);
    return answer({ factor, area: planArea * factor, bundles: ceil((planArea * factor * (1 + part)) / perBundle) });
  },
  buys: ({ bundles }, { perBundle }) => [
    { what: `roof covering, packs of ${perBundle} m²`, quantity: bundles, unit: 'packs' },
  ],
});
