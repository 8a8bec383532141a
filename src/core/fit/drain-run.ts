import { answer } from '../problem';
import { fraction, give, length, main, rowsOf } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

/** Inverts from the outlet upstream, mm against the datum. */
export const invertsOf = (outlet: number, legs: readonly { length: number; fall: number }[]): number[] =>
  legs.reduce<number[]>((levels, leg) => [...levels, (levels.at(-1) ?? outlet) + leg.length * leg.fall], [outlet]);

export const drainRun = calculator({
  name: 'drain-run',
  title: 'Drain by its fall',
  group: 'services',
  answers: 'How high each end of a drain lies, and whether it runs by itself.',
  asks: {
    outletInvert: length('bottom of the pipe at the outlet', {
      signed: true,
      hint: 'against the job’s datum; under it with a minus',
    }),
    legs: rowsOf(
      'legs, upstream',
      { length: length('length'), fall: fraction('fall', { hint: '1:80 is 1.25 %' }) },
      { drawn: ['legs'] },
    ),
    headMaxInvert: length('highest it may start', { signed: true }),
  },
  gives: {
    inverts: give('levels', 'inverts', main),
    gravity: give('flag', 'runs by gravity', { ...main, good: true }),
    shortBy: give('length', 'too high by'),
  },
  formula:
    'each leg rises length · fall above the one below it; a head that must lie higher than it may needs a pump ' +
    'or another route',
  source:
    'Usual least falls: 1:48 up to 65 mm pipe and 1:96 from 75 mm (US model code); 1:40, and flatter by flow, ' +
    'for 100 mm (UK guidance).',
  decides: LOCAL_CODE,
  example: {
    outletInvert: -1240,
    legs: [
      { length: 12400, fall: 0.0125 },
      { length: 6100, fall: 0.025 },
    ],
    headMaxInvert: -620,
  },
  compute: ({ outletInvert, legs, headMaxInvert }) => {
    const inverts = invertsOf(outletInvert, legs);
    const shortBy = Math.max(0, (inverts.at(-1) ?? outletInvert) - headMaxInvert);
    return answer({ inverts, gravity: shortBy <= 1e-9, shortBy });
  },
});
