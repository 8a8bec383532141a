import { answer, refuse } from '../problem';
import { cubicMetres } from '../units/rounding';
import { amount, give, length, main } from './ask';
import { calculator } from './calculator';

export const trench = calculator({
  name: 'trench',
  title: 'Trench',
  group: 'ground',
  answers: 'What is dug, what bedding comes in, what goes back and what goes away.',
  asks: {
    length: length('length', { drawn: ['drainLength'] }),
    width: length('width'),
    depthStart: length('depth at one end'),
    depthEnd: length('depth at the other'),
    bulking: amount('swell factor', 'times', { most: 3, hint: 'dug soil takes 1.2 to 1.4 times its place' }),
    pipeDiameter: length('pipe, outside'),
    beddingBelow: length('bedding below', { zero: true }),
    beddingAbove: length('bedding above', { zero: true }),
    supportFrom: length('support is looked at from'),
  },
  gives: {
    excavated: give('volume', 'dug', main),
    loose: give('volume', 'as a loose pile'),
    bedding: give('volume', 'bedding in'),
    backfill: give('volume', 'goes back'),
    away: give('volume', 'goes away, loose', main),
    supportCheck: give('flag', 'a competent person decides on support', { good: false }),
  },
  formula:
    'mean depth · length · width; bedding zone = width · (below + pipe + above) less the pipe; away = (dug − ' +
    'back) · bulking',
  source: 'Geometry; bulking is a starting figure.',
  decides:
    'From about 1.2 m, or less in poor ground, a competent person decides on support, and nobody goes in before. ' +
    'Services are located first.',
  example: {
    length: 18500,
    width: 450,
    depthStart: 620,
    depthEnd: 980,
    bulking: 1.3,
    pipeDiameter: 110,
    beddingBelow: 100,
    beddingAbove: 100,
    supportFrom: 1200,
  },
  compute: (input) => {
    const depth = (input.depthStart + input.depthEnd) / 2;
    const zone = input.beddingBelow + input.pipeDiameter + input.beddingAbove;
    if (input.pipeDiameter > input.width)
      return refuse({ code: 'pipe-too-wide', message: 'width: the trench is narrower than its pipe', field: 'width' });
    if (zone > depth + 1e-9)
      return refuse({
        code: 'trench-too-shallow',
        message: 'depth at one end: pipe and bedding do not fit into this depth',
        field: 'depthStart',
      });
    const excavated = cubicMetres(input.length, input.width, depth);
    const inZone = cubicMetres(input.length, input.width, zone);
    const bedding = inZone - cubicMetres(input.length, Math.PI * (input.pipeDiameter / 2), input.pipeDiameter / 2);
    const backfill = excavated - inZone;
    return answer({
      excavated,
      loose: excavated * input.bulking,
      bedding,
      backfill,
      away: (excavated - backfill) * input.bulking,
      supportCheck: Math.max(input.depthStart, input.depthEnd) >= input.supportFrom,
    });
  },
  buys: ({ bedding }, { length: run }) => [
    { what: 'bedding', quantity: Math.ceil(bedding * 10) / 10, unit: 'm³' },
    { what: 'pipe', quantity: Math.ceil(run / 1000), unit: 'm' },
  ],
});
