import { parseLength } from '../units/length';
import { answer } from '../problem';
import { choice, give, main, text } from './ask';
import { calculator } from './calculator';

export const SYSTEMS = { metric: 'millimetres', imperial: 'feet and inches' } as const;

/** What a length as typed is in millimetres; the grammar is that of `units/length`. */
export const parseLengthCalculator = calculator({
  name: 'parse-length',
  title: 'Read a length',
  group: 'lengths',
  answers: 'How many millimetres is a length as somebody wrote it down.',
  asks: { text: text('length as written'), system: choice('a bare number is', SYSTEMS) },
  gives: { mm: give('number', 'in millimetres', { ...main, unit: 'mm' }) },
  formula:
    'feet · 304.8 + inches · 25.4; a bare number is inches or millimetres as the job writes them; inches after ' +
    'feet stay under 12',
  source: 'The international inch is 25.4 mm exactly.',
  example: { text: `7' 4 1/2"`, system: 'imperial' },
  compute: ({ text: typed, system }) => {
    const read = parseLength(typed, system);
    return read.ok ? answer({ mm: read.value }) : { ok: false, problem: { ...read.problem, field: 'text' } };
  },
});
