import { answer, refuse } from '../problem';
import { ceil, sum } from '../units/rounding';
import { count, give, length, main, rowsOf } from './ask';
import { calculator, ENGINEER } from './calculator';

export const rebar = calculator({
  name: 'rebar',
  title: 'Reinforcing bars',
  group: 'ground',
  answers: 'How many stock bars runs of steel take, laps included.',
  asks: {
    runs: rowsOf('runs', { length: length('length'), count: count('how many') }),
    stock: length('stock bar'),
    lap: length('lap', { zero: true }),
  },
  gives: { bars: give('count', 'bars', main), purchased: give('length', 'bought') },
  formula: 'a run is one bar, or ceil((length − lap) / (stock − lap)) lapped ones',
  source: 'Geometry; off-cuts are not used again, laps are where the drawing says.',
  decides: ENGINEER,
  example: {
    runs: [
      { length: 9300, count: 2 },
      { length: 1200, count: 8 },
    ],
    stock: 6000,
    lap: 500,
  },
  compute: ({ runs, stock, lap }) => {
    if (lap >= stock)
      return refuse({ code: 'lap-too-long', message: 'lap: it must be shorter than the bar', field: 'lap' });
    const bars = sum(
      runs.map((run) => run.count * (run.length <= stock + 1e-9 ? 1 : ceil((run.length - lap) / (stock - lap)))),
    );
    return answer({ bars, purchased: bars * stock });
  },
  buys: ({ bars }, { stock }) => [{ what: 'reinforcing bars', size: [stock], quantity: bars, unit: 'bars' }],
});
