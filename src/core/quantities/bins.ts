import { answer } from '../problem';
import { ceil, sum } from '../units/rounding';
import { amount, give, main, rowsOf } from './ask';
import { calculator } from './calculator';

export const bins = calculator({
  name: 'bins',
  title: 'Bins',
  group: 'ground',
  answers: 'How many bins the rubble fills, by volume or by mass.',
  asks: {
    items: rowsOf('what is thrown away', {
      volume: amount('volume in place', 'm³', { most: 10_000 }),
      bulking: amount('swell factor', 'times', { most: 5 }),
      density: amount('density in place', 'kg/m³', { most: 25_000, usual: [100, 12_000] }),
    }),
    binVolume: amount('a bin holds', 'm³', { most: 100 }),
    binMass: amount('a bin may weigh', 'kg', { most: 60_000 }),
  },
  gives: {
    volume: give('volume', 'loose'),
    mass: give('mass', 'weighs'),
    bins: give('count', 'bins', main),
    governs: give('text', 'decided by'),
  },
  formula: 'by volume ceil(Σ volume · bulking / bin), by mass ceil(Σ volume · density / limit); the larger',
  source: 'Arithmetic; a bin is never filled over its rim.',
  decides: 'Dust and fibres: what may be hazardous is tested before it is broken out and goes in its own sealed way.',
  example: {
    items: [
      { volume: 2.1, bulking: 1.5, density: 1900 },
      { volume: 3.2, bulking: 1.8, density: 500 },
    ],
    binVolume: 6,
    binMass: 6000,
  },
  compute: ({ items, binVolume, binMass }) => {
    const volume = sum(items.map((item) => item.volume * item.bulking));
    const mass = sum(items.map((item) => item.volume * item.density));
    const [byVolume, byMass] = [ceil(volume / binVolume), ceil(mass / binMass)];
    return answer({ volume, mass, bins: Math.max(byVolume, byMass), governs: byMass > byVolume ? 'mass' : 'volume' });
  },
  buys: ({ bins: quantity }, { binVolume }) => [{ what: `bins of ${binVolume} m³`, quantity, unit: 'bins' }],
});
