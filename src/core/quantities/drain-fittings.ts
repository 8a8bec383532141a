import { answer } from '../problem';
import { ceil, sum } from '../units/rounding';
import { count, fraction, give, length, main, rowsOf, waste } from './ask';
import { calculator, LOCAL_CODE } from './calculator';

export const drainFittings = calculator({
  name: 'drain-fittings',
  title: 'Pipes and fittings of a drain',
  group: 'services',
  answers: 'Pipes, couplings, bends, junctions and chambers of a drain.',
  asks: {
    legs: rowsOf('legs, upstream', { length: length('length'), fall: fraction('fall') }, { drawn: ['legs'] }),
    bends: count('bends within them', { zero: true, most: 200 }),
    branches: count('branches that join it', { zero: true, most: 200 }),
    pipe: length('one pipe'),
    chamberEvery: length('a chamber at least every', { hint: 'usual guidance 22 to 45 m (72 to 148 ft), by its size' }),
    vents: count('vents', { zero: true, most: 50 }),
    waste: waste(),
  },
  gives: {
    pipes: give('count', 'pipes', main),
    couplings: give('count', 'couplings', main),
    bends: give('count', 'bends'),
    junctions: give('count', 'junctions'),
    chambers: give('count', 'chambers', main),
  },
  formula:
    'pipes = Σ over legs ceil(length · (1 + waste) / pipe); couplings = pipes + 2 · bends + 3 · junctions; a chamber at the ' +
    'head, at each change between legs, and as often as the longest leg asks; a vent brings a bend and a junction',
  source: 'Geometry and usual guidance on reach: every part of a drain can be rodded.',
  decides: LOCAL_CODE,
  example: {
    legs: [
      { length: 12_400, fall: 0.0125 },
      { length: 6100, fall: 0.025 },
    ],
    bends: 2,
    branches: 3,
    pipe: 3000,
    chamberEvery: 22_000,
    vents: 1,
    waste: 0.05,
  },
  compute: ({ legs, bends, branches, pipe, chamberEvery, vents, waste: part }) => {
    const pipes = sum(legs.map((leg) => ceil((leg.length * (1 + part)) / pipe)));
    const allBends = bends + vents;
    const junctions = branches + vents;
    const within = sum(legs.map((leg) => Math.max(0, ceil(leg.length / chamberEvery) - 1)));
    return answer({
      pipes,
      couplings: pipes + 2 * allBends + 3 * junctions,
      bends: allBends,
      junctions,
      chambers: 1 + Math.max(0, legs.length - 1) + within,
    });
  },
  buys: ({ pipes, couplings, bends, junctions, chambers }, { pipe }) =>
    (
      [
        ['pipes', pipes, 'pipes'],
        ['couplings', couplings, 'couplings'],
        ['bends', bends, 'bends'],
        ['junctions', junctions, 'junctions'],
        ['chambers', chambers, 'chambers'],
      ] as const
    ).flatMap(([what, quantity, unit]) =>
      quantity > 0 ? [{ what, ...(what === 'pipes' ? { size: [pipe] } : {}), quantity, unit }] : [],
    ),
});
