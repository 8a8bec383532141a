import { answer } from '../problem';
import { formatFall } from '../layout/fall';
import { fraction, give, length, main, optional, rowsOf } from '../quantities/ask';
import { calculator, LOCAL_CODE } from '../quantities/calculator';

/** Inverts from the outlet upstream, mm against the datum. */
export const invertsOf = (outlet: number, legs: readonly { length: number; fall: number }[]): number[] =>
  legs.reduce<number[]>((levels, leg) => [...levels, (levels.at(-1) ?? outlet) + leg.length * leg.fall], [outlet]);

/** Least falls at which a drain runs by itself, by its bore in mm: usual guidance, the flattest for the widest. */
const LEAST_FALLS: readonly (readonly [bore: number, fall: number])[] = [
  [65, 1 / 48],
  [149, 1 / 96],
  [Number.POSITIVE_INFINITY, 1 / 150],
];

/** @param pipe its bore in mm; flatter than any is only what no pipe allows, where it is not said */
export const leastFall = (pipe = Number.POSITIVE_INFINITY): number =>
  LEAST_FALLS.find(([bore]) => pipe <= bore)?.[1] ?? 1 / 150;

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
      { length: length('length'), fall: fraction('fall', { hint: 'like 1:80, 1.25 % or 1/4 in per ft' }) },
      { drawn: ['legs'] },
    ),
    headMaxInvert: length('highest it may start', { signed: true }),
    pipe: optional(length('pipe', { hint: 'its bore; narrow pipes need more fall' })),
  },
  gives: {
    inverts: give('levels', 'inverts', main),
    gravity: give('flag', 'runs by gravity', { ...main, good: true }),
    shortBy: give('length', 'too high by'),
    tooFlat: give('texts', 'too flat to run by itself'),
  },
  formula:
    'each leg rises length · fall above the one below it; a head that must lie higher than it may needs a pump ' +
    'or another route; a leg flatter than the usual least does not run by itself',
  source:
    'Usual least falls: 1:48 up to 65 mm pipe and 1:96 from 75 mm (US model code); 1:40, and flatter by flow, ' +
    'for 100 mm, 1:150 for 150 mm (UK guidance).',
  decides: LOCAL_CODE,
  example: {
    outletInvert: -1240,
    legs: [
      { length: 12400, fall: 0.0125 },
      { length: 6100, fall: 0.025 },
    ],
    headMaxInvert: -620,
    pipe: 100,
  },
  compute: ({ outletInvert, legs, headMaxInvert, pipe }) => {
    const inverts = invertsOf(outletInvert, legs);
    const shortBy = Math.max(0, (inverts.at(-1) ?? outletInvert) - headMaxInvert);
    const least = leastFall(pipe);
    const tooFlat = legs.flatMap((leg, index) =>
      leg.fall < least - 1e-9 ? [`leg ${index + 1}: ${leg.fall === 0 ? 'level' : formatFall(leg.fall)}`] : [],
    );
    return answer({ inverts, gravity: shortBy <= 1e-9 && tooFlat.length === 0, shortBy, tooFlat });
  },
});
