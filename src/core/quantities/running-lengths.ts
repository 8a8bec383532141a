import { answer } from '../problem';
import { ceil } from '../units/rounding';
import { give, length, main, waste } from './ask';
import { calculator } from './calculator';

/** Trim, battens, flashing, pipe: whatever is bought in lengths and joined along a run. */
export const runningLengths = calculator({
  name: 'running-lengths',
  title: 'Lengths along a run',
  group: 'lengths',
  answers: 'How many lengths make a run, joints allowed anywhere.',
  asks: {
    run: length('run', { drawn: ['width', 'perimeter', 'skirting', 'openingTrim', 'drainLength'] }),
    waste: waste(),
    stick: length('one length'),
  },
  gives: { pieces: give('count', 'lengths', main) },
  formula: 'ceil(run · (1 + waste) / length)',
  source: 'Arithmetic; where joints must fall on something, use the cut list.',
  example: { run: 10_000, waste: 0.1, stick: 2400 },
  compute: ({ run, waste: part, stick }) => answer({ pieces: ceil((run * (1 + part)) / stick) }),
  buys: ({ pieces: quantity }, { stick }) => [{ what: 'lengths', size: [stick], quantity, unit: 'pieces' }],
});
