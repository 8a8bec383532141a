import { answer } from '../problem';
import { ceil, cubicMetres } from '../units/rounding';
import { amount, count, give, length, main } from './ask';
import { calculator } from './calculator';

export const lift = calculator({
  name: 'lift',
  title: 'Carrying',
  group: 'frame',
  answers: 'How heavy a piece is, and how many people or which machine it takes.',
  asks: {
    length: length('length'),
    width: length('width'),
    depth: length('depth'),
    density: amount('density', 'kg/m³', {
      most: 25_000,
      // From insulation board to lead.
      usual: [100, 12_000],
      hint: 'softwood 500, laminated timber 600, steel 7850, concrete 2400',
    }),
    limitPerPerson: amount('one person carries', 'kg', { most: 60, hint: '25 kg close to the body is usual guidance' }),
    maxPeople: count('people there', { most: 50 }),
  },
  gives: {
    mass: give('mass', 'it weighs'),
    people: give('count', 'people', main),
    mechanical: give('flag', 'a machine is needed', { good: false }),
  },
  formula: 'mass = volume · density; people = ceil(mass / limit); more than are there: a machine',
  source: 'Usual manual-handling guidance; awkward shapes, stairs and overhead work lower it.',
  decides:
    'Your health and safety rules and a risk assessment decide; steel and glass are lifted by those trained for it.',
  example: { length: 4200, width: 45, depth: 240, density: 600, limitPerPerson: 25, maxPeople: 4 },
  compute: ({ length: long, width, depth, density, limitPerPerson, maxPeople }) => {
    const mass = cubicMetres(long, width, depth) * density;
    const people = ceil(mass / limitPerPerson);
    return answer({ mass, people, mechanical: people > maxPeople });
  },
});
