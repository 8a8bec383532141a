import { answer } from '../problem';
import { squareMetres, sum } from '../units/rounding';
import { give, length, listOf, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

/** mm a room gains on one wall when one lining comes off and another goes on; negative where it loses. */
const liningGain = (off: readonly number[], on: readonly number[]): number => sum(off) - sum(on);

export const lining = calculator({
  name: 'lining',
  title: 'Room size after new linings',
  group: 'fit',
  answers: 'What a room gains or loses when walls are stripped and built up again, party walls included.',
  asks: {
    roomWidth: length('room now'),
    roomLength: length('and the other way'),
    offLeft: listOf('off the first wall', length('thickness', { zero: true }), { least: 0 }),
    onLeft: listOf('onto the first wall', length('thickness', { zero: true }), { least: 0 }),
    offRight: listOf('off the wall opposite', length('thickness', { zero: true }), { least: 0 }),
    onRight: listOf('onto the wall opposite', length('thickness', { zero: true }), { least: 0 }),
    leastWidth: length('least width wanted', { zero: true }),
  },
  gives: {
    gain: give('level', 'gains (loses with a minus)', main),
    width: give('level', 'room then', main),
    area: give('number', 'floor gained', { unit: 'm²' }),
    wideEnough: give('flag', 'wide enough', { good: true }),
  },
  formula: 'gain = Σ off − Σ on, of both walls; width = room + gain',
  source:
    'Geometry. A party wall: nothing is fixed into the neighbour’s half, and sound and fire stay what the code asks.',
  decides: 'Party walls: the neighbour’s agreement and your local code decide.',
  example: {
    roomWidth: 2840,
    roomLength: 4100,
    offLeft: [25, 12],
    onLeft: [50, 15, 15],
    offRight: [20],
    onRight: [12.5],
    leastWidth: 2700,
  },
  compute: (input) => {
    const gain = liningGain(input.offLeft, input.onLeft) + liningGain(input.offRight, input.onRight);
    const width = input.roomWidth + gain;
    return answer({
      gain,
      width,
      area: squareMetres(gain, input.roomLength),
      wideEnough: width >= input.leastWidth - 1e-9,
    });
  },
});
