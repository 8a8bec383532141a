import { answer, refuse } from '../problem';
import { sum } from '../units/rounding';
import { count, give, length, main, money, optional, rowsOf, text } from './ask';
import { calculator } from './calculator';
import { solveCuts } from './cut-solver';

/** One stick to be drawn: which pieces come out of it and what is left over. */
export interface Cut {
  stock: number;
  pieces: { length: number; label: string }[];
  left: number;
}

const MOST_PIECES = 2_000;

export const cutList = calculator({
  name: 'cut-list',
  title: 'Cut list',
  group: 'frame',
  answers: 'Which sticks to buy for pieces of given lengths, and what is cut from each.',
  asks: {
    pieces: rowsOf('pieces', {
      length: length('length'),
      count: count('how many', { most: 1000 }),
      label: optional(text('for')),
    }),
    stock: rowsOf('stock', { length: length('length'), price: optional(money('price')) }),
    kerf: length('saw cut', { zero: true }),
  },
  gives: {
    purchased: give('length', 'bought', main),
    sticks: give('count', 'sticks', main),
    cuts: give('cuts', 'stick by stick'),
    bound: give('length', 'cannot be less than'),
    exact: give('flag', 'nothing better exists', { good: true }),
    price: give('money', 'price'),
    boundPrice: give('money', 'cannot cost less than'),
  },
  formula:
    'least length bought (or least price, where every stock has one), then fewest sticks; one saw cut between ' +
    'pieces and none past the last',
  source:
    'Branch and bound over maximal patterns; where it stops early the bound says how much better a plan could be.',
  example: {
    pieces: [
      { length: 2370, count: 3, label: 'studs' },
      { length: 1190, count: 6, label: 'noggings' },
      { length: 845, count: 4, label: 'sills' },
    ],
    stock: [
      { length: 3600, price: undefined },
      { length: 4800, price: undefined },
    ],
    kerf: 3,
  },
  compute: ({ pieces, stock, kerf }) => {
    const longest = Math.max(...stock.map((input) => input.length));
    const tooLong = pieces.findIndex((piece) => piece.length > longest + 1e-6);
    if (tooLong !== -1)
      return refuse({
        code: 'piece-too-long',
        message: 'length: this piece is longer than every stick of the stock',
        field: `pieces[${tooLong}].length`,
      });
    const total = sum(pieces.map((piece) => piece.count));
    if (total > MOST_PIECES)
      return refuse({
        code: 'too-many-pieces',
        message: `pieces: at most ${MOST_PIECES} are cut at once`,
        field: 'pieces',
      });
    const priced = stock.every((input) => input.price !== undefined);
    const plan = solveCuts(
      pieces.flatMap((piece) => Array.from({ length: piece.count }, () => piece.length)),
      stock.map((input) => ({ length: input.length, cost: priced ? (input.price ?? 0) : input.length })),
      kerf,
    );
    const labels = pieces.map((piece) => ({ ...piece, left: piece.count }));
    const cuts = plan.sticks.map((stick): Cut => ({
      stock: stick.stock,
      pieces: stick.pieces.map((piece) => {
        const named = labels.find((label) => label.length === piece && label.left > 0);
        if (named) named.left -= 1;
        return { length: piece, label: named?.label ?? '' };
      }),
      left: Math.max(0, stick.stock - sum(stick.pieces) - kerf * (stick.pieces.length - 1)),
    }));
    return answer({
      purchased: sum(plan.sticks.map((stick) => stick.stock)),
      sticks: plan.sticks.length,
      cuts,
      exact: plan.exact,
      ...(priced ? { price: plan.cost, boundPrice: plan.bound } : { bound: plan.bound }),
    });
  },
  buys: ({ cuts }, { stock }) => {
    const lengths = [...new Set(cuts.map((cut) => cut.stock))];
    return lengths.map((entry) => {
      const quantity = cuts.filter((cut) => cut.stock === entry).length;
      const price = stock.find((each) => each.length === entry)?.price;
      return {
        what: 'sticks of',
        size: [entry],
        quantity,
        unit: 'sticks',
        ...(price === undefined ? {} : { price: price * quantity }),
      };
    });
  },
});
