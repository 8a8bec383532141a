import { answer, refuse } from '../problem';
import { ceil } from '../units/rounding';
import { amount, count, give, length, main, waste } from './ask';
import { calculator } from './calculator';

export const roofEdges = calculator({
  name: 'roof-edges',
  title: 'Ridges, hips, valleys and edges of a roof',
  group: 'outside',
  answers: 'How long hips, valleys and verges are on the slope, and how many pieces cover them.',
  asks: {
    riseIn12: amount('rises in 12', 'parts', { zero: true, most: 60, drawn: ['riseIn12'] }),
    run: length('eaves to ridge on the plan'),
    ridge: length('ridge', { zero: true }),
    hips: count('hips', { zero: true, most: 100 }),
    valleys: count('valleys', { zero: true, most: 100 }),
    verges: count('verges, from eaves to ridge', { zero: true, most: 100 }),
    eaves: length('eaves', { zero: true }),
    piece: length('one piece'),
    lap: length('lap', { zero: true }),
    waste: waste(),
  },
  gives: {
    verge: give('length', 'one verge'),
    hip: give('length', 'one hip or valley', main),
    caps: give('count', 'ridge and hip pieces', main),
    valleyPieces: give('count', 'valley pieces', main),
    vergePieces: give('count', 'verge pieces'),
    eavesPieces: give('count', 'eaves pieces'),
  },
  formula:
    'p = rise / 12; verge = run · √(1 + p²); hip and valley = run · √(2 + p²), at square corners of one slope; pieces = ' +
    'ceil(length · (1 + waste) / (piece − lap))',
  source: 'Geometry, for hips and valleys at square corners between slopes that rise alike.',
  example: {
    riseIn12: 7,
    run: 4200,
    ridge: 5200,
    hips: 4,
    valleys: 2,
    verges: 0,
    eaves: 38_000,
    piece: 2000,
    lap: 100,
    waste: 0.05,
  },
  compute: ({ riseIn12, run, ridge, hips, valleys, verges, eaves, piece, lap, waste: part }) => {
    if (lap >= piece)
      return refuse({ code: 'lap-too-long', message: 'lap: it must be shorter than the piece', field: 'lap' });
    const p = riseIn12 / 12;
    const [verge, hip] = [run * Math.sqrt(1 + p ** 2), run * Math.sqrt(2 + p ** 2)];
    const needed = (all: number): number => ceil((all * (1 + part)) / (piece - lap));
    return answer({
      verge,
      hip,
      caps: needed(ridge + hips * hip),
      valleyPieces: valleys * needed(hip),
      vergePieces: verges * needed(verge),
      eavesPieces: needed(eaves),
    });
  },
  buys: ({ caps, valleyPieces, vergePieces, eavesPieces }) =>
    (
      [
        ['ridge and hip pieces', caps],
        ['valley pieces', valleyPieces],
        ['verge pieces', vergePieces],
        ['eaves pieces', eavesPieces],
      ] as const
    ).flatMap(([what, quantity]) => (quantity > 0 ? [{ what, quantity, unit: 'pieces' }] : [])),
});
