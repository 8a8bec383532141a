import { answer } from '../problem';
import { sum } from '../units/rounding';
import { give, length, listOf, main } from '../quantities/ask';
import { calculator } from '../quantities/calculator';

export const flush = calculator({
  name: 'flush',
  title: 'Flush faces',
  group: 'fit',
  answers: 'How much packing brings two build-ups into one plane.',
  asks: { left: listOf('layers left', length('thickness')), right: listOf('layers right', length('thickness')) },
  gives: { packer: give('length', 'packer', main), pack: give('text', 'on which side', main) },
  formula: 'the thinner side takes the difference',
  source: 'Geometry; both stand on one plane behind.',
  example: { left: [12.5, 12.5], right: [18, 3] },
  compute: ({ left, right }) => {
    const difference = sum(left) - sum(right);
    return answer({
      packer: Math.abs(difference),
      pack: Math.abs(difference) < 1e-9 ? 'none' : difference < 0 ? 'left' : 'right',
    });
  },
});
