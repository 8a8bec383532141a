import { answer } from '../problem';
import { ceil, cubicMetres, sum } from '../units/rounding';
import { amount, count, give, length, main, optional, variantsOf, waste } from './ask';
import { calculator } from './calculator';

export const concrete = calculator({
  name: 'concrete',
  title: 'Concrete',
  group: 'ground',
  answers: 'How much concrete, in bags or by truck.',
  asks: {
    shapes: variantsOf(
      'shapes',
      { box: 'slab, pad or footing', steps: 'solid steps' },
      {
        box: {
          length: length('length'),
          width: length('width'),
          thickness: length('thickness'),
          count: optional(count('how many')),
        },
        steps: {
          risers: count('risers', { most: 100 }),
          rise: length('rise'),
          tread: length('tread'),
          width: length('width'),
        },
      },
    ),
    waste: waste(),
    bagYield: amount('one bag makes', 'm³', { most: 1 }),
    truckFrom: amount('by truck from', 'm³', { zero: true, most: 100 }),
  },
  gives: {
    volume: give('volume', 'in the forms'),
    order: give('volume', 'to order', main),
    bags: give('count', 'bags', main),
    by: give('text', 'come by'),
  },
  formula:
    'steps = tread · rise · width · n(n + 1)/2; order = volume · (1 + waste); bags = ceil(order / bag); by truck ' +
    'from the limit on',
  source: 'Geometry; a bag’s yield stands on the bag.',
  decides: 'Mix, reinforcement and cover are on the drawing; footings are inspected before the pour.',
  example: {
    shapes: [
      { kind: 'box', length: 2400, width: 1200, thickness: 100, count: 1 },
      { kind: 'steps', risers: 3, rise: 170, tread: 280, width: 1100 },
    ],
    waste: 0.08,
    bagYield: 0.012,
    truckFrom: 0.75,
  },
  compute: ({ shapes, waste: part, bagYield, truckFrom }) => {
    const volume = sum(
      shapes.map((shape) =>
        shape.kind === 'box'
          ? cubicMetres(shape.length, shape.width, shape.thickness) * (shape.count ?? 1)
          : cubicMetres(shape.tread, shape.rise, shape.width) * ((shape.risers * (shape.risers + 1)) / 2),
      ),
    );
    const order = volume * (1 + part);
    return answer({ volume, order, bags: ceil(order / bagYield), by: order >= truckFrom ? 'truck' : 'bags' });
  },
  buys: ({ order, bags, by }) => [
    by === 'truck'
      ? { what: 'concrete by truck', quantity: Math.ceil(order * 10) / 10, unit: 'm³' }
      : { what: 'concrete mix', quantity: bags, unit: 'bags' },
  ],
});
